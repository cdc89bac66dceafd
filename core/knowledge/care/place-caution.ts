/** Cautions that belong to a place rather than to a cloth or a step; each stands where the hand is. Source: safety. */
export const PLACE_CAUTIONS = {
  /** where a class is planned, and where somebody is signed off to work alone */
  minors:
    'Whoever is not of age is supervised, one to few, as the venue’s rules say; being signed off does not change that.',
  /** beside a guide that may be magnetic */
  magnets:
    'A magnetic guide or pin dish only where the machine’s card allows magnets, and never near a pacemaker; else tape marks the line.',
  /** on a machine’s card */
  magnetsCard: 'allowed; never near a pacemaker',
  /** beside whatever is pressed or fused */
  press: 'Pressed or fused: the iron stands on its stand, its switch is known, and it is off when you leave it.',
  /** beside an adhesive */
  spray: 'Adhesive spray: window open, away from the machine, its label read first.',
  /** bent over a needle to look */
  leaningIn: 'Glasses on for whoever leans in to look.',
} as const

/** What is done when the last one has left, in this order. */
export const CLASS_END: readonly { readonly title: string; readonly how: string }[] = [
  {
    title: 'Needles counted back',
    how: 'In machines, part-used case and sharps tub they add up to what went out: Stores shows what is short, and who had one last.',
  },
  {
    title: 'Pins counted, floor looked over',
    how: 'A needle or pin that is trodden on is an injury. Look under the tables first.',
  },
  {
    title: 'Irons off and standing, machines off',
    how: 'Plugs out where the venue wants it; cords and pedals out of the walkways.',
  },
  { title: 'Sharps tub closed', how: 'Rigid and labelled, emptied as local rules say; nothing loose in a bin.' },
]
