import { readable, type Rule } from '../fact'

export const CAUTIONS = [
  'glasses',
  'permanent-holes',
  'staff-only',
  'slow-crossing',
  'hand-turn-first',
  'width-limit',
] as const
export type Caution = (typeof CAUTIONS)[number]

export interface CautionGiven {
  readonly caution: Caution
  /** the kit is at best marginal for this person */
  readonly marginal?: true
}

const caution = (
  id: string,
  name: Caution,
  when: Rule<unknown>['when'],
  because: string,
  more: { marginal?: true } = {},
): Rule<CautionGiven> => ({
  id: `caution-${id}`,
  when,
  give: { caution: name, ...more },
  because,
  source: 'safety',
  confidence: 'high',
})

/** Every row that holds adds its caution; of several rows for one caution the first speaks. */
export const CAUTION_RULES: readonly Rule<CautionGiven>[] = readable([
  caution(
    'glasses-size',
    'glasses',
    { sizeNm: { from: 100 } },
    'Glasses: a {sizeText} needle that strikes breaks hard.',
  ),
  caution(
    'glasses-cloth',
    'glasses',
    { structure: { in: ['leather', 'rope'] } },
    'Glasses: {structure} deflects needles.',
  ),
  caution(
    'glasses-heavy',
    'glasses',
    { band: { in: ['heavy', 'very-heavy', 'extreme'] } },
    'Glasses: cloth of {massGsm} g/m² is heavy, and a needle that bends in it strikes and flies.',
  ),
  caution(
    'glasses-crossing',
    'glasses',
    { crossingMm: { over: 4 } },
    'Glasses: the crossing is {crossingMm} mm, over 4.',
  ),
  caution(
    'glasses-no-foot',
    'glasses',
    { operation: { in: ['mending'] }, footByEye: { is: true } },
    'Glasses: without a foot nothing stands between the needle and your face.',
  ),
  caution(
    'permanent-holes',
    'permanent-holes',
    { holesStay: { is: true } },
    'Every hole in this {structure} cloth stays: no unpicking, no back-and-forth.',
  ),
  caution(
    'wing-holes',
    'permanent-holes',
    { operation: { in: ['wing'] } },
    'The wing needle’s holes are meant to stay.',
  ),
  caution(
    'staff-thread',
    'staff-only',
    {
      learner: { is: true },
      any: [{ threadFinish: { in: ['bonded', 'monofilament'] } }, { threadFibre: { in: ['metallic'] } }],
    },
    'Staff stay with a learner who sews {threadFinish} {threadFibre} thread.',
    { marginal: true },
  ),
  caution(
    'staff-needle',
    'staff-only',
    { learner: { is: true }, any: [{ twin: { is: true } }, { point: { in: ['wing'] } }] },
    'Staff fit and turn a {pointWords} needle with a learner.',
    { marginal: true },
  ),
  caution(
    'staff-size',
    'staff-only',
    { learner: { is: true }, sizeNm: { over: 'learnerThickestNm' } },
    'Staff stay with a learner who sews with a {sizeText} needle, over {learnerThickestNm}.',
    { marginal: true },
  ),
  caution(
    'slow-crossing',
    'slow-crossing',
    { crossingRises: { is: true }, crossingMm: { over: 2 } },
    'The crossing is {crossingMm} mm, thicker than the seam and over 2: walk it by hand wheel.',
  ),
  caution(
    'hand-turn-twin',
    'hand-turn-first',
    { twin: { is: true } },
    'Turn one whole stitch by hand: two needles need a wider hole.',
  ),
  caution(
    'hand-turn-coil',
    'hand-turn-first',
    { operation: { in: ['coil'] } },
    'Turn one whole zigzag of {widthMm} mm over the cord by hand first.',
  ),
  caution(
    'hand-turn-wing',
    'hand-turn-first',
    { point: { in: ['wing'] } },
    'Turn one pattern by hand: the wings are wider than the blade.',
  ),
  caution(
    'width-limit',
    'width-limit',
    { twin: { is: true } },
    'With {gapMm} mm between the needles a zigzag of more than {twinWidthMm} mm strikes the plate: {plateMm} less the gap and half a millimetre.',
  ),
])
