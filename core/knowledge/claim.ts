import { readable, type Rule } from './fact'

/** Where a claim matters: beside the part of the kit, or at the bench, that it speaks of. */
export const CLAIM_PLACES = [
  'stitch',
  'thread',
  'needle',
  'bobbin',
  'tension',
  'machine',
  'threading',
  'needle-life',
  'care',
  'guiding',
] as const
export type ClaimPlace = (typeof CLAIM_PLACES)[number]

/** What can be said of a claim in one word; what needs more says it. */
type OneWord = 'no' | 'nearly' | 'half' | 'often' | 'rarely' | 'hearsay'
type Verdict = OneWord | `${string} ${string}`

export interface ClaimGiven {
  readonly place: ClaimPlace
  /** as it is said in the room */
  readonly said: string
  readonly verdict: Verdict
}

const claim = (
  id: string,
  place: ClaimPlace,
  said: string,
  verdict: Verdict,
  because: string,
  when: Rule<unknown>['when'] = {},
): Rule<ClaimGiven> => ({
  id: `claim-${id}`,
  when,
  give: { place, said, verdict },
  because,
  source: 'common practice',
  confidence: 'medium',
})

/**
 * What goes round the room, and what holds. A row whose condition holds for a kit is shown beside it; all of them stand
 * on the claims page.
 */
export const CLAIMS: readonly Rule<ClaimGiven>[] = readable([
  claim(
    'longer-stronger',
    'stitch',
    'A longer stitch is stronger',
    'no, in cloth',
    'Shorter is stronger, until the holes perforate leather or film, or the line puckers.',
    { stitchIso: { in: ['301'] }, structure: { notIn: ['leather', 'coated'] } },
  ),
  claim(
    'higher-thread-number',
    'thread',
    'A higher thread number is a thicker thread',
    'no',
    'A higher weight or ticket is a finer thread; only tex grows with the thread, and a needle’s number with the needle.',
  ),
  claim(
    'second-number-inches',
    'needle',
    'The second number on a needle is inches',
    'no',
    'The first is the blade’s diameter in hundredths of a millimetre; the second an older scale with no unit.',
  ),
  claim(
    'number-is-hole',
    'needle',
    'The needle’s number is its hole',
    'no',
    'It is the blade; the eye grows with it, and some points have a far larger eye at the same number.',
  ),
  claim(
    'coloured-band',
    'needle',
    'The coloured band tells the type',
    'depends who made it',
    'Some mark the type, some the size, some both: read the pack, and tag what you store.',
  ),
  claim(
    'makers-own-needles',
    'machine',
    'This make of machine needs needles of its own make',
    'mostly no',
    'The shank system decides; only a few vintage machines want a length of their own.',
  ),
  claim(
    'cannot-go-in-backwards',
    'machine',
    'A needle cannot go in backwards',
    'on some machines',
    'It is a trait of the machine: on many a reversed needle goes in and then skips every stitch.',
  ),
  claim(
    'scarf-is-groove',
    'needle',
    'The scarf is the long groove',
    'no',
    'The groove in front guides the thread down; the scarf behind the eye lets the hook in.',
  ),
  claim(
    'stretch-is-microtex',
    'needle',
    'Stretch and microtex are the same needle',
    'no',
    'Stretch has a ball tip and a deep scarf for elastane; microtex is slim and sharp for dense wovens.',
    { point: { in: ['stretch', 'microtex', 'twin-stretch'] } },
  ),
  claim(
    'drop-ins-alike',
    'bobbin',
    'All drop-in bobbins load the same way',
    'nearly',
    'Like a P almost always; the machine’s own card decides.',
  ),
  claim(
    'too-tight-loose-stitches',
    'tension',
    'Too tight makes loose stitches',
    'no',
    'Tension moves where the threads lock: tightness gathers, looseness loops.',
  ),
  claim(
    'nest-is-bobbin',
    'tension',
    'A nest below is the bobbin’s fault',
    'rarely',
    'It is needle thread that nothing held: tails let go, or thread outside the discs.',
  ),
  claim(
    'automatic-tension',
    'tension',
    'Automatic tension never needs touching',
    'no',
    'It is right while both threads are what the factory had in mind; unlike threads need a hand.',
    { threadRatio: { over: 1.3 } },
  ),
  claim(
    'turn-a-hair',
    'tension',
    'Turn the dial just a hair',
    'not at first',
    'A whole number, to see anything at all; finer once it is close.',
  ),
  claim(
    'more-layers',
    'tension',
    'One setting will not do for more layers',
    'mostly it will',
    'Set it on two layers and test once on the thickest crossing.',
    { crossingMm: { over: 1 } },
  ),
  claim(
    'wet-the-thread',
    'threading',
    'Wet the thread to thread it',
    'no',
    'Wet thread swells; dampen the needle’s eye, or cut the end fresh and at a slant.',
  ),
  claim(
    'cotton-breaks',
    'thread',
    'Cotton breaks, polyester does not',
    'half',
    'Age and quality first. Cotton is weaker for its size, and right for cotton things.',
    { threadFibre: { in: ['cotton'] } },
  ),
  claim(
    'dark-thread',
    'thread',
    'Dark thread sews rougher',
    'hearsay',
    'People say so; this room’s own book may settle it one day.',
  ),
  claim(
    'eight-hours',
    'needle-life',
    'A needle lasts eight hours',
    'a rule of thumb',
    'Of stitching, on ordinary cloth; a sign beats any clock.',
  ),
  claim(
    'lint-harmless',
    'care',
    'Lint does no harm',
    'no',
    'It lifts cloth off the feed dogs, holds the discs open and locks the race.',
  ),
  claim(
    'tool-tight',
    'machine',
    'Tighten the clamp with a tool to be safe',
    'no',
    'By hand, snugged only as the machine’s manual says; a snapped clamp costs weeks.',
  ),
  claim(
    'dull-is-late',
    'needle-life',
    'A dull needle puts the machine’s timing out',
    'no',
    'It bends and spoils the loop. A hook that is really late is for a technician.',
  ),
  claim(
    'only-front-loaders-oil',
    'care',
    'Only front-loaders get oil',
    'no',
    'The machine’s manual decides, and some want none ever.',
  ),
  claim(
    'plastic-on-top',
    'bobbin',
    'Plastic bobbins on top, metal in front',
    'often',
    'The class and material that the manual names decide.',
  ),
  claim(
    'same-thread-always',
    'bobbin',
    'Always the same thread above and below',
    'for ordinary seams',
    'Decorative, topstitch, clear and embroidery threads want an ordinary or fine one below.',
    { threadRatio: { over: 1.3 } },
  ),
  claim(
    'faces-alike',
    'tension',
    'Both faces must look the same',
    'straight stitch only',
    'Zigzag and decorative stitches show dots of the top thread underneath.',
    { stitchIso: { in: ['304'] } },
  ),
  claim('hold-taut', 'guiding', 'Hold the cloth taut', 'lightly at most', 'The dogs feed it; pulling bends needles.'),
  claim('more-oil', 'care', 'More oil is better', 'no', 'One drop, of sewing machine oil, only where the manual says.'),
])
