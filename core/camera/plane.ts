import { linearOf, type Picture } from '../picture/picture'

export interface Point {
  readonly x: number
  readonly y: number
}
/** Four corners in order: top left, top right, bottom right, bottom left. */
export type Corners = readonly [Point, Point, Point, Point]

/** Where a place on the table lies in a photograph: eight numbers of a projection, the ninth is one. */
export type Plane = readonly number[]

/** The outer edge of a tag's code, mm. */
export const TAG_MM = 20

/** The projection that takes the corners of a square of so many millimetres to four pixels. */
export function planeThrough(corners: Corners, sizeMm = TAG_MM): Plane {
  const from = [
    [0, 0],
    [sizeMm, 0],
    [sizeMm, sizeMm],
    [0, sizeMm],
  ] as const
  const rows = corners.flatMap(({ x, y }, index) => {
    const [u, v] = from[index]!
    return [
      [u, v, 1, 0, 0, 0, -u * x, -v * x, x],
      [0, 0, 0, u, v, 1, -u * y, -v * y, y],
    ]
  })
  return solved(rows)
}

/** Gauss, with the greatest pivot first. @param rows of n equations, each with its right side last */
function solved(rows: number[][]): number[] {
  const count = rows.length
  for (let column = 0; column < count; column += 1) {
    let best = column
    for (let row = column + 1; row < count; row += 1)
      if (Math.abs(rows[row]![column]!) > Math.abs(rows[best]![column]!)) best = row
    ;[rows[column], rows[best]] = [rows[best]!, rows[column]!]
    for (let row = 0; row < count; row += 1) {
      if (row === column) continue
      const times = rows[row]![column]! / rows[column]![column]!
      for (let each = column; each <= count; each += 1) rows[row]![each]! -= times * rows[column]![each]!
    }
  }
  return rows.map((row, index) => row[count]! / row[index]!)
}

export function toPixel(plane: Plane, u: number, v: number): Point {
  const over = plane[6]! * u + plane[7]! * v + 1
  return {
    x: (plane[0]! * u + plane[1]! * v + plane[2]!) / over,
    y: (plane[3]! * u + plane[4]! * v + plane[5]!) / over,
  }
}

/** The place on the table that a pixel shows, mm. */
export function toPlace(plane: Plane, x: number, y: number): Point {
  const [a, b, c, d, e, f, g, h] = plane as [number, number, number, number, number, number, number, number]
  const [p, q, r, s] = [a - g * x, b - h * x, d - g * y, e - h * y]
  const [m, n] = [x - c, y - f]
  const turned = p * s - q * r
  return { x: (m * s - q * n) / turned, y: (p * n - m * r) / turned }
}

/** Pixels to a millimetre, in the mean of both directions, at a place on the table. */
export function pxPerMmAt(plane: Plane, u: number, v: number): number {
  const [middle, right, down] = [toPixel(plane, u, v), toPixel(plane, u + 1, v), toPixel(plane, u, v + 1)]
  return Math.sqrt(Math.abs((right.x - middle.x) * (down.y - middle.y) - (right.y - middle.y) * (down.x - middle.x)))
}

const lightAt = ({ width, height, pixels }: Picture, x: number, y: number): number => {
  const [column, row] = [
    Math.max(0, Math.min(width - 2, Math.floor(x))),
    Math.max(0, Math.min(height - 2, Math.floor(y))),
  ]
  const [across, down] = [Math.max(0, Math.min(1, x - column)), Math.max(0, Math.min(1, y - row))]
  const at = (index: number) => pixels[index]! + 2 * pixels[index + 1]! + pixels[index + 2]!
  const index = (row * width + column) * 3
  const below = index + width * 3
  return (
    (at(index) * (1 - across) + at(index + 3) * across) * (1 - down) +
    (at(below) * (1 - across) + at(below + 3) * across) * down
  )
}

/** The modules of a code as they lie, row by row: whether each is dark. */
export interface Modules {
  readonly count: number
  readonly dark: readonly boolean[]
}

/** An edge between a light and a dark module, in modules: where, and whether one goes from dark to light across it. */
interface Edge {
  readonly u: number
  readonly v: number
  /** whether the two lie beside each other, and not one above the other */
  readonly beside: boolean
}

function edgesOf({ count, dark }: Modules): Edge[] {
  const edges: Edge[] = []
  for (let row = 0; row < count; row += 1)
    for (let column = 0; column < count; column += 1) {
      const here = dark[row * count + column]!
      if (column + 1 < count && here !== dark[row * count + column + 1])
        edges.push({ u: column + 1, v: row + 0.5, beside: true })
      if (row + 1 < count && here !== dark[(row + 1) * count + column])
        edges.push({ u: column + 0.5, v: row + 1, beside: false })
    }
  return edges
}

/** The part of a photograph around a code, as light alone. */
interface Grey {
  readonly left: number
  readonly top: number
  readonly width: number
  readonly height: number
  readonly light: Float32Array
}

function greyAround({ width, height, pixels }: Picture, corners: Corners): Grey {
  const [xs, ys] = [corners.map(({ x }) => x), corners.map(({ y }) => y)]
  const side = (Math.max(...xs) - Math.min(...xs)) * 0.1 + 4
  const left = Math.max(0, Math.floor(Math.min(...xs) - side))
  const top = Math.max(0, Math.floor(Math.min(...ys) - side))
  const wide = Math.max(2, Math.min(width, Math.ceil(Math.max(...xs) + side)) - left)
  const high = Math.max(2, Math.min(height, Math.ceil(Math.max(...ys) + side)) - top)
  const light = new Float32Array(wide * high)
  for (let row = 0; row < high; row += 1)
    for (let column = 0; column < wide; column += 1) {
      const index = ((row + top) * width + column + left) * 3
      light[row * wide + column] = pixels[index]! + 2 * pixels[index + 1]! + pixels[index + 2]!
    }
  return { left, top, width: wide, height: high, light }
}

function greyAt({ left, top, width, height, light }: Grey, x: number, y: number): number {
  const [u, v] = [Math.max(0, Math.min(width - 1.001, x - left)), Math.max(0, Math.min(height - 1.001, y - top))]
  const [column, row] = [Math.floor(u), Math.floor(v)]
  const [across, down] = [u - column, v - row]
  const index = row * width + column
  return (
    (light[index]! * (1 - across) + light[index + 1]! * across) * (1 - down) +
    (light[index + width]! * (1 - across) + light[index + width + 1]! * across) * down
  )
}

/** What of a code is dark, as far as one can see. */
export function modulesOf(picture: Picture, plane: Plane, count: number): Modules {
  const size = TAG_MM / count
  const lights: number[] = []
  for (let row = 0; row < count; row += 1)
    for (let column = 0; column < count; column += 1) {
      const { x, y } = toPixel(plane, (column + 0.5) * size, (row + 0.5) * size)
      lights.push(lightAt(picture, x, y))
    }
  const sorted = [...lights].sort((a, b) => a - b)
  const middle = (sorted[Math.floor(lights.length * 0.1)]! + sorted[Math.floor(lights.length * 0.9)]!) / 2
  return { count, dark: lights.map((light) => light < middle) }
}

/** An edge is looked for so far to each side of where it should be, in modules. */
const REACH = 0.45
const STEPS = 18

/** How far from where it should be an edge lies, in modules; undefined where there is none to be seen. */
function edgeAt(grey: Grey, plane: Plane, { u, v, beside }: Edge, size: number): number | undefined {
  const lights = Array.from({ length: STEPS + 1 }, (_, step) => {
    const off = (step / STEPS - 0.5) * 2 * REACH
    const { x, y } = toPixel(plane, (u + (beside ? off : 0)) * size, (v + (beside ? 0 : off)) * size)
    return greyAt(grey, x, y)
  })
  const [before, after] = [
    (lights[0]! + lights[1]! + lights[2]!) / 3,
    (lights[STEPS]! + lights[STEPS - 1]! + lights[STEPS - 2]!) / 3,
  ]
  const middle = (before + after) / 2
  // Too little from light to dark is no edge.
  if (Math.abs(after - before) < 60) return undefined
  let nearest: number | undefined
  for (let step = 0; step < STEPS; step += 1) {
    const [one, next] = [lights[step]! - middle, lights[step + 1]! - middle]
    if (one * next > 0 || one === next) continue
    const off = ((step + one / (one - next)) / STEPS - 0.5) * 2 * REACH
    if (nearest === undefined || Math.abs(off) < Math.abs(nearest)) nearest = off
  }
  return nearest
}

/**
 * The corners of a code, as near as the edges of its own modules tell: hundreds of them, each found to a part of a pixel, and the
 * projection that fits them best. A finder says corners to a pixel or two, which at the other end of a swatch is a millimetre.
 */
export function refined(picture: Picture, found: Corners, count: number): Corners {
  const edges = edgesOf(modulesOf(picture, planeThrough(found), count))
  const grey = greyAround(picture, found)
  const size = TAG_MM / count
  let corners = found
  for (let again = 0; again < 4; again += 1) {
    const plane = planeThrough(corners)
    const seen = edges.flatMap((edge) => {
      const off = edgeAt(grey, plane, edge, size)
      return off === undefined ? [] : [{ edge, off }]
    })
    if (seen.length < 40) return corners
    const usual = [...seen].map(({ off }) => Math.abs(off)).sort((a, b) => a - b)[Math.floor(seen.length / 2)]!
    const rows = Array.from({ length: 8 }, () => new Array<number>(9).fill(0))
    for (const { edge, off } of seen) {
      if (Math.abs(off) > 3 * usual + 0.05) continue
      const [u, v] = [edge.u / count, edge.v / count]
      const here = toPixel(plane, edge.u * size, edge.v * size)
      const there = toPixel(plane, (edge.u + (edge.beside ? off : 0)) * size, (edge.v + (edge.beside ? 0 : off)) * size)
      const ahead = toPixel(plane, (edge.u + (edge.beside ? 1 : 0)) * size, (edge.v + (edge.beside ? 0 : 1)) * size)
      const long = Math.hypot(ahead.x - here.x, ahead.y - here.y)
      // Only across the edge does it say where it is.
      const [nx, ny] = [(ahead.x - here.x) / long, (ahead.y - here.y) / long]
      const miss = nx * (there.x - here.x) + ny * (there.y - here.y)
      // What moving each corner would do there: a corner moves what is near it.
      const near = [(1 - u) * (1 - v), u * (1 - v), u * v, (1 - u) * v]
      const row = near.flatMap((part) => [part * nx, part * ny])
      for (let a = 0; a < 8; a += 1) {
        for (let b = 0; b < 8; b += 1) rows[a]![b]! += row[a]! * row[b]!
        rows[a]![8]! += row[a]! * miss
      }
    }
    const moves = solved(rows)
    corners = corners.map(({ x, y }, index) => ({
      x: x + moves[index * 2]!,
      y: y + moves[index * 2 + 1]!,
    })) as unknown as Corners
    if (moves.every((move) => Math.abs(move) < 0.003)) break
  }
  return corners
}

/** What a tag says of the light: its paper and its ink, linear, and how soft its edges are. */
export interface TagLight {
  readonly paper: readonly [number, number, number]
  readonly ink: readonly [number, number, number]
  /** half width of the edge between ink and paper, mm: the standard deviation of the blur */
  readonly blurMm: number
}

export function tagLight(picture: Picture, plane: Plane, { count, dark }: Modules): TagLight {
  const size = TAG_MM / count
  const sums = { paper: [0, 0, 0, 0], ink: [0, 0, 0, 0] }
  const { width, height, pixels } = picture
  for (let row = 0; row < count; row += 1)
    for (let column = 0; column < count; column += 1) {
      const { x, y } = toPixel(plane, (column + 0.5) * size, (row + 0.5) * size)
      const [px, py] = [Math.round(x), Math.round(y)]
      if (px < 0 || py < 0 || px >= width || py >= height) continue
      const sum = dark[row * count + column] ? sums.ink : sums.paper
      for (let part = 0; part < 3; part += 1) sum[part]! += linearOf(pixels[(py * width + px) * 3 + part]!)
      sum[3]! += 1
    }
  const mean = (sum: number[]) => [0, 1, 2].map((part) => sum[part]! / Math.max(1, sum[3]!)) as [number, number, number]
  const [paper, ink] = [mean(sums.paper), mean(sums.ink)]
  // Across every edge between a light and a dark module: the variance of the slope is that of the blur.
  const slope = new Float64Array(41)
  for (let row = 0; row < count; row += 1)
    for (let column = 0; column + 1 < count; column += 1) {
      const [left, right] = [dark[row * count + column]!, dark[row * count + column + 1]!]
      if (left === right) continue
      const at = (part: number) => {
        const { x, y } = toPixel(plane, (column + 1 + part) * size, (row + 0.5) * size)
        return lightAt(picture, x, y)
      }
      for (let step = 0; step < 41; step += 1)
        slope[step]! += (at((step - 20 + 0.5) / 40) - at((step - 20 - 0.5) / 40)) * (left ? 1 : -1)
    }
  let [weight, first, second] = [0, 0, 0]
  for (let step = 0; step < 41; step += 1) {
    const each = Math.max(0, slope[step]!)
    const place = ((step - 20) / 40) * size
    weight += each
    first += each * place
    second += each * place * place
  }
  const variance = weight === 0 ? size * size : second / weight - (first / weight) ** 2
  return { paper, ink, blurMm: Math.sqrt(Math.max(0, variance)) }
}
