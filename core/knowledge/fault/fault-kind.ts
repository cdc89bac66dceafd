/** What can be wrong with a machine, as far as its book goes; the finder asks further. */
export const FAULTS = ['electrical', 'timing', 'jam', 'noise', 'feeding', 'tension', 'winder', 'lamp', 'other'] as const
