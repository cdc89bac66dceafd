import type { CheckStepGiven } from './seat-check'
import { readable, type Rule } from '../fact'

const step = (
  id: string,
  title: string,
  when: Rule<unknown>['when'],
  because: string,
  more: Pick<CheckStepGiven, 'drawing' | 'caution' | 'ifFailed'> = {},
): Rule<CheckStepGiven> => ({
  id: `room-${id}`,
  when,
  give: {
    group: 'settings',
    title,
    ...more,
  },
  because,
  source: 'common practice',
  confidence: 'high',
})

/** The room check, by staff before a session: about two minutes a machine. */
export const ROOM_CHECK: readonly Rule<CheckStepGiven>[] = readable([
  step('cord', 'Cord, plug and pedal whole', {}, 'No cut, kink or scorch, and none of them in a walkway.', {
    caution: 'Damage, smell or shock: unplug at the wall, red tag, licensed repairer.',
    ifFailed: {
      stops: 'electrical',
      stopsBecause: 'cord, plug or pedal is not whole: unplugged until a licensed repair is logged',
      symptom: 'electrical',
      now: 'Unplug it at the wall now. Nobody looks further than the plug.',
    },
  }),
  step('power', 'It starts', {}, 'It starts without a smell, a spark or a strange noise.', {
    ifFailed: {
      stops: 'electrical',
      stopsBecause: 'a smell, a spark or a strange noise at power-up: unplugged until a licensed repair is logged',
      symptom: 'electrical',
      now: 'Switch off, and unplug it at the wall now. Nobody looks further than the plug.',
    },
  }),
  step('lamp', 'Lamp on', {}, 'The lamp lights the needle: whoever leans in to see is too near to it.', {
    ifFailed: { symptom: 'will-not-start', now: 'Write it down, and put a lamp beside it until the bulb is changed.' },
  }),
  step('screws', 'Foot and clamp screws snug', {}, 'Vibration loosens them: snug{clampWords}, not forced.', {
    caution: 'Power off and foot off the pedal.',
  }),
  step('foot', 'The right foot', {}, 'The foot that the day starts with, or tonight’s kit asks for, sits straight.'),
  step(
    'needle',
    'The planned needle',
    { needleWords: { known: true } },
    '{needleWords}, straight, up to the stop, with life left.',
    { drawing: 'needle', caution: 'Power off and foot off the pedal.' },
  ),
  step(
    'needle-any',
    'The needle',
    { needleWords: { known: false } },
    'Straight, up to the stop, and of an age that somebody knows.',
    { drawing: 'needle', caution: 'Power off and foot off the pedal.' },
  ),
  step('plate', 'Plate clean', {}, 'No lint, no glue, no scratch that catches thread.'),
  step(
    'bobbins',
    'Only class {bobbinClass} bobbins in the tray',
    { bobbinClass: { known: true } },
    'Look-alikes of another class jam or sew badly: take them out.',
    { drawing: 'bobbin' },
  ),
  step(
    'dial',
    'Dial at {dialNormal}',
    { dialNormal: { known: true } },
    'Its normal mark; if it was moved, set it back and write down where it was found.',
    { drawing: 'dial' },
  ),
  step(
    'stitch',
    'Stitch at {straightStitchMark}',
    { straightStitchMark: { known: true } },
    'Straight, at the length the day starts with.',
  ),
  step(
    'iron',
    'Iron on its stand, with its switch',
    {},
    'Where this seat shares an iron: on its stand, its cord out of the way, its switch where everybody knows it, and what to do for a burn posted beside it.',
    { caution: 'A hot iron is never left face down, and never on while nobody is there.' },
  ),
  step('winder', 'Winder off', {}, 'Engaged, the motor runs and the needle stands still.'),
])
