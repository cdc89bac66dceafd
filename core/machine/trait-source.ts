/** Where a trait was learnt. */
export const TRAIT_SOURCES = ['manual', 'plate', 'technician', 'tried'] as const
export type TraitSource = (typeof TRAIT_SOURCES)[number]
