import { PLACE_CAUTIONS } from '../care/place-caution'
import { readable, type Rule } from '../fact'
import type { CheckStepGiven } from './seat-check'

const step = (
  id: string,
  title: string,
  when: Rule<unknown>['when'],
  because: string,
  more: Pick<CheckStepGiven, 'drawing' | 'caution'> = {},
): Rule<CheckStepGiven> => ({
  id: `change-${id}`,
  when,
  give: { group: 'needle', title, ...more },
  because,
  source: 'common practice',
  confidence: 'high',
})

/** A needle change, step by step, power off first. Facts are the machine's traits, spoken. */
export const NEEDLE_CHANGE: readonly Rule<CheckStepGiven>[] = readable([
  step('power-off', 'Foot off the pedal, power off', {}, 'Both, and look: the lamp is dark.', {
    caution: 'Nothing else before this.',
  }),
  step(
    'top',
    'Needle to its top, foot down',
    {},
    'Turn the hand wheel {handWheelWords} until the needle is at its highest; lower the foot, and lay paper over the hole in the plate.',
    { drawing: 'hand-wheel' },
  ),
  step(
    'loosen',
    'Hold the needle, loosen the clamp',
    { clampHead: { notIn: ['slotted'] } },
    'The clamp’s screw{clampFacesWords}: one or two turns anticlockwise, seen from its head, and no more. It stays in.',
    { caution: 'A lost clamp screw stops the machine.' },
  ),
  step(
    'loosen-slotted',
    'Hold the needle, loosen the clamp',
    { clampHead: { in: ['slotted'] } },
    'The slotted screw{clampFacesWords}, with its small driver: one or two turns anticlockwise, seen from its head, and no more. It stays in.',
    { caution: 'A lost clamp screw stops the machine.' },
  ),
  step(
    'out',
    'Draw the old needle down',
    {},
    'Straight into the sharps tub; or, with life left, into the part-used case under its tag with its hours.',
    { caution: 'Never loose on the table, never in a bin.' },
  ),
  step(
    'flat',
    'Flat to the {shankFlatWords}',
    { shankFlat: { in: ['back', 'left', 'right'] } },
    'Hold the new needle with the flat of its shank to the {shankFlatWords} and push it up until it stops; too low, it strikes the case.',
    { drawing: 'needle' },
  ),
  step(
    'groove',
    'Long groove to the {grooveWords}',
    { shankFlat: { in: ['round'] }, eyeThreaded: { known: true } },
    'The shank is round: turn the long groove to the {grooveWords}, the side the thread comes from, and push it up until it stops.',
    { drawing: 'needle' },
  ),
  step(
    'flat-unknown',
    'The way its manual shows',
    {
      any: [
        { shankFlat: { known: false } },
        { all: [{ shankFlat: { in: ['round'] } }, { eyeThreaded: { known: false } }] },
      ],
    },
    'Nobody has written down which way the needle faces here: look in the manual, push it up until it stops, and write the way on the machine’s card.',
  ),
  step(
    'reversed',
    'Look again: not the wrong way round',
    { needleCanGoInReversed: { is: true } },
    'This machine takes a needle the wrong way round without a word, and then skips every stitch.',
    { drawing: 'needle' },
  ),
  step('tighten', 'Tighten', {}, 'Tighten the clamp{clampWords}. Over-tightened clamps snap.'),
  step('pull', 'Pull and twist', {}, 'Pull it down and twist it: it neither drops nor turns.'),
  step(
    'turn',
    'One whole turn by hand',
    {},
    'Turn the hand wheel {handWheelWords} once round: the needle passes the hole in the plate and the slot of the foot in the middle, and touches neither.',
    { drawing: 'hand-wheel' },
  ),
  step(
    'thread',
    'Thread it {eyeThreadedWords}',
    { eyeThreaded: { known: true } },
    'A fresh end, cut at a slant, from the groove side. If anything is dampened, then the needle’s eye, not the thread.',
    { drawing: 'needle', caution: `Power still off, or the threading lock on. ${PLACE_CAUTIONS.leaningIn}` },
  ),
  step('swatch', 'Power on, a test swatch', {}, 'Two layers of the same cloth; read both faces, and write it down.'),
])
