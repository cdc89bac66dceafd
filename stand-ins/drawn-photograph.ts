import { create as createCode } from 'qrcode'
import sharp from 'sharp'
import { chanceOf } from '@/core/picture/noise'
import type { Picture } from '@/core/picture/picture'
import type { SceneTruth } from './camera-scenes'

/**
 * Photographs by another hand: drawn as a designer would, in curves, with nothing of the picture model in them, then laid on a table,
 * seen askew and kept as a JPEG. What reads photographs is held to these as well, so that it reads swatches and not one renderer.
 */
export interface DrawnPhotograph {
  readonly picture: Picture
  readonly asked: { readonly top: string; readonly bobbin: string; readonly face: 'top' | 'under' }
  readonly truth: SceneTruth & {
    readonly lengths: readonly number[]
    readonly skipped: number
    readonly stitches: number
    readonly widthMm?: number
    /** of the seam's length, where the other thread shows at its holes or lies over it */
    readonly otherShare?: number
    /** how it was drawn, for a list of failures */
    readonly drawn: string
  }
}

type Point = readonly [x: number, y: number]

/** Top and bobbin thread. */
const PAIRS = [
  ['#c8321e', '#1f4fa3'],
  ['#111111', '#f2efe6'],
  ['#1e7d3c', '#f0c419'],
  ['#303a78', '#f4a6b8'],
  ['#8a1c5c', '#8fd3c1'],
  ['#f5f2ea', '#b3202a'],
] as const
const CLOTHS = ['#efe9dc', '#cfc7b4', '#9aa7b5', '#7d8a70', '#d6b9a0', '#bfc8d2', '#f7f4ee', '#e8d9b0'] as const
const KINDS = ['own', 'own', 'dots', 'dots', 'line', 'loops', 'nest', 'zigzag'] as const
/** How a thread is drawn; what lies at a hole where the other one shows; how a loop stands on the line. */
const STYLES = ['flat', 'lit', 'twisted', 'round'] as const
const DOTS = ['strokes', 'blobs'] as const
const LOOPS = ['arches', 'drops', 'legs'] as const
const GROUNDS = ['plain', 'woven', 'striped', 'printed'] as const
const SPOILT = ['focus', 'light', 'colours', 'tag', 'seam'] as const

const bytesOf = (hex: string) => [1, 3, 5].map((at) => Number.parseInt(hex.slice(at, at + 2), 16))
function apart(one: string, other: string): number {
  const [a, b] = [bytesOf(one), bytesOf(other)]
  return Math.hypot(...a.map((value, part) => value - b[part]!))
}
const shaded = (hex: string, times: number) =>
  `rgb(${bytesOf(hex)
    .map((value) => Math.max(0, Math.min(255, Math.round(value * times))))
    .join()})`

interface Chance {
  readonly chance: () => number
  readonly from: (low: number, high: number) => number
  readonly pick: <Value>(list: readonly Value[]) => Value
  /** a bell, by the sum of many */
  readonly bell: (spread: number) => number
}

function chancesOf(seed: number): Chance {
  const chance = chanceOf(seed * 7919 + 101)
  for (let warm = 0; warm < 5; warm += 1) chance()
  return {
    chance,
    from: (low, high) => low + chance() * (high - low),
    pick: (list) => list[Math.floor(chance() * list.length)]!,
    bell: (spread) => (chance() + chance() + chance() + chance() - 2) * spread * 1.73,
  }
}

/** What is sewn, and how it is drawn. Lengths in mm. */
interface Sewing {
  readonly seed: number
  readonly kind: (typeof KINDS)[number]
  readonly own: string
  readonly other: string
  readonly threadMm: number
  readonly stitchMm: number
  readonly widthMm: number
  readonly seamMm: number
  readonly holes: 'none' | 'dot' | 'dark'
  readonly style: (typeof STYLES)[number]
  readonly dots: (typeof DOTS)[number]
  readonly loops: (typeof LOOPS)[number]
  /** nothing but its holes, as where it was taken out */
  readonly unpicked: boolean
}

/** Where points are close and thread is thick, what shows at them is a line. */
const showsPoints = ({ dots, threadMm, stitchMm }: Pick<Sewing, 'dots' | 'threadMm' | 'stitchMm'>): boolean =>
  dots === 'blobs' && stitchMm > 4 * threadMm

/** A loop at a hole: an arch with a foot to each side of it, a drop that comes out of it, or two legs that droop apart. */
function loopAt([x, y]: Point, way: number, shape: (typeof LOOPS)[number], { from, bell }: Chance): Point[] {
  const [tall, wide] = [from(1.2, 2.2), from(0.4, 0.8)]
  return Array.from({ length: 15 }, (_, step): Point => {
    const angle = (step / 14) * Math.PI
    const out = Math.sin(angle)
    const along = {
      arches: -wide * Math.cos(angle),
      drops: -wide * Math.sin(2 * angle),
      legs: wide * (step / 7 - 1) * out,
    }
    return [x + along[shape] + bell(0.03), y + way * tall * out + bell(0.03)]
  })
}

/** The seam as a drawing, along the x axis, and what is true of it. */
function seamDrawn(
  { seed, kind, own, other, threadMm, stitchMm, widthMm, seamMm, holes, style, dots, loops, unpicked }: Sewing,
  chances: Chance,
): { drawing: string; lengths: number[]; skipped: number; share: number } {
  const { chance, from, pick, bell } = chances
  const zigzag = kind === 'zigzag'
  const uneven = from(0.01, 0.05)
  const wobble = from(0, 0.2)
  const skipping = !zigzag && kind !== 'nest' && chance() < 0.35 ? from(0.03, 0.1) : 0
  const places: Point[] = []
  const lengths: number[] = []
  let skipped = 0
  let x = 0
  for (let count = 0; ; count += 1) {
    const side = zigzag ? (count % 2 === 0 ? -widthMm / 2 : widthMm / 2) : 0
    places.push([x, side + (zigzag ? bell(0.04) : wobble * Math.sin(x / 9 + seed))])
    const skip = count > 1 && x < seamMm - 9 && chance() < skipping
    if (skip) skipped += 1
    const step = stitchMm * (skip ? 2 : 1) * (1 + bell(uneven))
    if (x + step > seamMm) break
    lengths.push(step)
    x += step
  }
  const parts: string[] = []
  const path = (points: readonly Point[], colour: string, mm: number, more = '') =>
    parts.push(
      `<path d="M${points.map(([px, py]) => `${px.toFixed(3)} ${py.toFixed(3)}`).join(' L')}" fill="none" stroke="${colour}" stroke-width="${mm.toFixed(3)}" stroke-linecap="round" stroke-linejoin="round" ${more}/>`,
    )
  const thread = (points: readonly Point[], hex: string, mm: number) => {
    path(
      points.map(([px, py]) => [px + 0.04, py + 0.08] as const),
      'rgba(0,0,0,0.35)',
      mm,
    )
    path(points, hex, mm)
    if (style === 'round') {
      // A cylinder in the light: from dark at its edges to bright in its middle.
      for (let part = 0; part < 8; part += 1) path(points, shaded(hex, 0.6 + 0.09 * part), mm * (1 - part / 8))
      return
    }
    if (style !== 'flat') path(points, shaded(hex, 0.7), mm)
    if (style !== 'flat') path(points, hex, mm * 0.75)
    if (style === 'lit') path(points, shaded(hex, 1.35), mm * 0.25)
    if (style === 'twisted') path(points, shaded(hex, 0.78), mm * 0.7, `stroke-dasharray="0.1 0.5"`)
  }
  const towards = ([ax, ay]: Point, [bx, by]: Point, part: number): Point => [
    ax + (bx - ax) * part,
    ay + (by - ay) * part,
  ]
  if (holes !== 'none')
    for (const [px, py] of places)
      parts.push(
        `<circle cx="${px}" cy="${py}" r="${(holes === 'dot' ? 0.22 : 0.36).toFixed(2)}" fill="rgba(20,15,10,${holes === 'dot' ? 0.45 : 0.75})"/>`,
      )
  // A zigzag that is right may show the other thread at its points underneath.
  const pointed = zigzag && showsPoints({ dots, threadMm, stitchMm })
  const share = kind === 'dots' ? from(0.14, 0.36) : kind === 'line' ? from(0.6, 0.95) : pointed ? 0.2 : 0
  const tall = from(0.45, 0.8)
  const gap = zigzag ? from(0.06, 0.15) : from(0.06, 0.3)
  const side = pick([-1, 1])
  const stitchesDrawn = unpicked ? 0 : places.length - 1
  for (let index = 0; index < stitchesDrawn; index += 1) {
    const [a, b] = [places[index]!, places[index + 1]!]
    const long = Math.hypot(b[0] - a[0], b[1] - a[1])
    const reach = Math.min(0.4, (gap + threadMm / 2) / long)
    const droop: Point = [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2 + bell(0.06)]
    thread([towards(a, b, reach), droop, towards(b, a, reach)], own, threadMm)
  }
  // The other thread: at each hole, over its share of the way; or standing off it; or lying tangled.
  for (const [index, at] of (unpicked ? [] : places).entries()) {
    const before = places[index - 1] ?? at
    const next = places[index + 1] ?? at
    // A part of a usual stitch to each side, so that a long one has no more of it.
    const half = (to: Point) => {
      const long = Math.hypot(to[0] - at[0], to[1] - at[1])
      return long === 0 ? at : towards(at, to, Math.min(0.5, (stitchMm * share) / 2 / long))
    }
    if (share > 0 && dots === 'blobs' && kind === 'dots') {
      const [long, high] = [(stitchMm * share) / 2, threadMm * tall]
      parts.push(
        `<ellipse cx="${at[0].toFixed(3)}" cy="${at[1].toFixed(3)}" rx="${long.toFixed(3)}" ry="${high.toFixed(3)}" fill="${other}"/>`,
        `<ellipse cx="${(at[0] - long / 4).toFixed(3)}" cy="${(at[1] - high / 4).toFixed(3)}" rx="${(long / 3).toFixed(3)}" ry="${(high / 3).toFixed(3)}" fill="${shaded(other, style === 'flat' ? 1 : 1.2)}"/>`,
      )
    } else if (share > 0) {
      const inward = (point: Point) => {
        const long = Math.hypot(point[0] - at[0], point[1] - at[1])
        return long < threadMm / 2 ? at : towards(point, at, threadMm / 2 / long)
      }
      thread([inward(half(before)), at, inward(half(next))], other, threadMm * 0.95)
    }
    if (kind === 'loops') {
      const way = chance() < 0.75 ? side : -side
      thread(loopAt(at, way, loops, chances), other, threadMm * 0.95)
    }
  }
  if (kind === 'nest' && !unpicked) {
    const nest = from(7, 14)
    const begins = from(2, Math.max(3, seamMm - nest - 4))
    const turns = Array.from({ length: Math.round(nest * 8) }, (): Point => [
      begins + chance() * nest,
      (chance() - 0.5) * from(4, 6.4),
    ]).sort((one, two) => one[0] - two[0] + (chance() - 0.5) * 5)
    const bent = turns.flatMap((point, index): Point[] => {
      const next = turns[index + 1] ?? point
      return [point, [(point[0] + next[0]) / 2 + bell(0.5), (point[1] + next[1]) / 2 + bell(0.5)]]
    })
    thread(bent, other, threadMm * 0.95)
  }
  return { drawing: parts.join(''), lengths, skipped, share }
}

/** The swatch on its table, upright or lying, and the tag beside it on one of two sides. */
function tableDrawn(
  seam: string,
  { seed, seamMm }: Sewing,
  {
    face,
    cloth,
    second,
    ground,
    tag,
  }: {
    face: string
    cloth: string
    second: string
    ground: (typeof GROUNDS)[number]
    tag: 'flat' | 'creased' | 'none'
  },
  { chance, from, pick, bell }: Chance,
): { svg: string; pxPerMm: number; upright: boolean; seamAt: Point } {
  const upright = chance() < 0.35
  const sideMm = from(13, 20)
  const [alongMm, acrossMm] = [seamMm + from(6, 16), 2 * sideMm]
  const beside = pick([-1, 1])
  const [spreadX, spreadY] = upright ? [acrossMm + 44, alongMm + 16] : [alongMm + 18, acrossMm + 42]
  const middle: Point = upright ? [beside * 15, 0] : [0, beside * 14]
  const tagAt: Point = upright
    ? [middle[0] - beside * (sideMm + 17), (chance() - 0.5) * Math.max(0, alongMm - 40)]
    : [(chance() - 0.5) * Math.max(0, alongMm - 40), middle[1] - beside * (sideMm + 17)]
  const pitch = from(2.5, 8)
  const grounds = {
    plain: '',
    woven: `<pattern id="w" width="0.8" height="0.8" patternUnits="userSpaceOnUse"><rect width="0.4" height="0.4" fill="${shaded(cloth, 0.88)}"/><rect x="0.4" y="0.4" width="0.4" height="0.4" fill="${shaded(cloth, 1.06)}"/></pattern>`,
    striped: `<pattern id="w" width="${pitch}" height="${pitch}" patternUnits="userSpaceOnUse" patternTransform="rotate(${Math.round(from(0, 180))})"><rect width="${pitch / 2}" height="${pitch}" fill="${second}"/></pattern>`,
    printed: `<pattern id="w" width="${pitch}" height="${pitch}" patternUnits="userSpaceOnUse" patternTransform="rotate(${Math.round(from(0, 90))})"><circle cx="${pitch / 2}" cy="${pitch / 2}" r="${pitch / 4}" fill="${second}"/></pattern>`,
  }
  const code = createCode(`https://class.example/t/${seed}/${face}`, { errorCorrectionLevel: pick(['M', 'Q']) }).modules
  const cell = 20 / code.size
  let ink = ''
  for (let row = 0; row < code.size; row += 1)
    for (let column = 0; column < code.size; column += 1)
      if (code.data[row * code.size + column] === 1)
        ink += `M${(column * cell - 10).toFixed(4)} ${(row * cell - 10).toFixed(4)}h${cell.toFixed(4)}v${cell.toFixed(4)}h-${cell.toFixed(4)}z`
  const pxPerMm = Math.min(from(12, 60), Math.sqrt(14e6 / (spreadX * spreadY)))
  const wood = pick(['#6b4a2f', '#8d8d8a', '#d8d6d0', '#2f3b46', '#b98f5d'])
  const grain = Array.from({ length: 60 }, () => {
    const y = from(-spreadY / 2, spreadY / 2)
    return `<path d="M${-spreadX} ${y} Q0 ${y + bell(6)} ${spreadX} ${y + bell(3)}" stroke="${shaded(wood, from(0.75, 1.15))}" stroke-width="${from(0.1, 0.9)}" fill="none" stroke-opacity="0.6"/>`
  }).join('')
  const card = `<g transform="translate(${tagAt[0]} ${tagAt[1]}) rotate(${bell(5)})"><rect x="-13.5" y="-13.5" width="27" height="27" fill="#fbfaf5"/><path d="${ink}" fill="#141414"/>${tag === 'creased' ? '<path d="M-13 -6 L13 4" stroke="#c9c4b8" stroke-width="7"/><path d="M-4 -13 L5 13" stroke="#9a958b" stroke-width="5"/>' : ''}</g>`
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="${Math.round(spreadX * pxPerMm)}" height="${Math.round(spreadY * pxPerMm)}" viewBox="${-spreadX / 2} ${-spreadY / 2} ${spreadX} ${spreadY}">
<defs>${grounds[ground]}</defs><rect x="${-spreadX}" y="${-spreadY}" width="${2 * spreadX}" height="${2 * spreadY}" fill="${wood}"/>${grain}
<g transform="translate(${middle[0]} ${middle[1]}) rotate(${upright ? 90 : 0}) rotate(${bell(1.5)})">
<rect x="${-alongMm / 2}" y="${-acrossMm / 2}" width="${alongMm}" height="${acrossMm}" fill="${cloth}"/>
${ground === 'plain' ? '' : `<rect x="${-alongMm / 2}" y="${-acrossMm / 2}" width="${alongMm}" height="${acrossMm}" fill="url(#w)"/>`}
<g transform="translate(${-seamMm / 2} 0)">${seam}</g></g>
${tag === 'none' ? '' : card}</svg>`
  return { svg, pxPerMm, upright, seamAt: [(middle[0] + spreadX / 2) * pxPerMm, (middle[1] + spreadY / 2) * pxPerMm] }
}

/** @param seed the same seed is the same photograph; @param options.without no tag lies beside it */
export async function drawnPhotograph(seed: number, { without = false } = {}): Promise<DrawnPhotograph> {
  const chances = chancesOf(seed)
  const { chance, from, pick } = chances
  const kind = pick(KINDS)
  const [top, bobbinHex] = pick(PAIRS)
  const unreadable = chance() < 1 / 6 ? pick(SPOILT) : undefined
  const bobbin = unreadable === 'colours' ? nearly(top) : bobbinHex
  const face = kind === 'loops' || kind === 'nest' ? 'under' : kind === 'line' ? 'top' : pick(['top', 'under'] as const)
  const [own, other] = face === 'top' ? [top, bobbin] : [bobbin, top]
  const suit = CLOTHS.filter((hex) => apart(hex, top) > 90 && apart(hex, bobbin) > 90)
  const [cloth, second, ground] = [pick(suit), pick(suit), pick(GROUNDS)]
  const zigzag = kind === 'zigzag'
  const sewing: Sewing = {
    seed,
    kind,
    own,
    other,
    threadMm: from(0.18, 0.48),
    stitchMm: zigzag ? from(1, 2.5) : from(1.5, 4.4),
    widthMm: zigzag ? from(2.2, 5) : 0,
    seamMm: from(42, 120),
    // Beside a black thread nobody tells a black hole from it.
    holes: pick(['none', 'dot', top === '#111111' ? 'dot' : 'dark'] as const),
    style: pick(STYLES),
    dots: pick(DOTS),
    loops: pick(LOOPS),
    unpicked: unreadable === 'seam',
  }
  const { drawing, lengths, skipped, share } = seamDrawn(sewing, chances)
  const tag = without ? 'none' : unreadable === 'tag' ? 'creased' : 'flat'
  const { svg, pxPerMm, upright, seamAt } = tableDrawn(drawing, sewing, { face, cloth, second, ground, tag }, chances)
  const flat = await sharp(Buffer.from(svg), { limitInputPixels: false })
    .flatten()
    .raw()
    .toBuffer({ resolveWithObject: true })
  const picture = seenAskew(
    {
      width: flat.info.width,
      height: flat.info.height,
      pixels: new Uint8ClampedArray(flat.data),
    },
    chances,
    unreadable !== 'light' ? undefined : seed % 2 === 0 ? 'dark' : { at: seamAt, px: (sewing.seamMm / 4) * pxPerMm },
  )
  const blurPx = unreadable === 'focus' ? from(0.45, 0.8) * pxPerMm : from(0.4, 1)
  const jpeg = await sharp(Buffer.from(picture.pixels), {
    raw: { width: picture.width, height: picture.height, channels: 3 },
  })
    .blur(blurPx)
    .jpeg({ quality: Math.round(from(78, 94)) })
    .toBuffer()
  const noisy = await sharp(jpeg).raw().toBuffer()
  const pixels = new Uint8ClampedArray(noisy.length)
  const grainBytes = from(1, 6)
  for (let index = 0; index < noisy.length; index += 1)
    pixels[index] = noisy[index]! + (chance() + chance() - 1) * grainBytes
  return {
    picture: { width: picture.width, height: picture.height, pixels },
    asked: { top, bobbin, face },
    truth: {
      look: kind === 'zigzag' ? (showsPoints(sewing) ? 'dots' : 'own') : kind,
      zigzag,
      ...(unreadable && { unreadable }),
      lengths,
      skipped,
      stitches: lengths.length,
      ...(zigzag && { widthMm: sewing.widthMm }),
      ...(!zigzag && share > 0 && { otherShare: share }),
      drawn: `${ground} ${cloth}, ${sewing.style} ${sewing.threadMm.toFixed(2)} mm, ${zigzag ? '' : kind === 'loops' ? sewing.loops + ', ' : kind === 'dots' ? sewing.dots + ', ' : ''}holes ${sewing.holes}, ${sewing.stitchMm.toFixed(1)} mm stitches, ${pxPerMm.toFixed(0)} px/mm${upright ? ', upright' : ''}, ${top} ${bobbin}`,
    },
  }
}

/** Nearly the same colour. */
const nearly = (hex: string) =>
  `#${bytesOf(hex)
    .map((value) =>
      Math.max(0, Math.min(255, value + 6))
        .toString(16)
        .padStart(2, '0'),
    )
    .join('')}`

/**
 * Four corners moved at will, light that falls off, and a colour of light.
 * @param spoilt by too little light, or by a lamp that shines so far around a place, pixels
 */
function seenAskew(
  flat: Picture,
  { bell, from }: Chance,
  spoilt: 'dark' | { readonly at: Point; readonly px: number } | undefined,
): Picture {
  const { width, height, pixels } = flat
  const turn = (bell(7) * Math.PI) / 180
  const [leanX, leanY] = [bell(0.07), bell(0.07)]
  const times = spoilt === 'dark' ? from(0.02, 0.05) : from(0.7, 1.02)
  const lamp = typeof spoilt === 'object' ? spoilt : undefined
  const light = [times * from(0.92, 1.05), times, times * from(0.85, 1.05)]
  const fall = [bell(0.12), bell(0.12)]
  const into = new Uint8ClampedArray(width * height * 3)
  const [cos, sin] = [Math.cos(turn), Math.sin(turn)]
  for (let row = 0; row < height; row += 1)
    for (let column = 0; column < width; column += 1) {
      // Nothing is made on the way but numbers: a photograph has millions of pixels.
      const u = (column / width - 0.5) * 1.04
      const v = (row / height - 0.5) * 1.04
      const over = 1 + leanX * u + leanY * v
      const px = (u / over) * width
      const py = (v / over) * height
      const sx = Math.max(0, Math.min(width - 2, px * cos - py * sin + width / 2))
      const sy = Math.max(0, Math.min(height - 2, px * sin + py * cos + height / 2))
      const left = Math.floor(sx)
      const above = Math.floor(sy)
      const right = sx - left
      const down = sy - above
      const falls = 1 + fall[0]! * u * 2 + fall[1]! * v * 2
      const shine = lamp ? 500 * Math.exp(-(((sx - lamp.at[0]) ** 2 + (sy - lamp.at[1]) ** 2) / lamp.px ** 2)) : 0
      const to = (row * width + column) * 3
      const at = (above * width + left) * 3
      for (let part = 0; part < 3; part += 1) {
        const upper = pixels[at + part]! * (1 - right) + pixels[at + part + 3]! * right
        const lower = pixels[at + part + width * 3]! * (1 - right) + pixels[at + part + width * 3 + 3]! * right
        into[to + part] = (upper * (1 - down) + lower * down) * falls * light[part]! + shine
      }
    }
  return { width, height, pixels: into }
}
