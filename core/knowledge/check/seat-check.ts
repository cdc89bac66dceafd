import type { FaultCheck } from '../fault/fault-check'
import type { CheckGroup } from './check'
import { PLACE_CAUTIONS } from '../care/place-caution'
import { readable, type Rule } from '../fact'
import type { Symptom } from '../fault/symptom'

/** Which drawing belongs to a step; each is made from the machine's own traits. */
export type StepDrawing =
  'dial' | 'needle' | 'bobbin' | 'foot-up' | 'foot-down' | 'hand-wheel' | 'spool' | 'take-up' | 'discs'

/** The way of the thread through a machine, in order: what is looked at in one go, standing in one place. */
export const CHECK_STATIONS = {
  ready: 'You and the machine',
  stitch: 'Stitch and dial',
  spool: 'Spool',
  discs: 'Foot up, through the discs',
  eye: 'Take-up to the needle’s eye',
  needle: 'Needle',
  bobbin: 'Bobbin',
  turn: 'One turn by hand',
} as const
export type CheckStation = keyof typeof CHECK_STATIONS

export interface CheckStepGiven {
  /** where on the way of the thread it is looked at; absent on lists that go another way */
  readonly station?: CheckStation
  readonly group: CheckGroup
  /** the step as a few words; the sentence is in `because` */
  readonly title: string
  readonly drawing?: StepDrawing
  /** a caution, shown where the hand is */
  readonly caution?: string
  /** what follows when it does not pass, where that is more than its group says */
  readonly ifFailed?: IfFailed
  /** what the finder asks to look at that this step is a machine’s own way of doing */
  readonly checks?: readonly FaultCheck[]
}

export interface IfFailed {
  /** nobody sews until it passes; electrical: not before a licensed repair is written down */
  readonly stops?: 'do-not-sew' | 'electrical'
  /** said of a machine that it stops: half a sentence */
  readonly stopsBecause?: string
  /** where the finder begins */
  readonly symptom?: Symptom
  /** what the finder is told besides */
  readonly known?: { readonly footUp?: true; readonly threadedFootDown?: true }
  /** what to do at once, before anybody else is asked */
  readonly now?: string
}

const step = (
  id: string,
  station: CheckStation,
  group: CheckGroup,
  title: string,
  when: Rule<unknown>['when'],
  because: string,
  more: Pick<CheckStepGiven, 'drawing' | 'caution' | 'ifFailed' | 'checks'> = {},
): Rule<CheckStepGiven> => ({
  id,
  when,
  give: { station, group, title, ...more },
  because,
  source: 'common practice',
  confidence: 'high',
})

const POWER_OFF = 'Power off or threading lock on, and foot off the pedal.'

/**
 * The seat check in threading order. A step that does not apply to a machine does not hold; a direction is always this
 * machine's own. Facts are the machine's traits, spoken, and the kit's numbers.
 */
export const SEAT_CHECK: readonly Rule<CheckStepGiven>[] = readable([
  step(
    'tied-back',
    'ready',
    'settings',
    'Hair, cords and sleeves tied back',
    {},
    'Nothing hangs that the needle or the wheel could catch: hair, cords, scarf, sleeves, a name tag.',
  ),
  step(
    'speed-low',
    'ready',
    'settings',
    'Speed low',
    { speedLimiter: { is: true } },
    'Push the speed limiter to its slow end.',
  ),
  step(
    'dogs-up',
    'ready',
    'settings',
    'Feed dogs up',
    { dogsDrop: { is: true }, kitDogsDown: { is: false } },
    'The little teeth under the foot stand up, so that they feed the cloth.',
    { checks: ['feed-dogs'] },
  ),
  step(
    'dogs-down',
    'ready',
    'settings',
    'Feed dogs down',
    { dogsDrop: { is: true }, kitDogsDown: { is: true } },
    'The little teeth under the foot go down: here the hands move the cloth. Up again afterwards.',
    { checks: ['feed-dogs'] },
  ),
  step(
    'dogs-covered',
    'ready',
    'settings',
    'Feed dogs covered',
    { dogsDrop: { is: false }, kitDogsDown: { is: true } },
    'These feed dogs do not go down: their cover plate goes over them, or the stitch length to its least. The hands move the cloth.',
    { checks: ['feed-dogs'] },
  ),
  step(
    'winder-off',
    'ready',
    'settings',
    'Winder off',
    { winder: { in: ['slides-right'] } },
    'The bobbin winder is pushed back to the left; engaged, it stops the needle.',
    { checks: ['winder-engaged'] },
  ),
  step(
    'winder-off-wheel',
    'ready',
    'settings',
    'Hand wheel home',
    { winder: { in: ['hand-wheel-out'] } },
    'The hand wheel’s knob is pushed in; pulled out for winding, it stops the needle.',
    { checks: ['winder-engaged'] },
  ),
  step(
    'winder-off-button',
    'ready',
    'settings',
    'Winder off',
    { winder: { in: ['button'] } },
    'The winder is off, with its light out.',
    { checks: ['winder-engaged'] },
  ),
  step(
    'needle-centred',
    'stitch',
    'settings',
    'Needle in the middle',
    {
      needlePosition: { in: ['left-or-centre', 'anywhere'] },
      straightNeedleAt: { notIn: ['left'] },
      kitNeedleAside: { is: false },
    },
    'The needle stands in the middle: only there are the marks on the plate true.',
  ),
  step(
    'needle-centred-from-left',
    'stitch',
    'settings',
    'Needle to the middle',
    {
      needlePosition: { in: ['left-or-centre', 'anywhere'] },
      straightNeedleAt: { in: ['left'] },
      kitNeedleAside: { is: false },
    },
    'Straight stitch starts at the left on this machine: move the needle to the middle, where the marks on the plate are true.',
  ),
  step(
    'needle-aside',
    'stitch',
    'settings',
    'Needle to the side',
    { needlePosition: { in: ['left-or-centre', 'anywhere'] }, kitNeedleAside: { is: true } },
    'Move the needle beside the teeth or the edge, on the side where the cloth lies, and turn one stitch by hand: it passes foot and plate.',
    { drawing: 'hand-wheel' },
  ),
  step(
    'needle-fixed',
    'stitch',
    'settings',
    'Foot to the side',
    { needlePosition: { in: ['centre'] }, kitNeedleAside: { is: true } },
    'This needle stands in the middle and stays there: set the foot beside it, and turn one stitch by hand before you sew.',
    { drawing: 'hand-wheel' },
  ),
  step(
    'stitch-mark',
    'stitch',
    'settings',
    'Stitch',
    { kitStraight: { is: true }, straightStitchMark: { known: true } },
    'Straight stitch is at {straightStitchMark} on this machine.',
    { checks: ['length-not-zero'] },
  ),
  step(
    'stitch-mark-zigzag',
    'stitch',
    'settings',
    'Stitch',
    { kitStitch: { in: ['zigzag'] }, zigzagStitchMark: { known: true } },
    'Zigzag is at {zigzagStitchMark} on this machine: width {kitWidthMm} mm.',
  ),
  step(
    'stitch-mark-other',
    'stitch',
    'settings',
    'Stitch: {kitStitchWords}',
    {
      any: [
        { kitStitch: { in: ['stretch', 'buttonhole', 'decorative'] } },
        { kitStitch: { in: ['zigzag'] }, zigzagStitchMark: { known: false } },
        { kitStitch: { in: ['straight'] }, straightStitchMark: { known: false } },
      ],
    },
    'Its {kitStitchWords} has a mark of its own: find it in the manual, and write it on the machine’s card.',
  ),
  step(
    'zigzag-plate',
    'stitch',
    'settings',
    'Zigzag plate and zigzag foot on',
    { wantsWidePlate: { is: true }, straightPlateHere: { is: true } },
    'The straight-stitch plate and the straight foot have one small hole each: a needle that swings or stands aside, a twin or a wing needle strikes them. Look at both before the first stitch.',
    {
      caution: POWER_OFF,
      ifFailed: {
        stops: 'do-not-sew',
        stopsBecause: 'the plate or the foot has too small a hole for this stitch',
        now: 'Do not sew. Power off, and change plate and foot, or call staff.',
      },
    },
  ),
  step(
    'length-mark',
    'stitch',
    'settings',
    'Stitch length at {kitLengthMark}',
    { kitLengthMark: { known: true }, lengthDial: { notIn: ['backwards', 'stitches-per-inch'] } },
    'Set the length dial to {kitLengthMark}, which makes {kitLengthMm} mm.',
  ),
  step(
    'length-mark-backwards',
    'stitch',
    'settings',
    'Stitch length at {kitLengthMark}',
    { kitLengthMark: { known: true }, lengthDial: { in: ['backwards'] } },
    'This length dial runs backwards: {kitLengthMark} makes {kitLengthMm} mm, and a smaller number a longer stitch.',
  ),
  step(
    'length-backwards',
    'stitch',
    'settings',
    'Stitch length {kitLengthMm} mm',
    { lengthDial: { in: ['backwards'] }, kitLengthMark: { known: false } },
    'This length dial runs backwards: a smaller number makes a longer stitch. Set it for {kitLengthMm} mm.',
  ),
  step(
    'length',
    'stitch',
    'settings',
    'Stitch length {kitLengthMm} mm',
    { lengthDial: { in: ['millimetres'] }, kitLengthMark: { known: false } },
    'Set the length to {kitLengthMm}.',
    { checks: ['length-not-zero'] },
  ),
  step(
    'length-per-inch',
    'stitch',
    'settings',
    'Stitch length {kitPerInch} to the inch',
    { lengthDial: { in: ['stitches-per-inch'] } },
    'Set {kitPerInch} stitches to the inch, which is {kitLengthMm} mm.',
  ),
  step(
    'dial-at-start',
    'stitch',
    'settings',
    'Tension {dialStart}',
    { tensionSetOn: { notIn: ['screen'] }, dialStart: { known: true } },
    'Turn the tension dial to {dialStart}; this machine’s normal mark is {dialNormal}.',
    { checks: ['dial-at-normal'], drawing: 'dial' },
  ),
  step(
    'dial-on-screen',
    'stitch',
    'settings',
    'Tension {dialStart}',
    { tensionSetOn: { in: ['screen'] }, dialShown: { known: false }, dialStart: { known: true } },
    'Choose the stitch first: the screen brings a number of its own with it. Then set {dialStart}.',
    { checks: ['dial-at-normal'], drawing: 'dial' },
  ),
  step(
    'dial-on-screen-shown',
    'stitch',
    'settings',
    'Tension {dialStart}',
    { tensionSetOn: { in: ['screen'] }, dialShown: { known: true }, dialStart: { known: true } },
    'Choose the stitch first. Set it to {dialStart}; it shows {dialShown} for this stitch.',
    { checks: ['dial-at-normal'], drawing: 'dial' },
  ),
  step(
    'spool-lying',
    'spool',
    'threading',
    'Spool lying, with its cap',
    { spoolPin: { in: ['lying', 'both'] } },
    'The spool lies on its pin and the cap is wider than the spool’s end; the thread does not catch under it.',
    { checks: ['rethread-foot-up', 'spool-path'], drawing: 'spool' },
  ),
  step(
    'spool-upright',
    'spool',
    'threading',
    'Spool upright, on felt',
    { spoolPin: { in: ['upright'] } },
    'The spool stands on its felt disc and turns freely; the thread does not wind round the pin.{unwindsWords}',
    { checks: ['rethread-foot-up', 'spool-path'], drawing: 'spool' },
  ),
  step(
    'spool-cone',
    'spool',
    'threading',
    'Cone on its stand',
    { spoolPin: { in: ['cone-stand'] } },
    'The thread rises straight up over the cone’s nose to the guide above it, then down to the machine.',
    { checks: ['rethread-foot-up', 'spool-path'], drawing: 'spool' },
  ),
  step(
    'needle-top-button',
    'discs',
    'threading',
    'Needle and take-up at the top',
    { needleRaisedBy: { in: ['button'] } },
    'Press needle-up until the take-up lever is at its highest.',
    { checks: ['take-up'] },
  ),
  step(
    'needle-top-wheel',
    'discs',
    'threading',
    'Needle and take-up at the top',
    { needleRaisedBy: { notIn: ['button'] } },
    'Turn the hand wheel {handWheelWords} until the take-up lever is at its highest.',
    { checks: ['take-up'], drawing: 'hand-wheel' },
  ),
  step(
    'foot-up',
    'discs',
    'threading',
    'Foot up',
    {},
    'Lift the presser foot: it opens the tension discs. Threaded with the foot down, the thread lies outside them.',
    { checks: ['rethread-foot-up'], drawing: 'foot-up', ifFailed: { known: { threadedFootDown: true } } },
  ),
  step(
    'discs-outside',
    'discs',
    'threading',
    'Through the discs',
    { tensionDiscs: { in: ['outside'] } },
    'Draw the thread between the discs on the outside of the machine, like flossing; the check spring moves.',
    { checks: ['rethread-foot-up'], drawing: 'discs' },
  ),
  step(
    'discs-hidden',
    'discs',
    'threading',
    'Through the discs',
    { tensionDiscs: { notIn: ['outside'] } },
    'Down the first slot with both hands on the thread, like flossing; the discs sit inside, out of sight.',
    { checks: ['rethread-foot-up'], drawing: 'discs' },
  ),
  step(
    'take-up-slot',
    'eye',
    'threading',
    'In the take-up lever',
    { takeUp: { in: ['slot'] } },
    'Up and into the slot of the take-up lever. Look from the side: the thread is really in it.',
    { checks: ['rethread-foot-up', 'take-up'], drawing: 'take-up' },
  ),
  step(
    'take-up-eye',
    'eye',
    'threading',
    'Through the take-up lever',
    { takeUp: { in: ['closed-eye'] } },
    'Up and through the closed eye of the take-up lever; it has no slot, the thread is poked through.',
    { checks: ['rethread-foot-up', 'take-up'], drawing: 'take-up' },
  ),
  step(
    'eye',
    'eye',
    'threading',
    'Eye, {eyeThreadedWords}',
    { eyeThreaded: { known: true } },
    'Thread the eye {eyeThreadedWords}: in from the long groove, out on the side where the hook passes.',
    { checks: ['rethread-foot-up'], drawing: 'needle', caution: `${POWER_OFF} ${PLACE_CAUTIONS.leaningIn}` },
  ),
  step(
    'threader',
    'eye',
    'threading',
    'Threader',
    { threader: { in: ['built-in'] }, threaderFits: { is: true } },
    'Its threader may do it{threaderPowerWords}: lower the foot for the eye alone, and lift it again after.',
    { caution: 'Foot off the pedal.' },
  ),
  step(
    'threader-too-fine',
    'eye',
    'threading',
    'By hand, not with the threader',
    { threader: { in: ['built-in'] }, threaderFits: { is: false, known: true } },
    '{threaderBars}; this one is threaded by hand.',
    { caution: POWER_OFF },
  ),
  step(
    'tug',
    'eye',
    'threading',
    'Tug test',
    {},
    'Pull the thread between take-up lever and needle, or straight back under the foot, never sideways at the needle: loose with the foot up, firm with the foot down. If both are loose, thread again.',
    { checks: ['rethread-foot-up'], drawing: 'foot-down' },
  ),
  step(
    'needle-seated',
    'needle',
    'needle',
    'Needle seated',
    {},
    'It is straight, up to the stop, and the clamp is tight{clampWords}: pulled and twisted, it neither drops nor turns.',
    { checks: ['needle-seated'], caution: POWER_OFF },
  ),
  step(
    'needle-right',
    'needle',
    'needle',
    '{needleWords}',
    { needleWords: { known: true } },
    'This is the needle in the kit: read its shank or its tag.',
    { drawing: 'needle', caution: POWER_OFF },
  ),
  step(
    'flat',
    'needle',
    'needle',
    'Flat to the {shankFlatWords}',
    { shankFlat: { in: ['back', 'left', 'right'] } },
    'The flat side of the shank faces {shankFlatWords} on this machine.',
    { checks: ['needle-seated'], drawing: 'needle', caution: POWER_OFF },
  ),
  step(
    'round-shank',
    'needle',
    'needle',
    'Long groove to the {grooveWords}',
    { shankFlat: { in: ['round'] }, eyeThreaded: { known: true } },
    'The shank is round: the long groove faces {grooveWords}, the side the thread comes from.',
    { checks: ['needle-seated'], drawing: 'needle', caution: POWER_OFF },
  ),
  step(
    'bobbin-drop-in',
    'bobbin',
    'bobbin',
    'Bobbin runs like a {bobbinRuns}',
    { bobbinCase: { in: ['drop-in'] }, bobbinRuns: { known: true } },
    'Drop the bobbin in so that, seen from above, its thread hangs like a {bobbinRuns}; draw it through the slot and under the spring.',
    { checks: ['bobbin-seated'], drawing: 'bobbin' },
  ),
  step(
    'bobbin-latch',
    'bobbin',
    'bobbin',
    'Bobbin runs like a {bobbinRuns}, case clicked',
    { bobbinCase: { in: ['front-latch'] }, bobbinRuns: { known: true } },
    'Looking into the open case the thread hangs like a {bobbinRuns}; through the slot, under the spring, then push the case in by its latch until it clicks. It must not wiggle.',
    { checks: ['bobbin-seated'], drawing: 'bobbin', caution: POWER_OFF },
  ),
  step(
    'bobbin-side',
    'bobbin',
    'bobbin',
    'Bobbin runs like a {bobbinRuns}, from the side',
    { bobbinCase: { in: ['side'] }, bobbinRuns: { known: true } },
    'Load it from the side; looking into the open case the thread hangs like a {bobbinRuns}. Under the spring, case home.',
    { checks: ['bobbin-seated'], drawing: 'bobbin', caution: POWER_OFF },
  ),
  step(
    'bobbin-unknown',
    'bobbin',
    'bobbin',
    'Bobbin home',
    { any: [{ bobbinCase: { known: false } }, { bobbinRuns: { known: false } }] },
    'Load the bobbin as the manual shows, under its spring; it must not wiggle. Write down which way it runs.',
    { checks: ['bobbin-seated'], caution: POWER_OFF },
  ),
  step(
    'bobbin-class',
    'bobbin',
    'bobbin',
    'Class {bobbinClass} bobbin',
    { bobbinClass: { known: true } },
    'Only class {bobbinClass}{bobbinMaterialWords} belongs in this machine: look-alikes jam or sew badly.',
    { checks: ['bobbin-seated'] },
  ),
  step(
    'raise',
    'bobbin',
    'raise',
    'Raise the bobbin thread',
    { bobbinThreadRaised: { is: true } },
    'Hold the top thread, turn the hand wheel {handWheelWords} once, and draw the bobbin thread up through the plate.',
    { checks: ['tails-held'], drawing: 'hand-wheel' },
  ),
  step(
    'tails',
    'bobbin',
    'raise',
    'Both tails back',
    {},
    'Both tails, 15 to 20 cm long, lie to the back under the foot; hold them for the first stitches.',
    { checks: ['tails-held'] },
  ),
  step(
    'no-touch',
    'turn',
    'no-touch',
    'One turn by hand',
    {},
    'Turn the hand wheel {handWheelWords} one whole turn: the needle passes foot and plate without touching.',
    {
      checks: ['plate-and-foot'],
      drawing: 'hand-wheel',
      ifFailed: {
        stops: 'do-not-sew',
        stopsBecause: 'the needle touches when it is turned by hand',
        symptom: 'popping',
      },
    },
  ),
  step(
    'width',
    'turn',
    'no-touch',
    'Width fits the foot',
    { kitStraight: { is: false } },
    'At {kitWidthMm} mm the needle passes the foot’s opening on both sides, turned by hand.',
    {
      checks: ['plate-and-foot'],
      drawing: 'hand-wheel',
      ifFailed: {
        stops: 'do-not-sew',
        stopsBecause: 'the needle does not pass the foot at this width',
        symptom: 'popping',
      },
    },
  ),
  step(
    'foot-down',
    'turn',
    'settings',
    'Foot down before you sew',
    {},
    'Lower the foot on the cloth: sewing with it up nests at once.',
    {
      checks: ['foot-down'],
      drawing: 'foot-down',
      caution: 'Fingers flat, at least 3 cm from the needle, to the sides; never under a raised foot.',
      ifFailed: {
        symptom: 'nest-at-start',
        known: { footUp: true },
        now: 'Take your fingers away and let the lever down until the foot lies on the cloth. If it does not come down, call staff.',
      },
    },
  ),
])
