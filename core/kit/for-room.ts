import type { HouseRules } from '../room/house-rules'
import { computeKit } from './kit'
import type { DropTest } from './needle-fit'
import type { Kit, KitAnswer, KitMachine, KitRequest, KitStock, Refusal } from './request'

/** What a room brings to every kit: its choices, its shelf, its drop tests. */
export interface KitRoom {
  readonly rules: HouseRules
  readonly stock?: KitStock
  readonly dropTests: readonly DropTest[]
}

/** What is sewn, as far as its kit depends on it. */
type Work = Pick<KitRequest, 'fabric' | 'layers' | 'operation'>

/** The one way to ask for a learner's kit in this room. */
export function kitRequestFor(project: Work, machine: KitMachine, { rules, stock, dropTests }: KitRoom): KitRequest {
  const { fabric, layers, operation } = project
  return {
    fabric,
    layers,
    operation,
    machine,
    schools: rules.schools,
    learner: true,
    room: rules.numbers ?? {},
    dropTests,
    ...(stock && { stock }),
  }
}

/** Rooms whose answers are kept, the last asked of last; and how many each keeps. */
const ROOMS = new Map<string, Map<string, KitAnswer>>()
const MOST_ROOMS = 8
const MOST_ANSWERS = 2_000
const TEXTS = new WeakMap<object, string>()
const textOf = (known: KitMachine | KitRoom): string => {
  const text = TEXTS.get(known) ?? JSON.stringify(known)
  TEXTS.set(known, text)
  return text
}

function answersOf(room: KitRoom): Map<string, KitAnswer> {
  const text = textOf(room)
  const answers = ROOMS.get(text) ?? new Map<string, KitAnswer>()
  ROOMS.delete(text)
  ROOMS.set(text, answers)
  if (ROOMS.size > MOST_ROOMS) ROOMS.delete(ROOMS.keys().next().value!)
  if (answers.size >= MOST_ANSWERS) answers.clear()
  return answers
}

/**
 * The kits of a piece of work on a machine of this room. A large hall has many machines and few kinds of them, and one class is
 * asked about again and again: what was answered once is the answer, as long as what the room brings is the same.
 */
export function kitAnswerFor(project: Work, machine: KitMachine, room: KitRoom): KitAnswer {
  const answers = answersOf(room)
  const { fabric, layers, operation } = project
  const key = `${JSON.stringify([fabric, layers, operation])} ${textOf(machine)}`
  const answer = answers.get(key) ?? computeKit(kitRequestFor(project, machine, room))
  answers.set(key, answer)
  return answer
}

export type BagState = 'good' | 'marginal' | 'refused' | 'short' | 'overridden'

/** How one bag stands today, on the machine it was given for or on the best of the room. */
export interface BagStanding {
  readonly state: BagState
  /** the machine it stands on; absent when every machine refuses */
  readonly machineId?: string
  readonly kit?: Kit
  readonly refusals: readonly Refusal[]
  /** machines of the room that can do it at all */
  readonly able: number
}

/** What is the matter with a machine for whoever would sit down at it: nobody sews on it just now, or something is wrong with it. */
export type Unsound = 'stopped' | 'fault'

interface Candidate {
  readonly machineId: string
  /** absent while traits that a kit needs are not known */
  readonly machine?: KitMachine
  /** absent: it is sound */
  readonly unsound?: Unsound | undefined
}

const GRADE: Readonly<Record<BagState, number>> = { good: 0, overridden: 1, marginal: 1, short: 2, refused: 3 }

/**
 * Where somebody without a seat would be best off: nobody is sent to a machine that is stopped while another does it, the better kit goes
 * before the sounder machine, and of equal kits the one on a machine that nothing is wrong with.
 */
export const seatRank = ({ state, unsound }: Pick<Candidate, 'unsound'> & { readonly state: BagState }): number =>
  (state === 'refused' ? 100 : unsound === 'stopped' ? 10 : 0) + GRADE[state] * 2 + (unsound === 'fault' ? 1 : 0)

const stateOf = (kit: Kit | undefined): BagState => (!kit ? 'refused' : kit.inStock === false ? 'short' : kit.verdict)

/** @param given what was given last, and for which machine */
export function bagStanding(
  project: Work,
  machines: readonly Candidate[],
  room: KitRoom,
  given?: { readonly machineId: string; readonly kit: Kit },
): BagStanding {
  const answers = machines.flatMap(({ machineId, machine, unsound }) => {
    if (!machine) return []
    const { kits, refusals } = kitAnswerFor(project, machine, room)
    return [{ machineId, kit: kits[0], refusals, state: stateOf(kits[0]), unsound }]
  })
  const able = answers.filter(({ kit }) => kit).length
  const seat = given && answers.find(({ machineId }) => machineId === given.machineId)
  if (given?.kit.overrides?.length)
    return { state: 'overridden', machineId: given.machineId, kit: given.kit, refusals: [], able }
  const best = seat ?? [...answers].sort((a, b) => seatRank(a) - seatRank(b))[0]
  if (!best) return { state: 'refused', refusals: [], able }
  const { state, machineId, kit, refusals } = best
  return { state, refusals, able, ...(kit ? { machineId, kit } : seat && { machineId }) }
}

/** The parts of a kit in which two kits differ, for telling a person what a change would do. */
export const KIT_PARTS = [
  'needle',
  'thread',
  'bobbin',
  'foot',
  'pressure',
  'stitch',
  'dial',
  'extras',
  'cautions',
] as const
export type KitPart = (typeof KIT_PARTS)[number]

const PART: Readonly<Record<KitPart, (kit: Kit) => unknown>> = {
  needle: ({ needle }) => [needle.system, needle.point, needle.sizeNm, needle.gapMm],
  thread: ({ topThread }) => [topThread.tex, topThread.fibre, topThread.finish],
  bobbin: ({ bobbinThread }) => [bobbinThread.tex, bobbinThread.fibre, bobbinThread.finish],
  foot: ({ foot }) => foot,
  pressure: ({ footPressure }) => footPressure,
  stitch: ({ stitch }) => [stitch.iso, stitch.name, stitch.lengthMm, stitch.widthMm, stitch.lock],
  dial: ({ dial }) => dial.setting ?? dial.offset,
  extras: ({ extras }) => extras,
  cautions: ({ cautions }) => cautions,
}

export const kitDifferences = (a: Kit, b: Kit): KitPart[] =>
  KIT_PARTS.filter((part) => JSON.stringify(PART[part](a)) !== JSON.stringify(PART[part](b)))
