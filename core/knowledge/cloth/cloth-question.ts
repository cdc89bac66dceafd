import type { FabricTrait, Structure } from './fabric'

/** A cloth as far as a table can tell it: measures as numbers, the rest by name. */
export interface ToldCloth {
  readonly structure: Structure
  readonly traits: readonly FabricTrait[]
  readonly massGsm: number
  /** one layer */
  readonly thicknessMm: number
  readonly stretchPercent: number
}

/** One thing to look at, and what can be seen; `of` says which of them a cloth shows. Source: common practice at a sorting table. */
export interface ClothQuestion {
  readonly id: string
  readonly ask: string
  readonly answers: readonly { readonly id: string; readonly words: string }[]
  /** the answer that a cloth gives, by its place */
  readonly of: (cloth: ToldCloth) => number
  /** how often a person sees something else; where answers are a scale, it is the one beside it */
  readonly slip: number
  readonly scale?: true
}

const answers = (...words: readonly (readonly [id: string, words: string])[]) =>
  words.map(([id, each]) => ({ id, words: each }))
const STRUCTURE_ORDER: readonly Structure[] = ['woven', 'knit', 'felt', 'pile', 'coated', 'net', 'leather', 'rope']
const upTo = (value: number, ...limits: readonly number[]): number => {
  const at = limits.findIndex((limit) => value < limit)
  return at === -1 ? limits.length : at
}

export const CLOTH_QUESTIONS: readonly ClothQuestion[] = [
  {
    id: 'close',
    ask: 'Look close, with a glass if there is one. What is it made of?',
    answers: answers(
      ['woven', 'yarns that cross'],
      ['knit', 'rows of loops'],
      ['felt', 'fibres pressed together, no yarns'],
      ['pile', 'a coat of hairs or loops that hides what holds it'],
      ['coated', 'a skin on one side, or nothing but skin'],
      ['net', 'holes one can see through, with strands between'],
      ['leather', 'a hide: grain, or nap all through'],
      ['rope', 'strands laid round each other'],
    ),
    of: ({ structure }) => STRUCTURE_ORDER.indexOf(structure),
    slip: 0.04,
  },
  {
    id: 'face',
    ask: 'What does its face show?',
    answers: answers(
      ['plain', 'over and under, the same both ways'],
      ['slant', 'fine slanting lines, blue or dark on one side'],
      ['shine', 'a smooth shine that slides under the finger'],
      ['nap', 'a nap: brushed one way it looks darker'],
      ['thick', 'thick, hard yarns as in sailcloth'],
      ['quilted', 'lines of stitches through several layers'],
      ['smooth', 'none of these'],
    ),
    of: ({ structure, traits }) =>
      traits.includes('denim')
        ? 1
        : traits.includes('quilted')
          ? 5
          : traits.includes('canvas')
            ? 4
            : traits.includes('napped') || traits.includes('suede') || structure === 'pile'
              ? 3
              : traits.includes('slippery')
                ? 2
                : structure === 'woven'
                  ? 0
                  : 6,
    slip: 0.08,
  },
  {
    id: 'pull',
    ask: 'Hold 10 cm against a ruler and pull, along and across. How much longer does it get?',
    answers: answers(
      ['none', 'hardly at all, under half a centimetre'],
      ['some', 'up to two centimetres'],
      ['much', 'two to four and a half'],
      ['far', 'more than that, and it springs back'],
    ),
    of: ({ stretchPercent }) => upTo(stretchPercent, 5, 20, 45),
    slip: 0.08,
    scale: true,
  },
  {
    id: 'hang',
    ask: 'Lay a hand’s breadth over your finger. How does it hang?',
    answers: answers(
      ['air', 'it floats'],
      ['fine', 'in fine folds'],
      ['soft', 'in soft folds'],
      ['wide', 'in a few wide folds'],
      ['stands', 'it stands off, or hangs heavy'],
    ),
    of: ({ massGsm }) => upTo(massGsm, 60, 110, 180, 300),
    slip: 0.12,
    scale: true,
  },
  {
    id: 'light',
    ask: 'Hold it before a lamp, or lay it over print. What comes through?',
    answers: answers(
      ['print', 'the print can be read through it'],
      ['light', 'light, but no print'],
      ['dark', 'next to nothing: it is packed tight'],
    ),
    of: ({ structure, traits, massGsm }) =>
      traits.includes('sheer') || structure === 'net'
        ? 0
        : traits.includes('dense') || massGsm > 230 || structure === 'leather' || structure === 'coated'
          ? 2
          : 1,
    slip: 0.08,
    scale: true,
  },
  {
    id: 'water',
    ask: 'A drop of water on it. What does it do?',
    answers: answers(
      ['beads', 'it stays a bead and rolls off'],
      ['waits', 'it sinks in slowly'],
      ['soaks', 'it is gone at once'],
    ),
    of: ({ structure, traits }) =>
      structure === 'coated' || traits.includes('coated') || traits.includes('laminated')
        ? 0
        : traits.includes('dense') || structure === 'leather' || traits.includes('slippery')
          ? 1
          : 2,
    slip: 0.08,
    scale: true,
  },
  {
    id: 'edge',
    ask: 'Pull at a cut edge. What does it do?',
    answers: answers(
      ['frays', 'yarns come away: it frays'],
      ['curls', 'it curls, or a ladder runs'],
      ['holds', 'neither: it stays as it was cut'],
    ),
    of: ({ structure, traits }) =>
      structure === 'knit' ? 1 : (structure === 'woven' && !traits.includes('coated')) || structure === 'rope' ? 0 : 2,
    slip: 0.08,
  },
  {
    id: 'springs',
    ask: 'Pull it well and let go. How does it come back?',
    answers: answers(
      ['snaps', 'it snaps back at once, like rubber'],
      ['slow', 'slowly, or not all the way'],
      ['none', 'it did not give'],
    ),
    of: ({ traits, stretchPercent }) => (traits.includes('elastane') ? 0 : stretchPercent >= 5 ? 1 : 2),
    slip: 0.06,
  },
  {
    id: 'pinch',
    ask: 'Pinch one layer between two fingers. How thick is it?',
    answers: answers(
      ['paper', 'like writing paper'],
      ['card', 'like a postcard'],
      ['coin', 'like a coin'],
      ['more', 'thicker than a coin'],
    ),
    of: ({ thicknessMm }) => upTo(thicknessMm, 0.22, 0.75, 1.55),
    slip: 0.1,
    scale: true,
  },
  {
    id: 'care',
    ask: 'Draw a pin across a corner. What is left?',
    answers: answers(
      ['mark', 'a snag, or a mark that stays'],
      ['hole', 'a hole that stays open'],
      ['nothing', 'nothing'],
    ),
    of: ({ structure, traits }) =>
      traits.includes('delicate') ? 0 : structure === 'leather' || traits.includes('imitation-leather') ? 1 : 2,
    slip: 0.08,
  },
]

/** A flame tells fibres apart and burns a room down: it is not asked for here. */
export const NO_FLAME =
  'No flame is asked for: a burning thread tells the fibre, and a kit does not need the fibre. It needs what these questions tell.'
