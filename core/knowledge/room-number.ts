/**
 * Numbers that a room may change. Rules name them as facts, so a changed number reaches every rule and every sentence.
 * Offsets are in numbers of an ordinary 0–9 dial, below 0 for looser.
 */
export interface RoomNumber {
  readonly words: string
  readonly usual: number
  readonly min: number
  readonly max: number
  readonly step: number
  readonly unit: string
}

const offset = (words: string, usual: number): RoomNumber => ({
  words,
  usual,
  min: -3,
  max: 1,
  step: 0.25,
  unit: 'dial numbers',
})

const UNIT_WORDS = {
  bobbins: 'bobbins',
  days: 'days',
  hours: 'motor hours',
  metres: 'metres',
  minutes: 'minutes',
  tex: 'tex',
  weeks: 'weeks',
}

const count = (words: string, usual: number, unit: keyof typeof UNIT_WORDS): RoomNumber => ({
  words,
  usual,
  min: 1,
  max: Math.max(60, usual * 4),
  step: 1,
  unit: UNIT_WORDS[unit],
})

/** What a change costs when seats are planned. */
const minutes = (words: string, usual: number): RoomNumber => ({
  words,
  usual,
  min: 0,
  max: 30,
  step: 0.5,
  unit: UNIT_WORDS.minutes,
})

export const ROOM_NUMBERS = {
  offsetSilky: offset('Sheer or silky cloth', -1),
  offsetZigzag: offset('Zigzag', -0.75),
  offsetDecorative: offset('Decorative stitches', -1),
  offsetTwin: offset('Twin needles', -1),
  offsetEmbroidery: offset('Embroidery', -1.75),
  learnerThickestNm: {
    words: 'Thickest needle a learner sews with alone',
    usual: 100,
    min: 70,
    max: 130,
    step: 10,
    unit: '1/100 mm',
  },
  heaviestBondedTex: {
    words: 'Heaviest bonded thread on a household machine, where its own card says nothing',
    usual: 70,
    min: 30,
    max: 140,
    step: 5,
    unit: UNIT_WORDS.tex,
  },
  cleanEveryBobbins: count('Lint out every so many bobbins', 4, 'bobbins'),
  cleanEveryDays: count('Lint out every so many days of use', 1, 'days'),
  oilEveryBobbins: count('A drop in the race every so many bobbins', 4, 'bobbins'),
  oilEveryDays: count('A drop in the race every so many days of use', 1, 'days'),
  oilArmDays: count('Oil in arm and take-up every so many days', 30, 'days'),
  roomCheckDays: count('Room check every so many days of use', 1, 'days'),
  serviceHours: count('Service after so many motor hours', 200, 'hours'),
  serviceDays: count('Service after so many days', 365, 'days'),
  minutesNeedle: minutes('Changing a needle', 3),
  minutesThread: minutes('Threading anew', 2),
  minutesBobbin: minutes('Swapping the bobbin', 1),
  minutesFoot: minutes('Changing the foot', 1),
  minutesPressure: minutes('Setting the foot’s pressure', 1),
  minutesTest: minutes('A whole tension test', 4),
  minutesLine: minutes('A line sewn after a like needle', 1),
  weightOtherMachine: minutes('To keep somebody at the machine of last time is worth', 3),
  weightBeginner: minutes('To keep a beginner off a machine that asks much is worth', 4),
  weightFarBeginner: minutes('To keep a beginner near the instructor is worth', 2),
  nearMetres: count('Near the instructor is within so many metres', 4, 'metres'),
  weightSewnMore: minutes('To spare a machine that has sewn more than most since its service is worth', 0.5),
  weightNeedle: minutes('To save a needle is worth', 2),
  weightSpare: minutes('To keep one machine free is worth', 5),
  weightLastBlock: minutes('To have a place in the last block free, and close early, is worth', 0.5),
  reorderWeeks: count('Buy again when less is left than so many weeks use', 3, 'weeks'),
} as const satisfies Readonly<Record<string, RoomNumber>>

export type RoomNumberName = keyof typeof ROOM_NUMBERS
export const ROOM_NUMBER_NAMES = Object.keys(ROOM_NUMBERS) as RoomNumberName[]

/** What a room changed; an absent number is the usual one. */
export type RoomNumbers = { readonly [Name in RoomNumberName]?: number }

const USUAL = Object.fromEntries(ROOM_NUMBER_NAMES.map((name) => [name, ROOM_NUMBERS[name].usual]))

/** Every number as a fact for the rules. */
export const roomFacts = (numbers: RoomNumbers = {}): Readonly<Record<string, number>> => ({ ...USUAL, ...numbers })
