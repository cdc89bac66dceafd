import { CHECKS, type FaultCheck } from '../knowledge/fault/fault-check'
import { SYMPTOM_WORDS, type Symptom } from '../knowledge/fault/symptom'

/** One run of the finder, as a room looks back on it. */
export interface PastRun {
  readonly machineId: string
  readonly symptom: Symptom
  readonly outcome: string
  readonly cured?: FaultCheck
  /** structure of the cloth on the machine, where it is known */
  readonly cloth?: string
  readonly happenedAt: string
}

export interface FaultPattern {
  readonly machineId: string
  readonly symptom: Symptom
  readonly count: number
  readonly cured: readonly { readonly check: FaultCheck; readonly count: number }[]
  readonly cloths: readonly string[]
  readonly lastAt: string
  /** the whole of it in one sentence, without the machine's name */
  readonly sentence: string
  /** what the room could teach or mend, when one cause stands out */
  readonly teach?: string
}

const COUNT_WORDS = ['none', 'once', 'twice', 'three times', 'four times', 'five times', 'six times']
const times = (count: number) => COUNT_WORDS[count] ?? `${count} times`

/** What to do about a cause that comes back. */
const TEACH: Readonly<Partial<Record<FaultCheck, string>>> = {
  'rethread-foot-up': 'Teach threading with the foot up.',
  'tails-held': 'Teach holding both tails for the first stitches.',
  'take-up': 'Teach looking at the take-up lever from the side.',
  'foot-down': 'Teach lowering the foot before the first stitch.',
  'bobbin-seated': 'Teach which way the bobbin runs on this machine.',
  'needle-condition': 'Its needles wear out sooner than the room thinks: change them earlier.',
  'needle-fits': 'Look at the bags: needle, cloth and thread do not go together.',
  'needle-seated': 'Teach pushing the needle up until it stops.',
  'dial-at-normal': 'Hands turn its dial: set it back before class.',
  lint: 'Clean it more often.',
  'thread-quality': 'Throw the old thread out.',
  'winder-engaged': 'Teach pushing the winder home.',
}

/**
 * Runs by machine and symptom, the most frequent first; each begins with a sentence.
 * @param least how often a thing has to come back before it is a pattern
 */
export function faultPatterns(runs: readonly PastRun[], least = 2): FaultPattern[] {
  const groups = new Map<string, PastRun[]>()
  for (const run of runs) {
    const key = `${run.machineId} ${run.symptom}`
    groups.set(key, [...(groups.get(key) ?? []), run])
  }
  return [...groups.values()]
    .filter((group) => group.length >= least)
    .map((group): FaultPattern => {
      const { machineId, symptom } = group[0]!
      const cures = new Map<FaultCheck, number>()
      for (const { cured } of group) if (cured) cures.set(cured, (cures.get(cured) ?? 0) + 1)
      const cured = [...cures].map(([check, count]) => ({ check, count })).sort((a, b) => b.count - a.count)
      const main = cured[0]
      const title = SYMPTOM_WORDS[symptom].toLowerCase()
      const how = !main
        ? 'never cured at the table'
        : main.count === group.length
          ? `each time cured by: ${lower(CHECKS[main.check].title)}`
          : `${times(main.count)} cured by: ${lower(CHECKS[main.check].title)}`
      const teach = main && main.count * 2 > group.length ? TEACH[main.check] : undefined
      return {
        machineId,
        symptom,
        count: group.length,
        cured,
        cloths: [...new Set(group.flatMap(({ cloth }) => (cloth ? [cloth] : [])))].sort(),
        lastAt: group.reduce((last, { happenedAt }) => (happenedAt > last ? happenedAt : last), ''),
        sentence: `${title}, ${times(group.length)}, ${how}.`,
        ...(teach && { teach }),
      }
    })
    .sort((a, b) => b.count - a.count || (a.lastAt < b.lastAt ? 1 : -1))
}

const lower = (text: string) => text.charAt(0).toLowerCase() + text.slice(1)

/** How often each check cured a symptom in a room. */
export function curesOf(runs: readonly PastRun[], symptom: Symptom): Partial<Record<FaultCheck, number>> {
  const cures: Partial<Record<FaultCheck, number>> = {}
  for (const run of runs) if (run.symptom === symptom && run.cured) cures[run.cured] = (cures[run.cured] ?? 0) + 1
  return cures
}
