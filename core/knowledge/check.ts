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
