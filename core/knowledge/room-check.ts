import type { CheckStepGiven } from './seat-check'
import type { Rule } from './rule'

const step = (
  id: string,
  title: string,
  when: Rule<unknown>['when'],
  because: string,
  more: { drawing?: CheckStepGiven['drawing']; caution?: string } = {},
): Rule<CheckStepGiven> => ({
  id: `room-${id}`,
  when,
  give: {
    group: 'settings',
    title,
    ...(more.drawing && { drawing: more.drawing }),
    ...(more.caution && { caution: more.caution }),
  },
  because,
  source: 'common practice',
  confidence: 'high',
})

/** The room check, by staff before a session: about two minutes a machine. */
export const ROOM_CHECK: readonly Rule<CheckStepGiven>[] = [
  step('cord', 'Cord, plug and pedal whole', {}, 'No cut, kink or scorch, and none of them in a walkway.', {
    caution: 'Damage, smell or shock: unplug at the wall, red tag, licensed repairer.',
  }),
  step('power', 'Power-up and lamp', {}, 'It starts without a smell or a strange noise, and the lamp is on.'),
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
  step('winder', 'Winder off', {}, 'Engaged, the motor runs and the needle stands still.'),
]
