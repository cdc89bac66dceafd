/** Where practitioners differ and a room may choose: what is asked, and the ways, in words. */
export const SCHOOLS = {
  point: {
    question: 'Woven cloth',
    ways: {
      'universal-first': 'universal for all',
      'sharp-first': 'a sharp point first',
      'large-eye': 'the large-eyed topstitch needle for nearly all',
    },
  },
  denim: {
    question: 'Denim and canvas',
    ways: { jeans: 'always the jeans point', 'universal-100': 'a universal 100 is enough' },
  },
  suede: {
    question: 'Suede and thin leather',
    ways: { 'leather-point': 'always the leather point', universal: 'a universal that pierces it' },
  },
  elastane: { question: 'Elastane', ways: { stretch: 'the stretch point', microtex: 'microtex on fine elastane' } },
  imitation: {
    question: 'Imitation leather',
    ways: { microtex: 'microtex', jeans: 'jeans', leather: 'the leather point' },
  },
} as const satisfies Readonly<
  Record<string, { readonly question: string; readonly ways: Readonly<Record<string, string>> }>
>

export type School = keyof typeof SCHOOLS
/** The room's choice where practitioners differ; absent: the reasoned default. */
export type Schools = { readonly [Name in School]?: keyof (typeof SCHOOLS)[Name]['ways'] }

/** A school with a way of it, as a rule names it: "denim: jeans". */
export const wayOf = <Of extends School>(school: Of, way: keyof (typeof SCHOOLS)[Of]['ways'] & string): string =>
  `${school}: ${way}`

/**
 * What a kit says of a school that a rule names, "denim: universal-100". The same rule holds where the room chose that way
 * and where it is the usual one, so neither is claimed.
 */
export function schoolWords(named: string): string {
  const [school] = named.split(': ') as [School]
  return `Practitioners differ over ${SCHOOLS[school].question.toLowerCase()}; House rules say which way this room goes.`
}
