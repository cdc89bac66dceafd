import { colourOf, type Picture } from '../picture/picture'
import { balanceOf, seenApart, shadeOf, unlike, type Balance } from './colours'
import { finderMarks } from './finder-marks'
import { findSeam, inside, threadMap, type Hidden } from './find-seam'
import { modulesOf, planeThrough, pxPerMmAt, refined, tagLight, TAG_MM, toPixel, toPlace, type Corners } from './plane'
import { layStraight, membersOf, type Members, type Strip } from './strip'
import { coverOf, median, smoothed, straightStitches, widthOf, zigzagStitches } from './stitches'

export const LOOKS = ['own', 'dots', 'line', 'loops', 'nest'] as const
export type Look = (typeof LOOKS)[number]
export const MISSING = ['tag', 'seam', 'colours', 'focus', 'light', 'frame'] as const
export type Missing = (typeof MISSING)[number]

/** A tag's code as a finder of codes says it, pixels of the photograph. */
export interface FoundTag {
  readonly corners: Corners
  /** modules along one side; 0 where it could not be read */
  readonly modules: number
  /** its address; absent: it is there and cannot be read */
  readonly text?: string
}

export interface PhotographAsked {
  /** #rrggbb */
  readonly top: string
  readonly bobbin: string
  /** absent: the tag's address says it */
  readonly face?: 'top' | 'under'
}

/** What a photograph of one face of a swatch says. Lengths in mm; without a tag there are none. */
export interface PhotographRead {
  readonly read: true
  readonly face: 'top' | 'under'
  readonly look: Look
  /** on the adviser's scale; a nest has none */
  readonly score: number | null
  /** the standard deviation of the score */
  readonly scoreSpread: number
  readonly stitches: number
  readonly lengthMm: { readonly median: number; readonly spread: number } | null
  readonly widthMm?: number
  readonly skipped: number
  /** of the seam's length */
  readonly otherShare: number
  readonly wobbleMm: number | null
  readonly confidence: number
  readonly pxPerMm: number | null
  /** what was not there and is not needed for what was read */
  readonly missing?: 'tag'
  readonly because?: string
  /** the seam on the photograph, and its holes, to be drawn over it; pixels */
  readonly seen: {
    readonly line: readonly { x: number; y: number }[]
    readonly holes: readonly { x: number; y: number }[]
  }
}
export interface PhotographNotRead {
  readonly read: false
  readonly missing: Missing
  readonly because: string
}

const NO_SEAM = 'No seam in these two colours is to be seen'
const not = (missing: Missing, because: string): PhotographNotRead => ({ read: false, missing, because })

/** Other colour on less of the seam than this is its own; up to the second, dots. */
const SHARES = { own: 0.08, dots: 0.45 } as const
/** Further off the line than this a thread is a loop; wider than the second, with so much of that covered, a nest, or with less of it in one place alone. */
const OFF_MM = { loop: 0.8, nest: 3, covered: 1.6, alone: 0.9 } as const
/** Threads nearer to each other than this are not told apart by anybody. */
const LEAST_APART = 0.1
/** So near its middle a place is on the thread, whatever the thread. */
const ON_THREAD_MM = 0.12
/** Thread on a line, for each pixel of its length, from which it is looked at closely. */
const FAINTEST = 0.04
const SHORTEST_SEAM_MM = 24
/** Of the length of a straight line, on how much of it thread lies at least. */
const LIES_ALONG = 0.4
/** From fewer stitches than these no length is told; a nest leaves few to be seen. */
const FEWEST = { plain: 5, besideNest: 3 } as const
/** Coarse enough to see the whole at once, fine enough for a thread. */
const COARSE_PX_PER_MM = 10
const FINEST_PX_PER_MM = 22
/** A blur wider than this hides a stitch's hole. */
const MOST_BLUR_MM = 0.2

/** A photograph made smaller by the mean of whole squares. */
export function smaller({ width, height, pixels }: Picture, times: number): Picture {
  if (times <= 1) return { width, height, pixels }
  const [wide, high] = [Math.floor(width / times), Math.floor(height / times)]
  const into = new Uint8ClampedArray(wide * high * 3)
  // Row upon row, as they lie: a photograph has many pixels.
  const sums = new Float64Array(wide * 3)
  const all = times * times
  for (let row = 0; row < high; row += 1) {
    sums.fill(0)
    for (let down = 0; down < times; down += 1) {
      let from = (row * times + down) * width * 3
      for (let at = 0; at < sums.length; at += 3) {
        let red = 0
        let green = 0
        let blue = 0
        for (let across = 0; across < times; across += 1, from += 3) {
          red += pixels[from]!
          green += pixels[from + 1]!
          blue += pixels[from + 2]!
        }
        sums[at]! += red
        sums[at + 1]! += green
        sums[at + 2]! += blue
      }
    }
    for (let at = 0, to = row * wide * 3; at < sums.length; at += 1, to += 1) into[to] = sums[at]! / all
  }
  return { width: wide, height: high, pixels: into }
}

/** The face that a tag names at the end of its address; undefined where no tag can be read. */
export const faceOnTag = (tags: readonly FoundTag[]): 'top' | 'under' | undefined =>
  /\/(top|under)\b/.exec(tags.find(({ text }) => text !== undefined)?.text ?? '')?.[1] as 'top' | 'under' | undefined

/** Reads one face of a swatch from its photograph, or says what is missing. It knows nothing of how the photograph was made. */
export function readPhotograph(
  picture: Picture,
  tags: readonly FoundTag[],
  asked: PhotographAsked,
): PhotographRead | PhotographNotRead {
  const [top, bobbin] = [shadeOf(...colourOf(asked.top)), shadeOf(...colourOf(asked.bobbin))]
  if (unlike(top, bobbin) < 0.55 || seenApart(colourOf(asked.top), colourOf(asked.bobbin)) < LEAST_APART)
    return not('colours', 'The two threads are too alike to be told apart: sew the swatch with two colours')

  const whole = tags.find(({ text }) => text !== undefined)
  const torn = tags.find(({ text }) => text === undefined)
  const named = faceOnTag(tags)
  const said = asked.face ?? named

  let dark = 0
  for (let index = 0; index < picture.pixels.length; index += 997) if (picture.pixels[index]! < 40) dark += 1
  const darkShare = dark / (picture.pixels.length / 997)
  let balance: Balance = [1, 1, 1]
  let blurMm: number | undefined
  const corners = whole && whole.modules > 0 ? refined(picture, whole.corners, whole.modules) : whole?.corners
  const plane = corners && planeThrough(corners)
  if (plane && whole && whole.modules > 0) {
    const light = tagLight(picture, plane, modulesOf(picture, plane, whole.modules))
    const paper = Math.max(...light.paper)
    if (paper < 0.05) return not('light', 'It is too dark: the paper of the tag is nearly black')
    blurMm = light.blurMm
    if (blurMm > MOST_BLUR_MM) return not('focus', 'It is blurred: hold the camera still, a little further away')
    balance = balanceOf(light.paper)
  } else {
    if (darkShare > 0.92) return not('light', 'It is too dark')
    // A tag that is there and tells nothing is a tag to be laid flat; where there is none, the look is told all the same.
    if (
      torn ||
      finderMarks(smaller(picture, Math.max(1, Math.round(Math.max(picture.width, picture.height) / 1400)))).length >= 2
    )
      return not('tag', 'The tag cannot be read: lay it flat, without a crease, and all of it in view')
  }

  const scale = plane ? pxPerMmAt(plane, TAG_MM / 2, TAG_MM / 2) : undefined
  const times = scale
    ? Math.max(1, Math.round(scale / COARSE_PX_PER_MM))
    : Math.max(1, Math.round(Math.max(picture.width, picture.height) / 1400))
  const coarse = smaller(picture, times)
  // Without a tag a photograph is taken to show about as much as a hand holds.
  const guess = scale ?? Math.max(picture.width, picture.height) / 130
  const coarseScale = guess / times
  const hidden: Hidden[] = tags.map((tag) =>
    grown(tag.corners, 1.55).map(({ x, y }) => ({ x: x / times, y: y / times })),
  )
  const map = threadMap(coarse, [top, bobbin], balance, coarseScale, hidden)
  const seam = findSeam(map, coarse.width, coarse.height, coarseScale)
  const lengthPx = seam ? (seam.to - seam.from) * times : 0
  if (!plane && isSoft(coarse)) return not('focus', 'It is blurred: hold the camera still, a little further away')
  const tooLittle = !seam || seam.weight < FAINTEST || lengthPx / guess < SHORTEST_SEAM_MM
  if (tooLittle && glares(coarse, hidden))
    return not('light', 'Light shines on the swatch: turn it, or the lamp, a little')
  if (!seam || seam.weight < FAINTEST) return not('seam', NO_SEAM)
  if (lengthPx / guess < SHORTEST_SEAM_MM)
    return not('frame', 'Only a little of the seam is in view: show at least four centimetres of it')

  // Along the seam in millimetres of the table, or in pixels where no tag says how many make one.
  const end = (t: number) => ({ x: (seam.x + seam.alongX * t) * times, y: (seam.y + seam.alongY * t) * times })
  const [first, last] = [end(seam.from), end(seam.to)]
  const on = plane ?? [1 / guess, 0, 0, 0, 1 / guess, 0, 0, 0]
  const place = plane ? toPlace : (_: unknown, x: number, y: number) => ({ x: x / guess, y: y / guess })
  const pixel = plane ? toPixel : (_: unknown, u: number, v: number) => ({ x: u * guess, y: v * guess })
  const [from, to] = [place(on, first.x, first.y), place(on, last.x, last.y)]
  const lengthMm = Math.hypot(to.x - from.x, to.y - from.y)
  const ahead = { x: (to.x - from.x) / lengthMm, y: (to.y - from.y) / lengthMm }
  const at = (along: number, across: number) =>
    pixel(on, from.x + ahead.x * along - ahead.y * across, from.y + ahead.y * along + ahead.x * across)
  const local = plane ? pxPerMmAt(plane, (from.x + to.x) / 2, (from.y + to.y) / 2) : guess
  const strip = layStraight(picture, balance, lengthMm, Math.min(FINEST_PX_PER_MM, Math.max(12, local)), at)
  if (burntShare(strip) > 0.12) return not('light', 'Light shines on the seam: turn the swatch or the lamp a little')

  const [own, other] = said === 'under' ? [bobbin, top] : [top, bobbin]
  const asSaid = membersOf(strip, own, other)
  // Where nobody says which face it is, it is that of the thread that lies there most.
  const turned = said === undefined && massOf(strip, asSaid.other) > massOf(strip, asSaid.own)
  const members = turned ? { ...asSaid, own: asSaid.other, other: asSaid.own } : asSaid
  const face = said ?? (turned ? 'under' : 'top')
  if (members.apart < 0.3)
    return not('colours', 'The threads are too like each other, or like the cloth: sew the swatch in other colours')

  if (!threadRuns(strip, members)) return not('seam', NO_SEAM)

  return told(strip, members, { face, blurMm, at, local, plane: plane !== undefined })
}

/** A zigzag is on its own middle for a fifth of the way; cloth that looks like thread now and then is so beside the line as well. */
const RUNS = { least: 0.05, timesBeside: 3, besideMm: [-6, -4, 4, 6] } as const

/** Whether thread runs along the line, looked at as closely as the photograph goes, and not beside it. */
function threadRuns(strip: Strip, members: Members): boolean {
  const line = lineOf(strip, members)
  const lies = liesAlong(strip, members)
  const share = (offMm: number) => lies(line.map((row) => row + offMm * strip.pxPerMm))
  const beside = RUNS.besideMm.reduce((sum, off) => sum + share(off), 0) / RUNS.besideMm.length
  return share(0) > Math.max(RUNS.least, RUNS.timesBeside * beside)
}

/** Of the length of a line through the strip, on how much of it either thread lies. */
function liesAlong(strip: Strip, { own, other }: Members): (line: Float32Array) => number {
  const either = own.map((value, index) => Math.max(value, other[index]!))
  return (line) =>
    coverOf(either, strip, line, 2 * ON_THREAD_MM).reduce((sum, value) => sum + (value > 0.5 ? 1 : 0), 0) / line.length
}

/** How much there is of a thread near the seam. */
function massOf({ width, height, middle, pxPerMm }: Strip, of: Float32Array): number {
  let sum = 0
  const reach = Math.round(0.6 * pxPerMm)
  for (let row = Math.max(0, middle - reach); row <= Math.min(height - 1, middle + reach); row += 1)
    for (let column = 0; column < width; column += 1) sum += of[row * width + column]! > 0.5 ? 1 : 0
  return sum
}

/** Whether much of a picture holds more light than it can, besides the tag. */
function glares({ width, height, pixels }: Picture, hidden: readonly Hidden[]): boolean {
  let burnt = 0
  for (let row = 0; row < height; row += 2)
    for (let column = 0; column < width; column += 2) {
      const index = (row * width + column) * 3
      if (pixels[index]! < 250 || pixels[index + 1]! < 250 || pixels[index + 2]! < 245) continue
      if (!hidden.some((shape) => inside(shape, column, row))) burnt += 1
    }
  return burnt > 0.012 * (width / 2) * (height / 2)
}

function grown(corners: Corners, times: number): { x: number; y: number }[] {
  const middle = {
    x: corners.reduce((sum, { x }) => sum + x, 0) / 4,
    y: corners.reduce((sum, { y }) => sum + y, 0) / 4,
  }
  return corners.map(({ x, y }) => ({ x: middle.x + (x - middle.x) * times, y: middle.y + (y - middle.y) * times }))
}

/** Of an edge's whole height, how much of it a sharp one climbs from pixel to pixel at its steepest; less is soft. */
const SHARP = 0.36

/** Whether even the plainest edges of a picture take many pixels. */
function isSoft({ width, height, pixels }: Picture): boolean {
  const edges: { at: number; height: number }[] = []
  for (let row = 2; row + 2 < height; row += 3)
    for (let column = 11; column + 11 < width; column += 3) {
      const at = (row * width + column) * 3 + 1
      edges.push({ at, height: Math.abs(pixels[at + 24]! - pixels[at - 24]!) })
    }
  edges.sort((a, b) => b.height - a.height)
  const plainest = edges.slice(0, Math.ceil(edges.length * 0.005)).filter(({ height: high }) => high > 0)
  const steep = plainest.map(({ at, height: high }) => {
    let most = 0
    for (let off = -24; off <= 24; off += 3)
      most = Math.max(most, Math.abs(pixels[at + off + 3]! - pixels[at + off - 3]!))
    return most / high
  })
  return median(steep) < SHARP
}

/** How much of the seam lies under a glare: columns in which several pixels hold more light than they can. */
function burntShare({ width, height, middle, pxPerMm, burnt }: Strip): number {
  let columns = 0
  const reach = Math.round(0.8 * pxPerMm)
  for (let column = 0; column < width; column += 1) {
    let sum = 0
    for (let row = Math.max(0, middle - reach); row <= Math.min(height - 1, middle + reach); row += 1)
      sum += burnt[row * width + column]!
    if (sum > reach) columns += 1
  }
  return columns / width
}

/** Thread so far to each side may belong to the seam; a place of the line rests on what lies so far along it, mm. */
const LINE_MM = { across: 3, along: 3.5, every: 0.5 } as const
/** Where there is less of the own thread than this for the other's, the line is told by both: the other lies over it. */
const OWN_SCARCE = 0.2

/**
 * The seam's own line through the strip, rows from its middle. It goes where the middle of the own thread lies, not its mean: loops
 * stand off to one side, and a line told by them would stray with them.
 */
function lineOf(strip: Strip, { own, other }: Members): Float32Array {
  const { width, middle, pxPerMm } = strip
  const reach = Math.min(middle, Math.round(LINE_MM.across * pxPerMm))
  const rows = 2 * reach + 1
  const every = Math.max(1, Math.round(LINE_MM.every * pxPerMm))
  const cells = Math.ceil(width / every)
  const massIn = (of: Float32Array) => {
    const mass = new Float32Array(cells * rows)
    for (let off = 0; off < rows; off += 1) {
      const from = (middle - reach + off) * width
      for (let column = 0; column < width; column += 1) {
        const part = of[from + column]!
        if (part >= 0.4) mass[Math.floor(column / every) * rows + off]! += part
      }
    }
    return mass
  }
  const sumOf = (values: Float32Array) => values.reduce((sum, value) => sum + value, 0)
  const [owns, others] = [massIn(own), massIn(other)]
  const mass =
    sumOf(owns) < OWN_SCARCE * sumOf(others) ? owns.map((value, index) => Math.max(value, others[index]!)) : owns
  const wide = Math.round(LINE_MM.along / LINE_MM.every)
  const around = new Float32Array(rows)
  const knots = new Float32Array(cells)
  for (let cell = 0; cell < cells; cell += 1) {
    around.fill(0)
    for (let near = Math.max(0, cell - wide); near <= Math.min(cells - 1, cell + wide); near += 1)
      for (let off = 0; off < rows; off += 1) around[off]! += mass[near * rows + off]!
    const half = sumOf(around) / 2
    let [sum, off] = [0, 0]
    while (off < rows - 1 && sum + around[off]! < half) sum += around[off++]!
    knots[cell] = half > 0 ? off - 0.5 + (half - sum) / Math.max(1e-6, around[off]!) - reach : (knots[cell - 1] ?? 0)
  }
  const line = Float32Array.from({ length: width }, (_, column) => {
    const at = Math.max(0, Math.min(cells - 1, column / every - 0.5))
    const before = Math.floor(at)
    const after = Math.min(cells - 1, before + 1)
    return knots[before]! + (knots[after]! - knots[before]!) * (at - before)
  })
  return smoothed(line, pxPerMm)
}

function told(
  strip: Strip,
  members: Members,
  known: {
    readonly face: 'top' | 'under'
    readonly blurMm: number | undefined
    readonly at: (along: number, across: number) => { x: number; y: number }
    readonly local: number
    readonly plane: boolean
  },
): PhotographRead | PhotographNotRead {
  const { pxPerMm, width } = strip
  const line = lineOf(strip, members)
  const edges = widthOf(strip, members)
  const threadMm = thicknessOf(strip, members)
  const zigzag = edges.high - edges.low > 1.1 + threadMm && isToAndFro(strip, members, edges)
  const halfWidthMm = zigzag ? Math.max(-edges.low, edges.high) : 0
  const nest = tangled(strip, members, halfWidthMm)
  const stitches = zigzag
    ? zigzagStitches(strip, members, edges, threadMm)
    : straightStitches(strip, members, line, nest)
  // Along a straight line thread lies nearly everywhere; where it was taken out there are holes, and they are dark.
  if (!zigzag && !nest.includes(1) && liesAlong(strip, members)(line) < LIES_ALONG) return not('seam', NO_SEAM)
  if (stitches.lengths.length < (nest.includes(1) ? FEWEST.besideNest : FEWEST.plain) || stitches.regular < 0.14)
    return known.blurMm !== undefined && known.blurMm > 0.13
      ? not('focus', 'It is blurred: hold the camera still, a little further away')
      : not('seam', 'There is thread, but no stitches are to be told from one another')

  const looped = offLine(strip, members, line, stitches.holes, halfWidthMm)
  // On a straight line what is not on the thread itself is the shade of a hole beside it, as dark as many a thread; at a point of a
  // zigzag it is narrower than a thread.
  const others = zigzag
    ? pointsOf(members.other, strip, halfWidthMm + 0.3, threadMm)
    : coverOf(members.other, strip, line, ON_THREAD_MM)
  const [begin, finish] = [stitches.holes[0]! * pxPerMm, stitches.holes.at(-1)! * pxPerMm]
  let shows = 0
  for (let column = Math.round(begin); column < finish; column += 1) if (others[column]! > 0.5) shows += 1
  const otherShare = shows / Math.max(1, finish - begin)

  const look: Look = nest.includes(1)
    ? 'nest'
    : looped > 0.5
      ? 'loops'
      : otherShare < SHARES.own
        ? 'own'
        : otherShare <= SHARES.dots
          ? 'dots'
          : 'line'
  const spread = Math.sqrt(
    stitches.lengths.reduce((sum, each) => sum + (each - median(stitches.lengths)) ** 2, 0) / stitches.lengths.length,
  )
  const strays = line.map((value, column) => value - (line[0]! + ((line.at(-1)! - line[0]!) * column) / width))
  const wobbleMm = Math.sqrt(strays.reduce((sum, value) => sum + value * value, 0) / width) / pxPerMm
  const confidence = Math.max(
    0.05,
    Math.min(
      1,
      members.apart *
        (0.35 + 0.65 * Math.min(1, stitches.regular * 1.6)) *
        (1 - Math.min(0.5, ((known.blurMm ?? 0.1) / MOST_BLUR_MM) * 0.4)),
    ),
  )
  const mm = (value: number) => Math.round(value * 1000) / 1000
  return {
    read: true,
    face: known.face,
    look,
    score: scoreOf(look, otherShare, known.face),
    scoreSpread: mm(0.25 + 0.5 * (1 - confidence)),
    stitches: stitches.stitches,
    lengthMm: known.plane ? { median: mm(median(stitches.lengths)), spread: mm(spread) } : null,
    ...(stitches.widthMm !== undefined && known.plane && { widthMm: mm(stitches.widthMm) }),
    skipped: stitches.skipped,
    otherShare: mm(otherShare),
    wobbleMm: known.plane ? mm(wobbleMm) : null,
    confidence: mm(confidence),
    pxPerMm: known.plane ? Math.round(known.local * 100) / 100 : null,
    ...(!known.plane && {
      missing: 'tag' as const,
      because: 'No tag lies beside it: the look is told, and no lengths',
    }),
    seen: {
      line: [0, 0.25, 0.5, 0.75, 1].map((part) => {
        const column = Math.round(part * (width - 1))
        return known.at(column / pxPerMm, zigzag ? 0 : line[column]! / pxPerMm)
      }),
      holes: stitches.holes.map((along) =>
        known.at(along, zigzag ? 0 : line[Math.min(width - 1, Math.round(along * pxPerMm))]! / pxPerMm),
      ),
    },
  }
}

/** Between the marks of the scale a share says how far it is from one to the next; a nest has no score. */
export function scoreOf(look: Look, share: number, face: 'top' | 'under'): number | null {
  if (look === 'nest') return null
  const sign = face === 'top' ? 1 : -1
  if (look === 'loops') return 3 * sign
  const marks = [
    [0, 0],
    [0.08, 0.5],
    [0.2, 1],
    [0.45, 2.2],
    [0.7, 3],
    [1, 3],
  ] as const
  const next = marks.findIndex(([at]) => at >= share)
  const [[fromShare, fromScore], [toShare, toScore]] = [marks[Math.max(0, next - 1)]!, marks[Math.max(1, next)]!]
  const score = fromScore + ((share - fromShare) / (toShare - fromShare)) * (toScore - fromScore)
  return Math.round(sign * Math.max(0, score) * 100) / 100
}

/** How thick a thread is, mm, whichever way it lies: of all stretches of it along rows and along columns, the middle ones. */
function thicknessOf({ width, height, pxPerMm }: Strip, { own, other }: Members): number {
  const lies = (column: number, row: number) => own[row * width + column]! + other[row * width + column]! > 0.5
  const usual = (lines: number, long: number, on: (line: number, at: number) => boolean): number => {
    const runs: number[] = []
    for (let line = 0; line < lines; line += 3) {
      let run = 0
      for (let at = 0; at < long; at += 1) {
        if (on(line, at)) run += 1
        else {
          if (run > 1) runs.push(run)
          run = 0
        }
      }
    }
    return median(runs) / pxPerMm || 0.3
  }
  const across = usual(width, height, (column, row) => lies(column, row))
  const along = usual(height, width, (row, column) => lies(column, row))
  return Math.min(0.6, 1 / Math.hypot(1 / across, 1 / along))
}

/** A zigzag crosses its middle again and again, and is at neither edge for long. */
function isToAndFro(
  { width, height, middle, pxPerMm }: Strip,
  { own }: Members,
  edges: { low: number; high: number },
): boolean {
  const third = (edges.high - edges.low) / 3
  const counts = [0, 0, 0]
  for (let part = 0; part < 3; part += 1)
    for (
      let row = Math.round(middle + (edges.low + part * third) * pxPerMm);
      row < middle + (edges.low + (part + 1) * third) * pxPerMm;
      row += 1
    )
      for (let column = 0; column < width; column += 1)
        if (row >= 0 && row < height && own[row * width + column]! > 0.5) counts[part]! += 1
  const all = counts[0]! + counts[1]! + counts[2]!
  // The own thread of a straight line lies in one third of whatever stands off it.
  return all > 0 && Math.max(...counts) < 0.62 * all && Math.min(counts[0]!, counts[2]!) > 0.15 * all
}

/** Of a thread in a row across a zigzag at least so much of its thickness is seen. */
const SEEN_ACROSS = 0.6

/** The columns in which a thread lies somewhere across a zigzag: 1 there. */
function pointsOf(
  of: Float32Array,
  { width, height, middle, pxPerMm }: Strip,
  withinMm: number,
  threadMm: number,
): Float32Array {
  const reach = withinMm * pxPerMm
  const least = Math.max(1, SEEN_ACROSS * threadMm * pxPerMm)
  return Float32Array.from({ length: width }, (_, column) => {
    let run = 0
    for (let row = Math.max(0, Math.ceil(middle - reach)); row <= Math.min(height - 1, middle + reach); row += 1) {
      run = of[row * width + column]! > 0.5 ? run + 1 : 0
      if (run >= least) return 1
    }
    return 0
  })
}

/** At how many of the holes the other thread stands off the line. */
function offLine(
  strip: Strip,
  { other }: Members,
  line: Float32Array,
  holes: readonly number[],
  halfWidthMm: number,
): number {
  const { width, height, middle, pxPerMm } = strip
  const flat = halfWidthMm > 0
  const far = new Float32Array(width)
  for (let column = 0; column < width; column += 1) {
    const at = middle + (flat ? 0 : line[column]!)
    const start = (halfWidthMm + (flat ? 0.5 : OFF_MM.loop)) * pxPerMm
    let count = 0
    for (let row = 0; row < height; row += 1)
      if (Math.abs(row - at) > start && Math.abs(row - at) < 5 * pxPerMm && other[row * width + column]! > 0.5)
        count += 1
    far[column] = count
  }
  let looped = 0
  for (const [index, hole] of holes.entries()) {
    const step =
      ((holes[index + 1] ?? hole) - (holes[index - 1] ?? hole)) / (index === 0 || index === holes.length - 1 ? 1 : 2)
    const half = Math.max(0.5, Math.min(2, step / 2))
    let sum = 0
    for (
      let column = Math.max(0, Math.round((hole - half) * pxPerMm));
      column < Math.min(width, (hole + half) * pxPerMm);
      column += 1
    )
      sum += far[column]!
    // At least as much of it as a thread laid across once.
    if (sum > 0.05 * pxPerMm * pxPerMm) looped += 1
  }
  return looped / Math.max(1, holes.length)
}

/** The columns over which the other thread lies tangled and wide: 1 there. */
function tangled(strip: Strip, { other }: Members, halfWidthMm: number): Uint8Array {
  const { width, height, pxPerMm } = strip
  const columns = new Uint8Array(width)
  // A window of three millimetres along: how wide the other thread lies in it, and how much of that it covers: loops to
  // both sides reach as far, and cover little.
  const wide = Math.round(3 * pxPerMm)
  const windows: {
    readonly from: number
    readonly until: number
    readonly extent: number
    readonly covered: number
  }[] = []
  for (let from = 0; from < width; from += Math.round(pxPerMm)) {
    const rows = new Float32Array(height)
    const until = Math.min(width, from + wide)
    for (let column = from; column < until; column += 1)
      for (let row = 0; row < height; row += 1) if (other[row * width + column]! > 0.5) rows[row]! += 1
    let [low, high] = [-1, -1]
    let area = 0
    for (let row = 0; row < height; row += 1)
      if (rows[row]! > 0.12 * (until - from)) {
        if (low < 0) low = row
        high = row
        area += rows[row]!
      }
    windows.push({ from, until, extent: (high - low) / pxPerMm, covered: area / pxPerMm / (until - from) })
  }
  // Loops stand along the whole of a seam; what lies in one place and nowhere else need not cover as much.
  const least = Math.min(OFF_MM.covered, Math.max(OFF_MM.alone, 3 * median(windows.map(({ covered }) => covered))))
  for (const { from, until, extent, covered } of windows)
    if (extent > OFF_MM.nest + halfWidthMm * 2 && covered > least) columns.fill(1, from, until)
  return columns
}
