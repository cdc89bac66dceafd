/** The same text for the same value, whatever order its fields came in. */
export const stableText = (value: unknown): string =>
  JSON.stringify(value, (_, each: unknown) =>
    each !== null && typeof each === 'object' && !Array.isArray(each)
      ? Object.fromEntries(Object.entries(each).sort(([a], [b]) => (a < b ? -1 : 1)))
      : each,
  )
