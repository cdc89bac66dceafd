/** What to do when somebody is hurt at a machine, in the order of doing it. The venue’s own first-aider wins over it. */
export interface FirstStep {
  readonly title: string
  readonly how: string
}

/** Source: safety. */
export const FIRST_STEPS: readonly FirstStep[] = [
  {
    title: 'Foot off the pedal. Switch it off',
    how: 'After a shock, nobody touches the person before the plug is out at the wall.',
  },
  {
    title: 'Needle through a finger: do not pull the hand',
    how: 'Hold the hand still on the table. Somebody stays with them; somebody else fetches the first-aider.',
  },
  {
    title: 'Raise the needle by the hand wheel only',
    how: 'Slowly, the way that frees it. If it does not come free, loosen the clamp and leave the needle where it is.',
  },
  {
    title: 'Is the needle whole?',
    how: 'Lay point, blade and shank together. A piece missing, a deep wound, an eye, or somebody who is not of age: medical care, now.',
  },
  {
    title: 'A burn: cool water',
    how: 'Under running water at once, for as long as the card by the iron says. Switch the iron off.',
  },
]
