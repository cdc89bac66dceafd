import type { Beginning } from '@/store/site/beginning'
import { counted } from '@/core/units/words'

export interface BeginStep {
  readonly title: string
  readonly why: string
  readonly href: string
  readonly button: string
  /** what is there already, in words; absent: nothing yet */
  readonly there?: string
  /** it can wait, and a plan needs it not */
  readonly later?: true
}

const there = (count: number, words: string) => ({ ...(count > 0 && { there: words }) })

/** The way from an empty venue to a planned session, in the order in which each step needs the one before. */
export const beginSteps = (now: Beginning): readonly BeginStep[] => [
  {
    title: 'Machines',
    why: 'Name each and say what it looks like; a dozen answers decide which kits it sews. What stays open is asked when somebody stands at it.',
    href: '/machines/new',
    button: now.machines === 0 ? 'Add the first machine' : 'Add another machine',
    ...there(now.machines, counted(now.machines, 'machine stands here', 'machines stand here')),
  },
  {
    title: 'The room',
    why: 'Where the tables stand: walking order, near seats and the plan on the screen follow from it. Put them in rows, then drag what differs.',
    href: '/room/arrange',
    button: 'Arrange the tables',
    later: true,
    ...(now.arranged && { there: 'it says where the instructor stands' }),
  },
  {
    title: 'First aid',
    why: 'Who helps, where the box is, whom to call. It is shown on every page behind “Hurt?”, so it comes before anybody sews.',
    href: '/rules#first-aid',
    button: 'Say who helps',
    ...(now.firstAid && { there: 'it says who helps' }),
  },
  {
    title: 'House rules',
    why: 'How long a needle sews, who turns the dial, what is wound for beginners. Each has a reasoned answer already.',
    href: '/rules',
    button: 'Look them over',
    later: true,
    ...(now.ownRules && { there: 'they are your own' }),
  },
  {
    title: 'A class',
    why: 'Learners belong to one; it has a code for the board. As many as you like, at once.',
    href: '/kits/classes',
    button: now.classes === 0 ? 'Open a class' : 'Another class',
    ...there(now.classes, counted(now.classes, 'class', 'classes')),
  },
  {
    title: 'Learners and their projects',
    why: 'Paste a list or add them one by one: a name, what is made, what of. Each kit follows at once.',
    href: '/kits/sheet',
    button: 'Bring in a list',
    ...there(now.bags, counted(now.bags, 'bag hangs', 'bags hang')),
  },
  {
    title: 'A session',
    why: 'When the class meets. Then the room is planned: who sits where, and what changes between.',
    href: '/sessions/new',
    button: now.sessions === 0 ? 'Put one in the calendar' : 'Another session',
    ...there(now.sessions, counted(now.sessions, 'session in the calendar', 'sessions in the calendar')),
  },
  {
    title: 'Stores',
    why: 'Count what lies there, or bring a sheet, and kits take from it. Until then a kit says what it wants, and nothing runs out.',
    href: '/stores',
    button: 'Count a shelf',
    later: true,
    ...there(now.shelves, counted(now.shelves, 'shelf counted', 'shelves counted')),
  },
  {
    title: 'Colleagues',
    why: 'Each comes in with a code that works once and chooses a password of their own.',
    href: '/people',
    button: 'Invite somebody',
    later: true,
    ...(now.staff > 1 && { there: `${counted(now.staff, 'person', 'people')} with you` }),
  },
]
