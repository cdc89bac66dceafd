import type { FaultCheck } from '../knowledge/fault/fault-check'
import type { CheckGroup } from '../knowledge/check/check'
import { afterFail, type AfterFail } from '../fault/lead-on'
import { rulesThatHold, sentence } from '../schema/rule'
import type { Facts, Rule } from '../knowledge/fact'
import { named, plain, spaced } from '../units/words'
import { isTwin, POINTS } from '../knowledge/needle/needle'
import { ROOM_CHECK } from '../knowledge/check/room-check'
import {
  CHECK_STATIONS,
  SEAT_CHECK,
  type CheckStation,
  type CheckStepGiven,
  type StepDrawing,
} from '../knowledge/check/seat-check'
import { needsWideOpening } from '../kit/opening'
import type { Kit } from '../kit/request'
import type { Traits } from '../knowledge/machine/trait'
import { nearestLengthMark } from '../units/length-marks'
import { sizeText } from '../units/needle-size'
import type { MachineState } from '../machine/state'

export interface CheckStep {
  /** the step's own name, kept in the book */
  readonly step: string
  readonly group: CheckGroup
  /** where on the way of the thread it is looked at */
  readonly station?: CheckStation
  readonly title: string
  readonly how: string
  readonly drawing?: StepDrawing
  /** what the finder asks to look at that this step is the machine’s own way of doing */
  readonly checks?: readonly FaultCheck[]
  readonly caution?: string
  /** what follows when it does not pass */
  readonly after: AfterFail
}

/** The kit's numbers that a seat check speaks of. */
export type CheckedKit = Pick<Kit, 'needle' | 'stitch' | 'dial' | 'topThread' | 'extras'>

/** Which way the long groove faces: the side the thread comes from. */
const GROOVE = { 'front-to-back': 'front', 'right-to-left': 'right', 'left-to-right': 'left' } as const
const THREADED = {
  'front-to-back': 'from front to back',
  'right-to-left': 'from right to left',
  'left-to-right': 'from left to right',
} as const
const CLAMP = {
  fingers: ' by fingers alone',
  driver: ' by fingers, then to a light stop with its small driver, an eighth of a turn at most',
} as const
const WHEEL = { towards: 'towards you', away: 'away from you' } as const

/** The seat check of exactly this machine, in threading order, with the kit's numbers where a kit is known. */
export function seatCheck(traits: Traits, kit?: CheckedKit): CheckStep[] {
  return stepsOf(SEAT_CHECK, checkFacts(traits, kit))
}

/** The room check of exactly this machine, before a session. */
/** What a change made stale or a look found wrong is asked again; all of it where nobody has looked yet. */
export function stillToCheck(traits: Traits, state: MachineState, kit?: CheckedKit): CheckStep[] {
  const all = seatCheck(traits, kit)
  if (state.lastCheckAt === undefined) return all
  return all.filter(({ group }) => state.stale.includes(group) || state.failed.includes(group))
}

export function roomCheck(traits: Traits, kit?: CheckedKit): CheckStep[] {
  return stepsOf(ROOM_CHECK, checkFacts(traits, kit))
}

/** The steps of a list that hold for these facts, in its order. */
export function stepsOf(rules: readonly Rule<CheckStepGiven>[], facts: Facts): CheckStep[] {
  return rulesThatHold(rules, facts).map((rule) => ({
    step: rule.id,
    group: rule.give.group,
    ...(rule.give.station && { station: rule.give.station }),
    title: sentence(rule.give.title, facts),
    how: sentence(rule.because, facts),
    ...(rule.give.drawing && { drawing: rule.give.drawing }),
    ...(rule.give.checks && { checks: rule.give.checks }),
    ...(rule.give.caution && { caution: rule.give.caution }),
    after: afterFail({ step: rule.id, group: rule.give.group }),
  }))
}

/** What is looked at in one go. */
export interface Station {
  readonly station: CheckStation
  readonly title: string
  readonly steps: readonly CheckStep[]
}

/** The steps of a seat check by where on the way of the thread they are looked at; in that order, every step once. */
export const stationsOf = (steps: readonly CheckStep[]): Station[] =>
  (Object.keys(CHECK_STATIONS) as CheckStation[]).flatMap((station) => {
    const here = steps.filter((step) => (step.station ?? 'ready') === station)
    return here.length > 0 ? [{ station, title: CHECK_STATIONS[station], steps: here }] : []
  })

/** Whether its threader takes this needle and this thread, as far as anybody has written down. */
function threaderTakes({ threaderNm, threaderTex }: Traits, { needle, topThread }: CheckedKit): boolean {
  const size = !threaderNm || (needle.sizeNm >= threaderNm.min && needle.sizeNm <= threaderNm.max)
  return size && (threaderTex === undefined || topThread.tex <= threaderTex)
}

/** Traits as a person says them, with what the kit adds. */
export function checkFacts(traits: Traits, kit: CheckedKit | undefined): Facts {
  const { tensionDial, needleNm: _, lengthMm: _length, lengthMarks, bobbinSize: _size, threaderNm, ...words } = traits
  const stitch = kit?.stitch
  const point = kit && POINTS[kit.needle.point]
  // A day starts with a middling straight stitch when no kit says otherwise.
  const lengthMm = stitch?.lengthMm ?? Math.min(Math.max(2.5, traits.lengthMm?.min ?? 0), traits.lengthMm?.max ?? 2.5)
  return {
    ...words,
    dialNormal: tensionDial?.normal,
    dialStart: tensionDial && (kit?.dial.setting ?? tensionDial.normal),
    dialShown: tensionDial?.byStitch?.[stitch?.of ?? 'straight'],
    eyeThreadedWords: traits.eyeThreaded && THREADED[traits.eyeThreaded],
    grooveWords: traits.eyeThreaded && GROOVE[traits.eyeThreaded],
    shankFlatWords: traits.shankFlat,
    handWheelWords: traits.handWheel ? WHEEL[traits.handWheel] : 'the way its manual says',
    bobbinMaterialWords: traits.bobbinMaterial ? `, ${named(traits.bobbinMaterial)},` : '',
    clampFacesWords: traits.clampFaces ? `, at the ${traits.clampFaces}` : '',
    clampWords: traits.clampTightened ? CLAMP[traits.clampTightened] : '',
    unwindsWords: traits.spoolUnwinds ? ` It unwinds ${spaced(traits.spoolUnwinds)}.` : '',
    threaderFits: kit && point ? !isTwin(point) && !point.holeWanted && threaderTakes(traits, kit) : undefined,
    threaderBars:
      threaderNm && !(point && (isTwin(point) || point.holeWanted))
        ? `The threader takes needles from ${plain(threaderNm.min)} to ${plain(threaderNm.max)}${traits.threaderTex ? ` and threads to ${plain(traits.threaderTex)} tex` : ''}`
        : 'The threader is made for one ordinary needle',
    threaderPowerWords: traits.threaderNeedsPower ? ', with the power on' : ', with the power off',
    kitStraight: stitch ? stitch.iso === '301' : true,
    kitStitch: stitch?.of ?? 'straight',
    kitStitchWords: stitch?.of === 'zigzag' ? named('zigzag') : `${named(stitch?.of ?? 'straight')} stitch`,
    wantsWidePlate: needsWideOpening(stitch, point, traits.maxWidthMm),
    straightPlateHere: traits.straightPlate === true || traits.feet?.includes('straight') === true,
    kitNeedleAside: stitch?.aside ?? false,
    kitDogsDown: kit?.extras.includes('dogs-down') ?? false,
    kitLengthMm: plain(lengthMm),
    kitLengthMark: lengthMarks && plain(nearestLengthMark(lengthMarks, lengthMm).mark),
    kitPerInch: lengthMm > 0 ? Math.round(25.4 / lengthMm) : 0,
    kitWidthMm: stitch && plain(stitch.widthMm),
    needleWords: kit && `${POINTS[kit.needle.point].words} ${sizeText(kit.needle.sizeNm)}`,
  }
}
