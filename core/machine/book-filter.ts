/** What a machine's book can be read for, without all else that stands in it. */
export const BOOK_FILTERS = ['needles', 'checks', 'swatches', 'care', 'setting up', 'trouble', 'notes'] as const
export type BookFilter = (typeof BOOK_FILTERS)[number]
