/**
 * Thread number systems, normalised to tex (grams per 1000 metres). All are nominal: makers vary by some per cent.
 */
import { capital } from './words'

export const FIBRES = ['polyester', 'cotton', 'nylon', 'silk', 'rayon', 'metallic'] as const
export const FINISHES = ['spun', 'filament', 'bonded', 'monofilament'] as const
export type Fibre = (typeof FIBRES)[number]
export type Finish = (typeof FINISHES)[number]

/** A thread as the core knows it. `finish` absent: the usual finish of its fibre. */
export interface Thread {
  readonly tex: number
  readonly fibre: Fibre
  readonly finish?: Finish
  /** how many run through one eye */
  readonly strands?: 1 | 2
}

/** Bonded sizes are a trade look-up, not a formula. */
export const BONDED_TEX: Readonly<Record<string, number>> = {
  15: 16,
  30: 30,
  46: 45,
  69: 70,
  92: 90,
  138: 135,
  207: 210,
}

/** kg/m³ of the fibre itself */
const DENSITY: Record<Fibre, number> = {
  polyester: 1380,
  cotton: 1540,
  nylon: 1140,
  silk: 1330,
  rayon: 1500,
  metallic: 1600,
}

/** How much of a thread's round outline is fibre rather than air. */
function packing(fibre: Fibre, finish: Finish): number {
  if (finish === 'bonded') return 0.85
  if (finish === 'monofilament') return 1
  if (fibre === 'cotton') return 0.55
  if (fibre === 'polyester' || fibre === 'nylon') return finish === 'spun' ? 0.6 : 0.7
  return 0.7
}

/** The finish to assume when nobody says: cotton and polyester spun, nylon bonded, the others filament. */
export const usualFinish = (fibre: Fibre): Finish =>
  fibre === 'cotton' || fibre === 'polyester' ? 'spun' : fibre === 'nylon' ? 'bonded' : 'filament'

/**
 * Diameter in mm of one strand, or of the bundle when two share the eye (√2 of one).
 * Source: mass per length ÷ (density × packing), round outline.
 */
export function threadDiameterMm(thread: Thread): number {
  const finish = thread.finish ?? usualFinish(thread.fibre)
  const area = (thread.tex * 1e-6) / (DENSITY[thread.fibre] * packing(thread.fibre, finish))
  return 2 * Math.sqrt(area / Math.PI) * 1e3 * Math.sqrt(thread.strands ?? 1)
}

/** What a notation says: the count in tex, and what the notation itself tells of fibre and finish. */
export interface ThreadCount {
  readonly tex: number
  readonly fibre?: Fibre
  readonly finish?: Finish
}

export class NotationError extends Error {
  constructor(
    readonly code: 'invalid' | 'ambiguous',
    message: string,
    /** what an ambiguous one may mean, each a notation of its own */
    readonly readings: readonly string[] = [],
  ) {
    super(message)
  }
}

const NUMBER = '(\\d+(?:\\.\\d+)?)'
const WEIGHT = '(?:wt|weight)\\.?'
const PLIES = '(?:\\s*/\\s*(\\d+))?'
const SYSTEMS: readonly { readonly pattern: RegExp; readonly tex: (count: number, plies: number) => number }[] = [
  // The weight is that of the whole thread, however many plies it is said to have.
  { pattern: new RegExp(`^${NUMBER}\\s*-?${WEIGHT}(?:\\s*/\\s*\\d+)?$`), tex: (wt) => 1000 / wt },
  { pattern: new RegExp(`^${WEIGHT}\\s*-?${NUMBER}$`), tex: (wt) => 1000 / wt },
  { pattern: new RegExp(`^ne\\s*${NUMBER}${PLIES}$`), tex: (ne, plies) => (590.5 * plies) / ne },
  { pattern: new RegExp(`^nm\\s*${NUMBER}${PLIES}$`), tex: (nm, plies) => (1000 * plies) / nm },
  // "No." on a spool's end is its ticket.
  { pattern: new RegExp(`^(?:tkt|ticket|no|nr)\\.?\\s*${NUMBER}$`), tex: (ticket) => 3000 / ticket },
  { pattern: new RegExp(`^(?:tex-?|tex\\s+|t-?|t\\s+)${NUMBER}$`), tex: (tex) => tex },
  { pattern: new RegExp(`^${NUMBER}\\s*tex$`), tex: (tex) => tex },
  { pattern: new RegExp(`^dtex\\s*${NUMBER}$`), tex: (dtex) => dtex / 10 },
  { pattern: new RegExp(`^${NUMBER}\\s*dtex$`), tex: (dtex) => dtex / 10 },
  { pattern: new RegExp(`^${NUMBER}\\s*(?:den|denier)$`), tex: (denier) => denier / 9 },
  { pattern: new RegExp(`^(?:den|denier)\\s*${NUMBER}$`), tex: (denier) => denier / 9 },
]

export const NOTATIONS =
  '"50 wt", "Ne 50/3", "Nm 120/2", "tkt 120", "No. 120", "tex 27", "T-27", "dtex 270", "250 den", "V92" or "#92"'

/**
 * Reads any of the thread number systems; case and spaces do not matter.
 * @throws NotationError `ambiguous` for a bare number or "50/3", `invalid` for anything else that is no notation.
 */
export function parseThreadNotation(notation: string): ThreadCount {
  const text = notation.trim().toLowerCase()
  const bonded = /^(?:v\s*-?|#)\s*(\d+)$/.exec(text)
  if (bonded) {
    const tex = BONDED_TEX[bonded[1]!]
    if (tex !== undefined) return { tex, fibre: 'nylon', finish: 'bonded' }
    const sizes = Object.keys(BONDED_TEX).map((size) => `V${size} or #${size}`)
    throw new NotationError('invalid', `"${notation}" is no bonded size; allowed are ${sizes.join(', ')}`)
  }
  const bare = new RegExp(`^${NUMBER}(?:\\s*/\\s*(\\d+))?$`).exec(text)
  if (bare) {
    const [, count, plies] = bare
    const readings: Readonly<Record<string, string>> = plies
      ? {
          [spelt('ne', `${count}/${plies}`)]: '',
          [spelt('nm', `${count}/${plies}`)]: '',
          [spelt('wt', count!)]: ` of ${plies} plies`,
        }
      : {
          ...Object.fromEntries(BARE_MAY_BE.map((system) => [spelt(system, count!), ''])),
          ...(BONDED_TEX[count!] !== undefined && { [`#${count}`]: ' (bonded)' }),
        }
    // Only what is a thread when it is written out: of none at all, or of more digits than a number holds, nothing is.
    const threads = Object.entries(readings).filter(([each]) => isNotation(each))
    if (threads.length === 0 || Number(plies) === 0) throw notAbove(notation)
    const said = threads.map(([each, more]) => `"${each}"${more}`)
    throw new NotationError(
      'ambiguous',
      `"${notation}" can be read as ${said.join(', ')}: write which one is meant`,
      threads.map(([each]) => each),
    )
  }
  for (const { pattern, tex } of SYSTEMS) {
    const found = pattern.exec(text)
    if (!found) continue
    const count = Number(found[1])
    const plies = found[2] === undefined ? 1 : Number(found[2])
    if (count > 0 && plies > 0) {
      const value = tex(count, plies)
      if (Number.isFinite(value) && value > 0) return { tex: value }
    }
    throw notAbove(notation)
  }
  throw new NotationError('invalid', `"${notation}" is no thread notation; allowed are ${NOTATIONS}`)
}

/** What a bare number may be. */
const BARE_MAY_BE = ['wt', 'tkt', 'tex', 'ne', 'nm'] as const
/** As it stands on a spool: read back by {@link parseThreadNotation} and so no sentence, but the same in every language. */
function spelt(system: (typeof BARE_MAY_BE)[number], number: string): string {
  if (system === 'wt') return [number, system].join(' ')
  return [system.startsWith('n') ? capital(system) : system, number].join(' ')
}

const notAbove = (notation: string): NotationError =>
  new NotationError('invalid', `"${notation}": the count and the plies must be above 0`)

function isNotation(text: string): boolean {
  try {
    return parseThreadNotation(text).tex > 0
  } catch {
    return false
  }
}

/** Thread classes: another colour of the same class needs no new test swatch. Source: common practice. */
export function threadClass(thread: Thread): string {
  const band =
    thread.tex < 20
      ? 'under 20'
      : thread.tex < 36
        ? '20–35'
        : thread.tex < 51
          ? '36–50'
          : thread.tex <= 100
            ? '51–100'
            : 'over 100'
  return `${band} ${thread.finish ?? usualFinish(thread.fibre)}`
}
