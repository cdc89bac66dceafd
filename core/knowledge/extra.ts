import { readable, type Rule } from './rule'

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
] as const
export type Extra = (typeof EXTRAS)[number]

const extra = (name: Extra, when: Rule<unknown>['when'], because: string): Rule<{ extra: Extra }> => ({
  id: `extra-${name}`,
  when,
  give: { extra: name },
  because,
  source: 'common practice',
  confidence: 'medium',
})

const SLIPS = { any: [{ traits: { has: ['slippery', 'sheer'] } }, { band: { in: ['sheer'] } }] }
const STICKS = {
  any: [{ structure: { in: ['leather', 'coated'] } }, { traits: { has: ['coated', 'imitation-leather'] } }],
}

/** Every row that holds adds its extra. */
export const EXTRA_RULES: readonly Rule<{ readonly extra: Extra }>[] = readable([
  extra(
    'straight-stitch-plate',
    { ...SLIPS, straightPlateFits: { is: true } },
    'The small round hole of the straight-stitch plate keeps {massGsm} g/m² cloth from being pushed down. Zigzag is locked out while it is on.',
  ),
  extra(
    'tape-plate-hole',
    { ...SLIPS, straightPlateFits: { is: false } },
    'Tape over the extra opening beside the needle hole keeps {massGsm} g/m² cloth from being pushed down; never tape the feed dogs, and wipe the glue off.',
  ),
  extra(
    'fine-pins-in-allowance',
    {
      any: [...SLIPS.any, { traits: { has: ['delicate'] } }],
      structure: { notIn: ['leather', 'coated'] },
      traits: { lacks: ['coated', 'imitation-leather'] },
    },
    'Fine pins lie parallel to the edge inside the allowance, where their holes do not show; out before the needle.',
  ),
  extra('clips-not-pins', STICKS, 'Pin holes in {structure} never close: clips.'),
  extra(
    'scrap-leader',
    SLIPS,
    'Begin on a scrap, so that the edge of {massGsm} g/m² cloth is not drawn into the plate.',
  ),
  extra('hold-tails', SLIPS, 'Hold both tails back for the first stitches.'),
  extra(
    'stabiliser',
    {
      any: [
        { operation: { in: ['wing', 'embroidery'] } },
        { operation: { in: ['buttonhole', 'decorative'] }, structure: { in: ['knit', 'pile'] } },
      ],
    },
    'Dense or open stitches pull {structure} cloth out of shape without a stabiliser behind.',
  ),
  extra(
    'seam-guide',
    { operation: { in: ['topstitch', 'quilting'] } },
    'The line shows: a guide, measured from the needle at centre, keeps it straight.',
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
])
