import type { Kit } from '@/core/kit/request'

export const extraWords: Readonly<Record<Kit['extras'][number], string>> = {
  'tape-plate-hole': 'tape beside the needle hole',
  'straight-stitch-plate': 'straight-stitch plate',
  'fine-pins-in-allowance': 'fine pins, in the allowance',
  'clips-not-pins': 'clips, no pins',
  'scrap-leader': 'a scrap to start on',
  'hold-tails': 'hold both tails',
  stabiliser: 'stabiliser',
  'seam-guide': 'seam guide',
  'second-spool': 'a second spool',
  'cone-stand': 'cone stand',
  'test-scrap': 'a test scrap, same layers',
  'foot-slip': 'tissue paper or matte tape under the foot',
  'press-cloth': 'a pressing cloth',
  'stay-stitch': 'stay-stitch or tape the edge',
  'lint-after': 'lint out afterwards',
  'new-needle-after': 'a new needle for the next cloth',
  'spool-net': 'upright pin or spool net',
  'hump-shim': 'a shim behind the foot',
  'long-tails': 'long tails, two rows',
  'dogs-down': 'feed dogs down',
}

export const cautionWords: Readonly<Record<Kit['cautions'][number], string>> = {
  glasses: 'Glasses on',
  'permanent-holes': 'Every hole stays',
  'staff-only': 'With staff beside you',
  'slow-crossing': 'Slow over the crossing',
  'hand-turn-first': 'Turn by hand first',
  'width-limit': 'Keep the zigzag narrow',
}

export const lockWords: Readonly<Record<Kit['stitch']['lock'], string>> = {
  reverse: 'three back at each end',
  'tie-off': 'tie the ends off',
  none: 'leave the ends open',
}

/** A choice that could not go along, with both prices, as people read it. */
export const droppedWords = ({
  part,
  asked,
  because,
  why,
  instead,
  insteadBecause,
}: NonNullable<Kit['dropped']>[number]): string =>
  `Not as chosen: ${part} ${asked} (“${because}”). ${why} Here it is ${instead}: ${insteadBecause}`
