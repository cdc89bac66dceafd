/** Groups of check steps: what a change makes stale is asked again, and nothing else. */
export const CHECK_GROUPS = [
  'settings',
  'threading',
  'needle',
  'bobbin',
  'raise',
  'no-touch',
  'line',
  'swatch',
] as const
export type CheckGroup = (typeof CHECK_GROUPS)[number]

export type SetupChange =
  | 'first-look'
  | 'colour'
  | 'like-for-like-needle'
  | 'other-needle'
  | 'thread-class'
  | 'fabric-class'
  | 'foot'
  | 'bobbin'
  | 'strike'
  | 'dial'
  | 'bobbin-spring'

const EVERYTHING: readonly CheckGroup[] = ['settings', 'threading', 'needle', 'bobbin', 'raise', 'no-touch', 'swatch']

/** What each change makes stale. Source: common practice. */
export const STALE_AFTER: Readonly<Record<SetupChange, readonly CheckGroup[]>> = {
  'first-look': EVERYTHING,
  strike: EVERYTHING,
  colour: ['threading', 'bobbin'],
  'like-for-like-needle': ['needle', 'no-touch', 'threading', 'line'],
  'other-needle': ['needle', 'no-touch', 'threading', 'swatch'],
  'thread-class': ['threading', 'bobbin', 'swatch'],
  'fabric-class': ['swatch'],
  foot: ['settings', 'no-touch'],
  bobbin: ['bobbin', 'raise', 'no-touch'],
  dial: ['swatch'],
  'bobbin-spring': ['bobbin', 'swatch'],
}

export const GROUP_WORDS: Readonly<Record<CheckGroup, string>> = {
  settings: 'settings',
  threading: 'threading',
  needle: 'needle seated',
  bobbin: 'bobbin',
  raise: 'bobbin thread raised',
  'no-touch': 'no touch by hand wheel',
  line: '3 cm test line',
  swatch: 'test swatch',
}

/** What to do next when a step of a group did not pass, before anybody else is asked. */
export const AFTER_FAIL: Readonly<Record<CheckGroup, string>> = {
  settings: 'Set it to its mark. That is putting back, not adjusting, and anybody may; then look again.',
  threading:
    'Cut the thread at the spool, pull it out forward through the needle, lift the foot, and thread again from the spool.',
  needle: 'Stop here and ask for a new needle. A needle that is loose, bent or the wrong one breaks.',
  bobbin: 'Bobbin out, look, and in again: the right class, the right way round, under the spring, until it is home.',
  raise:
    'Hold the top thread, one turn of the hand wheel, and draw the loop up; if it does not come, look at the bobbin again.',
  'no-touch': 'Do not sew. Turn back by hand and call staff: foot, plate, width or needle do not belong together.',
  line: 'Sew three centimetres again after threading afresh; if it is still wrong, read it as a swatch.',
  swatch: 'Read the swatch from its pictures; it says what comes next.',
}
