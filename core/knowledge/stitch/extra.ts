import { readable, type Rule } from '../fact'

export const EXTRAS = [
  'tape-plate-hole',
  'straight-stitch-plate',
  'fine-pins-in-allowance',
  'clips-not-pins',
  'scrap-leader',
  'hold-tails',
  'stabiliser',
  'seam-guide',
  'second-spool',
  'cone-stand',
  'test-scrap',
  'foot-slip',
  'press-cloth',
  'stay-stitch',
  'lint-after',
  'new-needle-after',
  'spool-net',
  'hump-shim',
  'long-tails',
  'dogs-down',
] as const
export type Extra = (typeof EXTRAS)[number]

/** What is laid out for an extra, in words; what is done and not laid out has none. */
export const LAID_OUT_WORDS: Readonly<Partial<Record<Extra, string>>> = {
  'tape-plate-hole': 'tape for the plate',
  'straight-stitch-plate': 'the straight-stitch plate',
  'fine-pins-in-allowance': 'fine pins',
  'clips-not-pins': 'clips',
  'scrap-leader': 'a scrap to start on',
  stabiliser: 'stabiliser',
  'seam-guide': 'a seam guide',
  'second-spool': 'a second spool',
  'cone-stand': 'a cone stand',
  'foot-slip': 'tissue paper or matte tape',
  'press-cloth': 'a pressing cloth',
  'spool-net': 'a spool net',
  'hump-shim': 'a shim',
}

const extra = (name: Extra, when: Rule<unknown>['when'], because: string): Rule<{ extra: Extra }> => ({
  id: `extra-${name}`,
  when,
  give: { extra: name },
  because,
  source: 'common practice',
  confidence: 'medium',
})

const SLIPS = { any: [{ traits: { has: ['slippery', 'sheer'] } }, { band: { in: ['sheer'] } }] }
const SHEER = { any: [{ band: { in: ['sheer'] } }, { traits: { has: ['sheer'] } }] }
const GIVES = [{ looped: { is: true } }, { elastane: { is: true } }] as const

/** Every row that holds adds its extra; of several rows for one extra the first speaks. */
export const EXTRA_RULES: readonly Rule<{ readonly extra: Extra }>[] = readable([
  extra('test-scrap', {}, 'A scrap of the same cloth in the same layers, sewn first.'),
  extra(
    'straight-stitch-plate',
    { ...SLIPS, straightPlateFits: { is: true } },
    'The small round hole of the straight-stitch plate keeps {massGsm} g/m² cloth from being pushed down. Zigzag is locked out while it is on.',
  ),
  extra(
    'tape-plate-hole',
    { ...SLIPS, straightPlateFits: { is: false }, needleSwings: { is: false }, needleAside: { is: false } },
    'Tape over the extra opening beside the needle hole keeps {massGsm} g/m² cloth from being pushed down; never tape the feed dogs, and wipe the glue off.',
  ),
  extra('clips-not-pins', { holesStay: { is: true } }, 'Pin holes in {structure} never close: clips.'),
  extra(
    'fine-pins-in-allowance',
    {
      any: [...SLIPS.any, { traits: { has: ['delicate'] } }],
      holesStay: { is: false },
    },
    'Fine pins lie parallel to the edge inside the allowance, where their holes do not show; out before the needle.',
  ),
  extra(
    'foot-slip',
    { footSticks: { is: true } },
    'A plain foot sticks here: tissue paper between foot and cloth, or matte tape under the foot.',
  ),
  extra(
    'scrap-leader',
    SLIPS,
    'Begin on a scrap, so that the edge of {massGsm} g/m² cloth is not drawn into the plate.',
  ),
  extra('hold-tails', SLIPS, 'Hold both tails back for the first stitches.'),
  named(
    'stabiliser-backing',
    'stabiliser',
    {
      any: [
        { operation: { in: ['wing', 'embroidery'] } },
        {
          operation: { in: ['buttonhole', 'decorative'] },
          any: [...GIVES, { light: { is: true } }, { silky: { is: true } }],
        },
      ],
    },
    'Dense or open stitches pull {structure} cloth of {massGsm} g/m² out of shape without a stabiliser or interfacing behind; try it on a scrap with the same backing.',
  ),
  named(
    'stabiliser-paper',
    'stabiliser',
    { operation: { in: ['zigzag'] }, ...SHEER },
    'Paper under a sheer keeps the zigzag from rolling it into the plate; it is torn off afterwards.',
  ),
  extra(
    'seam-guide',
    { operation: { in: ['topstitch', 'quilting', 'edge-stitch'] } },
    'The line shows: a guide, measured from the needle, keeps it straight.',
  ),
  extra(
    'stay-stitch',
    { structure: { in: ['knit'] }, operation: { in: ['seam', 'stretch-seam', 'zip'] } },
    'Where an edge of this knit is curved or on the bias, a row of stay-stitching or tape keeps its length.',
  ),
  extra(
    'long-tails',
    { operation: { in: ['gather'] } },
    'Two rows with tails of a hand’s length at both ends: the bobbin threads are pulled, from both sides to the middle.',
  ),
  extra(
    'dogs-down',
    { dogsDown: { is: true } },
    'The feed dogs go down or are covered, so that the hands move the cloth; up again afterwards.',
  ),
  extra(
    'hump-shim',
    { crossingRises: { is: true }, crossingMm: { over: 2 } },
    'Flatten the hump of {crossingMm} mm first, and lay a shim of the same height behind the foot where it climbs.',
  ),
  extra(
    'second-spool',
    { twin: { is: true } },
    'Each of the two needles runs from its own spool; part the two threads either side of the disc where there is a divider, and leave the threader off.',
  ),
  extra(
    'cone-stand',
    { twin: { is: true }, spoolPins: { below: 2 } },
    'The machine has {spoolPins} spool pin: the second spool stands on a cone stand behind.',
  ),
  extra(
    'spool-net',
    { threadKinds: { has: ['metallic', 'monofilament'] } },
    '{threadText} springs off the spool: upright pin or a net over it, and sew slowly. A bobbin of it is wound slowly and half full.',
  ),
  named(
    'press-cloth-napped',
    'press-cloth',
    { traits: { has: ['napped'] }, holesStay: { is: false } },
    'Press a nap from the back only, lying on a towel, with a light hand.',
  ),
  named(
    'press-cloth-coated',
    'press-cloth',
    { any: [{ structure: { in: ['coated'] } }, { traits: { has: ['coated', 'imitation-leather', 'laminated'] } }] },
    'No iron on the face: a cloth between, low, or clips and a roller instead.',
  ),
  named(
    'press-cloth-low',
    'press-cloth',
    {
      any: [{ structure: { in: ['pile'] } }, { traits: { has: ['slippery'] } }],
      structure: { notIn: ['leather', 'rope'] },
    },
    'A cloth between iron and {structure}, and low heat: acetate, nylon and pile glaze or melt.',
  ),
  extra(
    'lint-after',
    {
      structure: { notIn: ['leather', 'coated'] },
      any: [{ structure: { in: ['pile'] } }, { traits: { has: ['quilted', 'abrasive'] } }],
    },
    'This cloth sheds: lint out of hook and dogs afterwards, before the next one.',
  ),
  extra(
    'new-needle-after',
    { any: [{ structure: { in: ['leather', 'coated'] } }, { traits: { has: ['abrasive', 'imitation-leather'] } }] },
    'This cloth blunts or gums a needle: a new one for the next cloth.',
  ),
])

function named(id: string, name: Extra, when: Rule<unknown>['when'], because: string): Rule<{ extra: Extra }> {
  return { ...extra(name, when, because), id: `extra-${id}` }
}
