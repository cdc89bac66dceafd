/** Where a trait was learnt. `template`: a guess from the kind of machine, which nobody has checked at this one. */
export const TRAIT_SOURCES = ['manual', 'plate', 'technician', 'tried', 'template'] as const
export type TraitSource = (typeof TRAIT_SOURCES)[number]

/** What a person may answer to "who says so?". */
export const PROVEN_SOURCES = ['manual', 'plate', 'technician', 'tried'] as const satisfies readonly TraitSource[]

export const SOURCE_WORDS: Readonly<Record<TraitSource, string>> = {
  manual: 'its manual',
  plate: 'the plate on it',
  technician: 'a technician',
  tried: 'trying it out',
  template: 'not checked yet',
}
