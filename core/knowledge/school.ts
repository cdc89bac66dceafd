import type { KitSchools } from '../kit/request'

export type School = keyof KitSchools

/** Where practitioners differ and a room may choose: what is asked, and the ways, in words. */
export const SCHOOLS: Readonly<
  Record<School, { readonly question: string; readonly ways: Readonly<Record<string, string>> }>
> = {
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
}

/** A school as a rule names it, "denim: universal-100", in words: "house rule for denim and canvas: a universal 100 is enough". */
export function schoolWords(named: string): string {
  const [school, way] = named.split(': ') as [School, string]
  const known = SCHOOLS[school]
  return `house rule for ${known.question.toLowerCase()}: ${known.ways[way]}`
}
