/** What can be wrong with a machine, as far as its book goes; the finder asks further. */
export const FAULTS = ['electrical', 'timing', 'jam', 'noise', 'feeding', 'tension', 'winder', 'lamp', 'other'] as const

/** Of these, what waits for a technician whatever anybody in the room finds. Source: safety; what is electrical has a stop of its own. */
export const FOR_TECHNICIAN: readonly (typeof FAULTS)[number][] = ['timing']
