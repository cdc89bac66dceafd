import { colourOf, type Picture } from '../picture/picture'
import { balanceOf, seenApart, shadeOf, unlike, type Balance } from './colours'
import { finderMarks } from './finder-marks'
import { findSeam, threadMap, type Hidden } from './find-seam'
import { liesAlong, lineOf, massOf, ON_THREAD_MM, thicknessOf, threadRuns } from './line'
import { offLine, pointsOf, scoreOf, SHARES, tangled, type Look } from './look'
import {
  modulesOf,
  planeThrough,
  pxPerMmAt,
  refined,
  tagLight,
  TAG_MM,
  toPixel,
  toPlace,
  type Corners,
  type Point,
} from './plane'
import { median } from './rows'
import { coverOf } from './signs'
import { halvings, smaller } from './smaller'
import { burntShare, glares, isSoft } from './spoilt'
import { straightStitches } from './straight'
import { layStraight, membersOf, type Members, type Strip } from './strip'
import { isToAndFro, widthOf, zigzagStitches } from './zigzag'

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
    readonly line: readonly Point[]
    readonly holes: readonly Point[]
  }
}
export interface PhotographNotRead {
  readonly read: false
  readonly missing: Missing
  readonly because: string
}

const NO_SEAM = 'No seam in these two colours is to be seen'
const not = (missing: Missing, because: string): PhotographNotRead => ({ read: false, missing, because })

/** Threads nearer to each other than this are not told apart by anybody. */
const LEAST_APART = 0.1
/** Where less thread than this lies on a line, mm wide, nothing is to be looked at closely; whether more is a seam is told by looking. */
const FAINTEST_MM = 0.001
const SHORTEST_SEAM_MM = 24
/** So much of a seam is asked for, mm. */
const WHOLE_SEAM_MM = 40
/** Of the length of a straight line, on how much of it thread lies at least. */
const LIES_ALONG = 0.4
/** From fewer stitches than these no length is told; a nest leaves few to be seen. */
const FEWEST = { plain: 5, besideNest: 3 } as const
/** Coarse enough to see the whole at once, fine enough for a thread. */
const COARSE_PX_PER_MM = 8
/** The thinnest thread is some three pixels wide here, and more of them say no more. */
const FINEST_PX_PER_MM = 17
/** What a hand holds, from end to end; and in so many pixels it is looked at where no tag says how large they are. */
const HANDFUL_MM = 130
const HANDFUL_PX = 1400
/** A blur wider than this hides a stitch's hole. */
const MOST_BLUR_MM = 0.2

/** The face that a tag names at the end of its address; undefined where no tag can be read. */
export const faceOnTag = (tags: readonly FoundTag[]): 'top' | 'under' | undefined =>
  /\/(top|under)\b/.exec(tags.find(({ text }) => text !== undefined)?.text ?? '')?.[1] as 'top' | 'under' | undefined

/**
 * Reads one face of a swatch from its photograph, or says what is missing. It knows nothing of how the photograph was made.
 * A photograph is looked at no closer than a thread needs: the pixels of a finer one are put together by halves.
 */
export function readPhotograph(
  picture: Picture,
  tags: readonly FoundTag[],
  asked: PhotographAsked,
): PhotographRead | PhotographNotRead {
  const side = tags.find(({ text, modules }) => text !== undefined && modules > 0)?.corners
  const finest = side ? Math.hypot(side[1].x - side[0].x, side[1].y - side[0].y) / TAG_MM : FINEST_PX_PER_MM
  const close = smaller(picture, halvings(finest / FINEST_PX_PER_MM))
  const { times } = close
  if (times === 1) return readAsClose(picture, tags, asked)
  // The middle of a larger pixel is not the middle of the first of those that lie under it.
  const into = ({ x, y }: Point): Point => ({ x: (x + 0.5) / times - 0.5, y: (y + 0.5) / times - 0.5 })
  const back = ({ x, y }: Point): Point => ({ x: (x + 0.5) * times - 0.5, y: (y + 0.5) * times - 0.5 })
  const found = tags.map((tag) => {
    const [one, two, three, four] = tag.corners
    return { ...tag, corners: [into(one), into(two), into(three), into(four)] as const }
  })
  const told = readAsClose(close.picture, found, asked)
  if (!told.read) return told
  const { line, holes } = told.seen
  return {
    ...told,
    pxPerMm: told.pxPerMm && Math.round(told.pxPerMm * times * 100) / 100,
    seen: { line: line.map(back), holes: holes.map(back) },
  }
}

function readAsClose(
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

  const longerSide = Math.max(picture.width, picture.height)
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
    if (torn || finderMarks(smaller(picture, longerSide / HANDFUL_PX).picture).length >= 2)
      return not('tag', 'The tag cannot be read: lay it flat, without a crease, and all of it in view')
  }

  const scale = plane ? pxPerMmAt(plane, TAG_MM / 2, TAG_MM / 2) : undefined
  const { picture: coarse, times } = smaller(picture, scale ? scale / COARSE_PX_PER_MM : longerSide / HANDFUL_PX)
  // Without a tag a photograph is taken to show about as much as a hand holds.
  const guess = scale ?? longerSide / HANDFUL_MM
  const coarseScale = guess / times
  const hidden: Hidden[] = tags.map((tag) =>
    grown(tag.corners, 1.55).map(({ x, y }) => ({ x: x / times, y: y / times })),
  )
  const map = threadMap(coarse, [top, bobbin], balance, coarseScale, hidden)
  const seam = findSeam(map, coarse.width, coarse.height, coarseScale)
  const lengthPx = seam ? (seam.to - seam.from) * times : 0
  if (!plane && isSoft(coarse)) return not('focus', 'It is blurred: hold the camera still, a little further away')
  const faint = !seam || seam.weight / coarseScale < FAINTEST_MM
  const tooLittle = faint || lengthPx / guess < SHORTEST_SEAM_MM
  // Where light shines on the rest of a seam, a short stretch of it that is left says little of the whole.
  const short = seam !== undefined && lengthPx / guess < WHOLE_SEAM_MM
  if ((tooLittle || short) && glares(coarse, hidden))
    return not('light', 'Light shines on the swatch: turn it, or the lamp, a little')
  if (faint) return not('seam', NO_SEAM)
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

function grown(corners: Corners, times: number): Point[] {
  const middle = {
    x: corners.reduce((sum, { x }) => sum + x, 0) / 4,
    y: corners.reduce((sum, { y }) => sum + y, 0) / 4,
  }
  return corners.map(({ x, y }) => ({ x: middle.x + (x - middle.x) * times, y: middle.y + (y - middle.y) * times }))
}

function told(
  strip: Strip,
  members: Members,
  known: {
    readonly face: 'top' | 'under'
    readonly blurMm: number | undefined
    readonly at: (along: number, across: number) => Point
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
