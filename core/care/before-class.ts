import { roomCheck, stillToCheck, type CheckStep } from '../check/seat-check'
import { goodLook, goodLookWords, targetOf, type Sewn } from '../tension/target'
import { NEEDLE_OUT } from '../knowledge/check/needle-out'
import { GROUP_WORDS } from '../knowledge/check/check'
import { POINTS, systemKey, systemWords } from '../knowledge/needle/needle'
import { capital, named, plain } from '../units/words'
import type { RoomNumbers } from '../knowledge/room-number'
import type { Kit } from '../kit/request'
import { wearOfFitting, type NeedleRules } from '../machine/standing'
import type { BodyOf, Happening } from '../machine/event'
import { settingsWords } from '../machine/kinds/settings'
import type { MachineState } from '../machine/state'
import type { Traits } from '../knowledge/machine/trait'
import { sizeText } from '../units/needle-size'
import { careOf } from './care'

/** One thing to do at a machine before class: a line that a tap writes, or a page that leads on. */
export interface BenchTask {
  readonly id: string
  readonly title: string
  readonly because: string
  readonly event?: Happening
  /** by-others: a technician or a licensed tester does it, and the room writes down that they did */
  readonly leadsTo?: 'check' | 'room-check' | 'swatch' | 'by-others'
  readonly caution?: string
  /** what is looked at before it is said to be done, each in a few words */
  readonly looks?: readonly string[]
  /** how it is done at exactly this machine, drawn where there is a drawing */
  readonly how?: readonly CheckStep[]
  /** of a seat check: what is still to be looked at, to be said in place */
  readonly steps?: readonly CheckStep[]
}

type Settings = BodyOf<'baseline-set'>['settings']

/** Where the settings stand now, as far as anybody knows. */
export const settingsNow = (state: MachineState): Partial<Settings> => ({
  ...state.settings,
  ...(state.dial !== undefined && { dial: state.dial }),
  ...(state.foot && { foot: state.foot }),
})

/** The settings that stand elsewhere than the baseline says; what nobody has looked at is not off. */
export function driftOf(state: MachineState): Partial<Settings> {
  const now = settingsNow(state) as Readonly<Record<string, unknown>>
  const entries = Object.entries(state.baseline ?? {}).filter(
    ([name, value]) => now[name] !== undefined && now[name] !== value,
  )
  return Object.fromEntries(entries)
}

/**
 * Only what differs from what tonight needs, in the order of doing it: locks are for people to lift and stand elsewhere.
 * @param kit tonight's kit for this machine, where somebody sits at it
 * @param now ISO, UTC
 * @param sewn what is sewn there, for its swatch
 */
export function beforeClass(
  machine: { readonly traits: Traits; readonly state: MachineState },
  kit: Kit | undefined,
  rules: { readonly needle: NeedleRules; readonly numbers?: RoomNumbers | undefined },
  now: string,
  sewn?: Sewn,
): BenchTask[] {
  const { traits, state } = machine
  const tasks: BenchTask[] = []
  const drift = driftOf(state)
  // What the kit asks for is set with the kit; only what it leaves alone goes back to the baseline.
  const { dial: _dial, foot: _foot, ...rest } = drift
  const back = kit ? rest : drift
  if (Object.keys(back).length > 0) {
    tasks.push({
      id: 'restore',
      title: `Set back: ${settingsWords(back)}`,
      because: 'It stands off its day-start baseline.',
      event: { kind: 'restored', body: {} },
    })
  }
  tasks.push(...needleTasks(traits, state, kit, rules.needle))
  if (kit) tasks.push(...setUpTasks(state, kit))
  for (const care of careOf(state, traits, rules.numbers, now)) {
    if (care.status === 'well' || care.status === 'soon') continue
    const room = care.job === 'room-check' ? roomCheckTask(traits, kit) : undefined
    const event = CARE_EVENT[care.job]
    tasks.push({
      id: care.job,
      title: care.title,
      because: `${capital(named(care.status))}: ${care.because}.`,
      caution: care.caution,
      ...(event ? { event } : !room && { leadsTo: 'by-others' as const }),
      ...room,
    })
  }
  const open = state.stale.filter((group) => group !== 'swatch' && group !== 'line')
  if (open.length > 0)
    tasks.push({
      id: 'check',
      title: 'Seat check',
      because: `To check: ${open.map((group) => GROUP_WORDS[group]).join(', ')}.`,
      leadsTo: 'check',
      steps: stillToCheck(traits, state, kit),
    })
  else if (state.stale.length > 0) tasks.push(swatchTask(machine, kit, sewn))
  return tasks
}

/** A swatch that looks as it should is one tap; one that does not is read. Where no dial is known, there is nothing to say. */
function swatchTask(
  { traits, state }: { readonly traits: Traits; readonly state: MachineState },
  kit: Kit | undefined,
  sewn: Sewn | undefined,
): BenchTask {
  const target = targetOf(kit, sewn)
  const dial = state.dial ?? kit?.dial.setting ?? traits.tensionDial?.normal
  return {
    id: 'swatch',
    title: 'Test swatch',
    because: 'The last one is stale.',
    leadsTo: 'swatch',
    ...(dial !== undefined && {
      looks: goodLookWords(target),
      event: { kind: 'swatch-stitched', body: { dial, target, ...goodLook(target), done: [] } },
    }),
  }
}

/** Every thing is looked at one by one, and all of them are said in one tap; what is not so is said on the list's own page. */
function roomCheckTask(traits: Traits, kit: Kit | undefined): Pick<BenchTask, 'event' | 'leadsTo' | 'looks'> {
  const steps = roomCheck(traits, kit)
  return {
    looks: steps.map(({ title }) => title),
    leadsTo: 'room-check',
    event: {
      kind: 'check-run',
      body: { list: 'room', steps: steps.map(({ step, group }) => ({ step, group, result: 'pass' })) },
    },
  }
}

const CARE_EVENT: Readonly<Record<string, Happening>> = {
  clean: { kind: 'cleaned', body: {} },
  'oil-race': { kind: 'oiled', body: { where: 'race' } },
  'oil-arm': { kind: 'oiled', body: { where: 'arm' } },
}

function needleTasks(traits: Traits, state: MachineState, kit: Kit | undefined, rules: NeedleRules): BenchTask[] {
  const fitted = state.fitting?.needle
  const wear = state.fitting && wearOfFitting(state.fitting, rules)
  const wanted = kit?.needle ?? (fitted?.condition === 'unverified' || wear?.verdict === 'change' ? fitted : undefined)
  if (!wanted) return []
  const system = kit?.needle.system ?? traits.needleSystem ?? fitted?.system ?? 'unknown'
  const same =
    fitted &&
    systemKey(fitted.system) === systemKey(system) &&
    fitted.point === wanted.point &&
    fitted.sizeNm === wanted.sizeNm &&
    fitted.gapMm === wanted.gapMm &&
    fitted.condition !== 'unverified'
  if (same && wear?.verdict !== 'change') return []
  const { point, sizeNm, gapMm } = wanted
  const name = `${POINTS[point].words} ${sizeText(sizeNm)}${systemWords(system)}`
  const reason = !fitted
    ? 'No needle is known to be in it.'
    : fitted.condition === 'unverified'
      ? 'Nobody knows how old its needle is.'
      : same
        ? `Needle due: ${wear!.because}`
        : `${POINTS[fitted.point].words} ${sizeText(fitted.sizeNm)} is in it.`
  // A needle that is due goes to the sharps, whatever kit comes after it.
  const why = fitted?.condition === 'unverified' ? 'unknown-age' : wear?.verdict === 'change' ? 'due' : 'other-kit'
  const { state: left, wentTo } = NEEDLE_OUT[why]
  const out = fitted && ({ reason: why, state: left, wentTo } as const)
  return [
    {
      id: 'needle',
      title: `Fit ${name}${gapMm ? `, ${plain(gapMm)} mm apart` : ''}`,
      because: reason,
      caution: 'Power off and foot off the pedal.',
      event: {
        kind: 'needle-changed',
        body: {
          ...(out && { out }),
          in: {
            system,
            point,
            sizeNm,
            ...(gapMm !== undefined && { gapMm }),
            condition: 'new',
          },
        },
      },
    },
  ]
}

function setUpTasks(state: MachineState, kit: Kit): BenchTask[] {
  const { thread, dial, foot } = state
  const parts: string[] = []
  const body: { -readonly [Key in keyof BodyOf<'set-up'>]: BodyOf<'set-up'>[Key] } = {}
  if (!thread || thread.tex !== kit.topThread.tex || thread.fibre !== kit.topThread.fibre) {
    body.thread = kit.topThread
    body.bobbinThread = kit.bobbinThread
    parts.push(
      `${plain(kit.topThread.tex)} tex ${named(kit.topThread.fibre)} above, ${plain(kit.bobbinThread.tex)} below`,
    )
  }
  if (foot !== kit.foot) {
    body.foot = kit.foot
    parts.push(`${named(kit.foot)} foot`)
  }
  if (kit.dial.setting !== undefined && dial !== kit.dial.setting) {
    body.dial = kit.dial.setting
    parts.push(`dial ${plain(kit.dial.setting)}`)
  }
  if (parts.length === 0) return []
  return [
    {
      id: 'set-up',
      title: `Set ${parts.join(', ')}`,
      because: 'Tonight’s kit wants it.',
      event: { kind: 'set-up', body },
    },
  ]
}

/** What of a list the room can do itself before class. */
export const ownTasks = (tasks: readonly BenchTask[]): readonly BenchTask[] =>
  tasks.filter(({ leadsTo }) => leadsTo !== 'by-others')
