import { colourOf, type Colour } from '@/core/picture/picture'
import type { ClothLook } from '@/core/picture/cloth'
import { chanceOf } from '@/core/picture/noise'
import type { SewnSeam } from '@/core/picture/sewn-face'
import type { CameraScene } from './camera'

/** What is true of a photograph by what was sewn, or why it cannot be read. */
export interface SceneTruth {
  readonly look: 'own' | 'dots' | 'line' | 'loops' | 'nest'
  readonly zigzag: boolean
  readonly unreadable?: 'focus' | 'light' | 'colours' | 'tag' | 'seam'
}

/** Pairs that anybody tells apart: the thread of the top, that of the bobbin. */
const PAIRS = [
  ['#23406e', '#e07a1f'],
  ['#1d3b34', '#d8b21f'],
  ['#7a1f2b', '#9fc4d8'],
  ['#2a2a2e', '#e8e2d4'],
  ['#5b2a86', '#e6c84f'],
  ['#0f6e8c', '#e8703a'],
] as const
const CLOTHS = ['#d9d2c3', '#8f9a86', '#b9a58a', '#cfd6da', '#6f7b8a', '#e4d9cf', '#a8b7a0'] as const
const LOOKS: readonly ClothLook[] = ['plain', 'plain', 'twill', 'canvas', 'satin', 'knit', 'felt', 'suede', 'leather']
const KINDS = ['own', 'own', 'dots', 'dots', 'line', 'loops', 'nest', 'zigzag'] as const
const SPOILT = ['focus', 'light', 'colours', 'tag', 'seam'] as const

/** Unlike enough on a screen: the distance of their bytes. */
function farFrom(one: string, other: string): boolean {
  const bytes = (hex: string) => [1, 3, 5].map((at) => Number.parseInt(hex.slice(at, at + 2), 16))
  const [a, b] = [bytes(one), bytes(other)]
  return Math.hypot(...a.map((value, index) => value - b[index]!)) > 90
}

/** A scene by its seed: one in six cannot be read. @returns the scene, the two threads and the face for the reader, and the truth */
export function sceneOf(seed: number): {
  readonly scene: CameraScene
  readonly asked: { readonly top: string; readonly bobbin: string }
  readonly face: 'top' | 'under'
  readonly truth: SceneTruth
} {
  const chance = chanceOf(seed * 31 + 5)
  const pick = <Value>(list: readonly Value[]): Value => list[Math.floor(chance() * list.length)]!
  const from = (low: number, high: number) => low + chance() * (high - low)
  const kind = pick(KINDS)
  const [top, bobbin] = pick(PAIRS)
  const face = kind === 'loops' || kind === 'nest' ? 'under' : kind === 'line' ? 'top' : pick(['top', 'under'] as const)
  const unreadable = chance() < 1 / 6 ? pick(SPOILT) : undefined
  const zigzag = kind === 'zigzag'
  const threadMm = from(0.2, 0.42)
  const stitchMm = zigzag ? from(1, 2.6) : from(1.8, 3.6)
  const length = from(45, 110)
  const seam: SewnSeam = {
    from: 6,
    to: 6 + length,
    middle: 17,
    stitchMm,
    widthMm: zigzag ? from(2.2, 5) : 0,
    uneven: from(0.01, 0.05),
    wobbleMm: from(0, 0.3),
    ownMm: threadMm,
    otherMm: threadMm * from(0.9, 1.1),
    otherShare: kind === 'dots' ? from(0.14, 0.36) : kind === 'line' ? from(0.6, 0.85) : 0,
    loopMm: kind === 'loops' || kind === 'nest' ? from(1.2, 2.2) : 0,
    nestMm: kind === 'nest' ? from(7, 14) : 0,
    skipped: !zigzag && kind !== 'nest' && chance() < 0.35 ? from(0.03, 0.12) : 0,
    slack: from(0, 0.12),
    frayed: chance() < 0.1,
  }
  // Threads are chosen to be seen on the cloth.
  const cloths = CLOTHS.filter((hex) => farFrom(hex, top) && farFrom(hex, bobbin))
  const base = colourOf(pick(cloths))
  const stripes = chance()
  const second = colourOf(pick(cloths))
  const pitch = from(3, 9)
  const pattern =
    stripes < 0.2
      ? (x: number, y: number): Colour => (Math.floor((x * 0.9 + y * 0.3) / pitch) % 2 === 0 ? base : second)
      : stripes < 0.35
        ? (x: number, y: number): Colour =>
            Math.hypot((x % pitch) - pitch / 2, (y % pitch) - pitch / 2) < pitch / 3 ? second : base
        : undefined
  const alike: readonly [string, string] = [top, top.replace(/.$/, (last) => (last === '0' ? '8' : '0'))]
  const [topHex, bobbinHex] = unreadable === 'colours' ? alike : [top, bobbin]
  const [own, other] = face === 'top' ? [topHex, bobbinHex] : [bobbinHex, topHex]
  const warm = from(0.82, 1.05)
  // Too little light, or a lamp that shines on the seam.
  const shines = unreadable === 'light' && seed % 2 === 1
  const bright = unreadable === 'light' && !shines ? from(0.008, 0.02) : from(0.55, 1)
  return {
    face,
    asked: { top: topHex, bobbin: bobbinHex },
    truth: {
      look: kind === 'zigzag' ? 'own' : kind,
      zigzag,
      ...(unreadable && { unreadable }),
    },
    scene: {
      seed,
      seam: unreadable === 'seam' ? { ...seam, to: seam.from - 1, nestMm: 0, frayed: false } : seam,
      cloth: { look: pick(LOOKS), colour: base, perCm: from(11, 26), ...(pattern && { pattern }) },
      own: { hex: own, lustre: chance() },
      other: { hex: other, lustre: chance() },
      widthMm: length + 14,
      heightMm: 34,
      tag: `https://room.example/s/${seed}/${face}`,
      creased: unreadable === 'tag',
      pxPerMm: from(12, 24),
      tilt: from(0, 12),
      turn: from(-15, 15),
      blurMm: unreadable === 'focus' ? from(0.45, 0.8) : from(0.01, 0.06),
      noise: from(0.005, 0.03),
      shadow: chance() < 0.4 ? from(0.2, 0.5) : 0,
      light: [bright * warm, bright, (bright * 2) / (1 + warm) / 1.02],
      glare: shines ? 0.5 : 0,
      pucker: chance() < 0.2 ? from(0.3, 1) : 0,
    },
  }
}
