/** The field that a fault belongs to: the one whose place it names, or that holds that place. */
export const fieldAt = <Name extends string>(
  path: string,
  places: readonly (readonly [Name, string])[],
): Name | undefined =>
  places
    .filter(([, place]) => path === place || path.startsWith(`${place}.`))
    .sort(([, one], [, other]) => other.length - one.length)[0]?.[0]
