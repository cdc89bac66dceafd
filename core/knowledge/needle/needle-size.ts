import { readable, type Rule } from '../fact'

/** The sizes a cloth wants: too thin a blade deflects and strikes, too thick a one punches holes and skips. */
export interface SizeRange {
  readonly low: number
  readonly up: number
  /** thick crossings raise the lower bound unless the row says otherwise */
  readonly crossingAdds?: false
  /** a finer needle that does too, with thread as fine */
  readonly finer?: { readonly low: number; readonly up: number }
}

const range = (
  id: string,
  when: Rule<unknown>['when'],
  low: number,
  up: number,
  because: string,
  more: Pick<SizeRange, 'crossingAdds' | 'finer'> = {},
): Rule<SizeRange> => ({
  id: `size-${id}`,
  when,
  give: { low, up, ...more },
  because,
  source: 'common practice',
  confidence: 'medium',
})

const byThickness = '{thicknessMm} mm of leather a layer wants {low} to {up}.'
const byMass = 'At {massGsm} g/m² this {structure} is {bandWords} and wants {low} to {up}.'
const WOVEN = ['woven', 'felt']

/** First row that holds decides. */
export const CLOTH_SIZES: readonly Rule<SizeRange>[] = readable([
  range('leather-thin', { structure: { in: ['leather'] }, thicknessMm: { below: 0.8 } }, 80, 90, byThickness),
  range('leather-medium', { structure: { in: ['leather'] }, thicknessMm: { upTo: 1.2 } }, 90, 100, byThickness),
  range('leather-firm', { structure: { in: ['leather'] }, thicknessMm: { upTo: 1.6 } }, 100, 110, byThickness),
  range('leather-thick', { structure: { in: ['leather'] } }, 110, 120, byThickness),
  range(
    'rope',
    { structure: { in: ['rope'] } },
    100,
    100,
    'Rope and cord want a stiff {low}; the crossing adds nothing, since the needle passes one cord at a time.',
    { crossingAdds: false },
  ),
  range(
    'quilt',
    { any: [{ traits: { has: ['quilted'] } }, { operation: { in: ['quilting'] }, structure: { in: WOVEN } }] },
    75,
    90,
    'A quilt sandwich wants {low} to {up}.',
  ),
  range(
    'laminated',
    { traits: { has: ['laminated'] }, structure: { notIn: ['leather'] } },
    80,
    90,
    'A laminate wants {low} to {up} and never more: a larger hole in its membrane leaks.',
  ),
  range(
    'film-thick',
    { structure: { in: ['coated'] }, thicknessMm: { over: 0.8 } },
    90,
    100,
    'Film of {thicknessMm} mm, over 0.8, wants {low} to {up}.',
  ),
  range(
    'film',
    { structure: { in: ['coated'] }, massGsm: { from: 200 } },
    80,
    90,
    'Coated cloth of {massGsm} g/m² wants {low} to {up}.',
  ),
  range(
    'film-light',
    { structure: { in: ['coated'] } },
    70,
    90,
    'Light coated cloth of {massGsm} g/m² wants {low} to {up}.',
  ),
  range(
    'net-stretchy',
    { structure: { in: ['net'] }, looped: { is: true } },
    70,
    80,
    'A net that gives {stretchPercent} % wants {low} to {up}.',
  ),
  range('net', { structure: { in: ['net'] } }, 60, 75, 'Net and mesh want {low} to {up}.'),
  range('pile', { structure: { in: ['pile'] } }, 80, 90, 'Pile and fleece want {low} to {up}.'),
  range('knit-light', { structure: { in: ['knit'] }, band: { in: ['light'] } }, 70, 75, byMass),
  range('knit-medium', { structure: { in: ['knit'] }, band: { in: ['medium'] } }, 75, 80, byMass),
  range('knit-heavy', { structure: { in: ['knit'] }, band: { in: ['heavy'] } }, 90, 90, byMass),
  range('knit-very-heavy', { structure: { in: ['knit'] } }, 90, 100, byMass),
  range(
    'coat',
    {
      structure: { in: WOVEN },
      lofty: { is: true },
      traits: { lacks: ['quilted'] },
      massGsm: { from: 350 },
      crossingMm: { over: 2 },
    },
    90,
    100,
    'Lofty cloth of {massGsm} g/m² gives way to the blade; with a crossing of {crossingMm} mm, pressed, it wants {low} to {up}.',
    { crossingAdds: false },
  ),
  range(
    'coat-flat',
    { structure: { in: WOVEN }, lofty: { is: true }, massGsm: { from: 350 } },
    80,
    90,
    'Lofty cloth of {massGsm} g/m² gives way to the blade: {low} to {up}.',
  ),
  range(
    'napped',
    { structure: { in: ['woven'] }, traits: { has: ['napped'] }, massGsm: { from: 120, below: 250 } },
    70,
    90,
    'Velvet and other napped cloth of {massGsm} g/m² marks easily and wants {low} to {up}.',
  ),
  range(
    'napped-heavy',
    { structure: { in: ['woven'] }, traits: { has: ['napped'] }, massGsm: { from: 250 } },
    80,
    90,
    'Heavy napped cloth of {massGsm} g/m² wants {low} to {up}: stiff enough, and no hole that shows.',
  ),
  range(
    'wool',
    { structure: { in: ['woven'] }, lofty: { is: true }, massGsm: { from: 180 } },
    80,
    90,
    'Lofty cloth of {massGsm} g/m² gives way to the blade: {low} to {up}.',
  ),
  range(
    'webbing',
    { webbing: { is: true } },
    100,
    110,
    'At {massGsm} g/m² this is webbing: tightly woven, it closes round a thick blade, so {low} to {up}.',
  ),
  range('sheer', { band: { in: ['sheer'] } }, 60, 65, byMass),
  range(
    'light-slippery',
    { band: { in: ['light'] }, traits: { has: ['slippery', 'sheer'] } },
    65,
    70,
    'At {massGsm} g/m² this is light, and slippery or sheer, and wants {low} to {up}.',
  ),
  range(
    'light',
    { band: { in: ['light'] } },
    70,
    75,
    'At {massGsm} g/m² this {structure} is light: {low} is the everyday size, {up} the most.',
    { finer: { low: 60, up: 65 } },
  ),
  range('medium-light', { band: { in: ['medium-light'] } }, 70, 80, byMass),
  range('medium', { band: { in: ['medium'] } }, 80, 90, byMass),
  range('heavy', { band: { in: ['heavy'] } }, 90, 100, byMass),
  range('very-heavy', { band: { in: ['very-heavy'] } }, 100, 110, byMass),
  // A crossing adds nothing: beyond 110 there is no reinforced blade, and a plain one bends as much.
  range('extreme', {}, 110, 120, byMass, { crossingAdds: false }),
])

/** How many steps of ten a thick crossing adds to the lower bound, never past the cloth's own upper size. */
export const CROSSING_STEPS: readonly Rule<{ readonly steps: number }>[] = readable([
  {
    id: 'crossing-over-4',
    when: { crossingMm: { over: 4 } },
    give: { steps: 2 },
    because: 'The crossing of {crossingMm} mm is over 4, which raises the finest size two steps to {raisedLow}.',
    source: 'common practice',
    confidence: 'medium',
  },
  {
    id: 'crossing-over-2',
    when: { crossingMm: { over: 2 } },
    give: { steps: 1 },
    because: 'The crossing of {crossingMm} mm is over 2, which raises the finest size one step to {raisedLow}.',
    source: 'common practice',
    confidence: 'medium',
  },
  {
    id: 'crossing-thin',
    when: {},
    give: { steps: 0 },
    because: 'The crossing of {crossingMm} mm adds nothing.',
    source: 'common practice',
    confidence: 'medium',
  },
])

/** What is said of the size that was chosen, by the bound that decided it. */
export const SIZE_REASONS = {
  shelf: 'Of the {pointWords} needles that suit, {sizeText} is what lies on the shelf.',
  near: '{sizeText} is within half a step of the {raisedLow} to {up} this cloth likes, which nobody sells in this point.',
  'machine-fine':
    'The machine takes nothing finer than {sizeText}, and this cloth likes {up} or less: expect visible holes.',
  'machine-thick':
    'The machine takes nothing thicker than {sizeText}, and {raisedLow} would be stiff enough: it bends more, so walk it over thick places by hand wheel.',
  finer: '{sizeText} is the finer way, with thread as fine: a smaller hole, less strength.',
  cloth: '{sizeText} is the finest size sold that is stiff enough.',
  thread: 'The thread decided: {threadMm} mm of thread needs an eye of at least {eyeNeededMm} mm, so {sizeText}.',
  sold: '{PointWords} needles are not sold between {raisedLow} and {up}; {sizeText} is the nearest.',
  tight: 'In {sizeText} the thread is tight ({clearance} times its width): a drop test decides.',
  above: '{sizeText} lets the thread pass but is thicker than the {up} this cloth likes: expect visible holes.',
  'above-tight':
    '{sizeText} is thicker than the {up} this cloth likes, and the thread is tight in it all the same ({clearance} times its width): expect visible holes, and let a drop test decide. A finer thread is the better answer.',
  exempt: 'A wing needle is meant to leave a hole, so the cloth’s upper size {up} does not bind.',
  school: 'This room finds {sizeText} enough for denim and canvas.',
} as const

/** What a drop test at the table adds: it beats the formula. */
export const DROP_TEST_SAYS = {
  slides: 'A drop test with {testedText} decided: it slid straight down.',
  spirals: 'A drop test with {testedText} decided: it came down slowly, so the eye is tight.',
  stays: 'A drop test with {testedText} decided: it stayed on the thread, so the eye is too small.',
} as const
