import type { Traits } from './trait'

/** Kinds of machine that ask much of a beginner. Source: common practice. */
export const COMPLEX_DRIVES: readonly NonNullable<Traits['drive']>[] = [
  'industrial',
  'portable-walking-foot',
  'computerised',
]

/** Kinds of machine at which nobody sits before they were seen to manage one: they start at full speed. */
export const DRIVES_AFTER_SIGN_OFF: readonly NonNullable<Traits['drive']>[] = ['industrial']

/** What somebody may need of a place. Each is a trait of the machine that must be there. */
export const ACCESS_NEEDS = ['tableHeightAdjusts', 'spaceAtLeft'] as const satisfies readonly (keyof Traits)[]
export type AccessNeed = (typeof ACCESS_NEEDS)[number]
export const ACCESS_NEED_WORDS: Readonly<Record<AccessNeed, { readonly need: string; readonly lacks: string }>> = {
  tableHeightAdjusts: { need: 'a table that goes up and down', lacks: 'its table does not go up and down' },
  spaceAtLeft: { need: 'space at the left', lacks: 'there is no space at its left' },
}
