import Type, { type Static } from 'typebox'
import {
  Above0,
  DialSchema,
  FootWord,
  From0,
  RangeMm,
  StitchWord,
  strict,
  words,
} from '../schema/vocabulary'

/**
 * What differs from machine to machine. Every check list, card, kit and drawing is made from these; there is no list of
 * machine kinds. `title` is the question a person answers at the machine.
 */
export const TRAITS = {
  drive: words(['mechanical', 'electronic', 'computerised', 'portable-walking-foot', 'industrial'] as const),
  needleSystem: Type.String({ minLength: 1, maxLength: 80 }),
  needleNm: strict({ min: Above0, max: Above0 }),
  shankFlat: words(['back', 'left', 'right', 'round'] as const),
  eyeThreaded: words(['front-to-back', 'right-to-left', 'left-to-right'] as const),
  needleCanGoInReversed: Type.Boolean(),
  clampHead: words(['knob', 'slotted'] as const),
  clampTightened: words(['fingers', 'driver'] as const),
  bobbinClass: Type.String({ minLength: 1, maxLength: 40 }),
  bobbinMaterial: words(['metal', 'plastic'] as const),
  bobbinCase: words(['front-latch', 'drop-in', 'side'] as const),
  bobbinRuns: words(['P', '9'] as const),
  bobbinThreadRaised: Type.Boolean(),
  bobbinScrew: Type.Boolean(),
  spoolPin: words(['lying', 'upright', 'both', 'cone-stand'] as const),
  spoolPins: Type.Integer({ minimum: 0, maximum: 4 }),
  tensionDial: DialSchema,
  tensionSetOn: words(['dial', 'screen'] as const),
  tensionDiscs: words(['outside', 'hidden'] as const),
  takeUp: words(['slot', 'closed-eye'] as const),
  footPressure: words(['adjustable', 'fixed'] as const),
  stitches: Type.Array(StitchWord, { uniqueItems: true, minItems: 1 }),
  straightStitchMark: Type.String({ minLength: 1, maxLength: 40 }),
  zigzagStitchMark: Type.String({ minLength: 1, maxLength: 40 }),
  maxWidthMm: From0,
  lengthMm: RangeMm,
  lengthDial: words(['millimetres', 'backwards', 'stitches-per-inch'] as const),
  feet: Type.Array(FootWord, { uniqueItems: true, minItems: 1 }),
  evenFeed: Type.Boolean(),
  straightPlate: Type.Boolean(),
  maxStackMm: Above0,
  maxLeatherMm: From0,
  handWheel: words(['towards', 'away'] as const),
  needleRaisedBy: words(['hand-wheel', 'button'] as const),
  winder: words(['slides-right', 'hand-wheel-out', 'button'] as const),
  reverse: words(['lever', 'button'] as const),
  threader: words(['none', 'built-in'] as const),
  speedLimiter: Type.Boolean(),
  dogsDrop: Type.Boolean(),
  oiling: words(['never', 'race', 'race-and-arm', 'ask'] as const),
  magnets: words(['allowed', 'not-allowed', 'unknown'] as const),
} as const

export type TraitName = keyof typeof TRAITS
export const TRAIT_NAMES = Object.keys(TRAITS) as TraitName[]

/** The questions, in the order in which a person stands at the machine and looks. */
export const TRAIT_QUESTIONS: Readonly<Record<TraitName, string>> = {
  drive: 'What kind of machine is it?',
  needleSystem: 'Which needle system does its manual or plate name?',
  needleNm: 'Finest and thickest needle it takes (1/100 mm)',
  shankFlat: 'Which way does the flat of the needle’s shank face?',
  eyeThreaded: 'Which way is the eye threaded?',
  needleCanGoInReversed: 'Can a needle be pushed in the wrong way round?',
  clampHead: 'What does the clamp screw look like?',
  clampTightened: 'How is the clamp tightened?',
  bobbinClass: 'Which bobbin class does the manual name?',
  bobbinMaterial: 'What are its bobbins made of?',
  bobbinCase: 'How does the bobbin go in?',
  bobbinRuns: 'Does the bobbin run like a P or like a 9?',
  bobbinThreadRaised: 'Must the bobbin thread be raised before sewing?',
  bobbinScrew: 'Does the bobbin case have a tension screw?',
  spoolPin: 'How does the spool sit?',
  spoolPins: 'How many spools can it hold?',
  tensionDial: 'Tension: lowest, highest and normal mark, and the step between marks',
  tensionSetOn: 'Where is tension set?',
  tensionDiscs: 'Can you see the tension discs?',
  takeUp: 'How does the take-up lever hold the thread?',
  footPressure: 'Can foot pressure be adjusted?',
  stitches: 'Which stitches does it have?',
  straightStitchMark: 'Where is straight stitch? (its letter, number or name)',
  zigzagStitchMark: 'Where is zigzag?',
  maxWidthMm: 'Widest zigzag (mm)',
  lengthMm: 'Shortest and longest stitch (mm)',
  lengthDial: 'How is stitch length marked?',
  feet: 'Which feet are there for it?',
  evenFeed: 'Does it have built-in even feed?',
  straightPlate: 'Is there a straight-stitch plate for it?',
  maxStackMm: 'Greatest stack under its foot (mm)',
  maxLeatherMm: 'Greatest stack of leather it pierces (mm)',
  handWheel: 'Which way does the hand wheel turn?',
  needleRaisedBy: 'How is the needle raised?',
  winder: 'How is the bobbin winder engaged?',
  reverse: 'How does it sew backwards?',
  threader: 'Does it have a needle threader?',
  speedLimiter: 'Does it have a speed limiter?',
  dogsDrop: 'Can the feed dogs be lowered?',
  oiling: 'Where does its manual want oil?',
  magnets: 'Does its manual allow magnets near it?',
}

/** What is known of one machine; an absent trait is not known yet and is asked for at the machine. */
export type Traits = { readonly [Name in TraitName]?: Static<(typeof TRAITS)[Name]> }

/** Where a trait was learnt. */
export const TRAIT_SOURCES = ['manual', 'plate', 'technician', 'tried'] as const
export type TraitSource = (typeof TRAIT_SOURCES)[number]
