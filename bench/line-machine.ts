import { underLook, topLook } from '@/core/stitch/lockstitch'
import type { SwatchAt } from '@/core/tension/next-step'
import { dialUnit, type Dial } from '@/core/units/dial'
import type { Chance } from '@/practice/random'

/** What a row of the study varies. Lengths and slopes in numbers of an ordinary 0–9 dial. */
export interface Kind {
  readonly name: string
  readonly dial: Dial
  /** change of the score with one number; spread as a factor each way */
  readonly slope: number
  readonly slopeSpread: number
  /** how far the right place lies from the kit's start */
  readonly placeSpread: number
  /** error of eye and hand */
  readonly noise: number
  readonly target: 'straight' | 'zigzag' | 'embroidery'
  readonly dead?: true
}

/** The score that a perfect seam of this stitch has. */
const PERFECT = { straight: 0, zigzag: -0.75, embroidery: -1.4 } as const

/** Beyond these no reader accepts a seam. */
const TOO_LOOSE = { straight: -0.5, zigzag: -2, embroidery: -2 } as const
const TOO_TIGHT = { straight: 0.5, zigzag: 0.5, embroidery: -0.5 } as const

/** How far two seams sewn alike differ, and how far a camera errs about one; an eye’s error is what is left of a kind’s noise. */
const HAND = 0.15
const CAMERA = 0.25

/** A straight line with an eye that errs: what a dial does to a score, and nothing else. Its balance lies on its scale. */
export class LineMachine {
  readonly dial: Dial
  readonly start: number
  readonly target: Kind['target']
  readonly #chance: Chance
  readonly #kind: Kind
  readonly #slope: number
  readonly #place: number
  readonly #stuck: number

  constructor(chance: Chance, kind: Kind) {
    const { dial } = kind
    this.#chance = chance
    this.#kind = kind
    this.dial = dial
    this.start = dial.normal
    this.target = kind.target
    this.#slope = (kind.slope * Math.exp(this.#bell() * kind.slopeSpread)) / dialUnit(dial)
    const place = this.start + this.#bell() * kind.placeSpread * dialUnit(dial)
    this.#place = Math.min(dial.max, Math.max(dial.min, place))
    // Plainly on one side of what the stitch accepts.
    const more = 0.3 + chance.next() * 2
    this.#stuck = chance.next() < 0.5 ? TOO_LOOSE[kind.target] - more : TOO_TIGHT[kind.target] + more
  }

  /** How good each seam is, before anybody looks at it. */
  #sewn(at: number): number {
    const moved = this.#kind.dead ? this.#stuck : PERFECT[this.target] + this.#slope * (at - this.#place)
    return moved + this.#bell() * HAND
  }

  stitch(at: number): SwatchAt {
    const eye = Math.sqrt(Math.max(0, this.#kind.noise ** 2 - HAND ** 2))
    const seen = this.#sewn(at) + this.#bell() * eye
    return { dial: at, top: topLook(seen), under: underLook(seen) }
  }

  /** The same seam as a camera measures it, with an error of its own that it says. */
  photograph(at: number): SwatchAt {
    const seen = Math.max(-3, Math.min(3, this.#sewn(at) + this.#bell() * CAMERA))
    const [top, under] = [topLook(seen), underLook(seen)]
    return {
      dial: at,
      top,
      under,
      camera: {
        top: { look: top, score: Math.max(0, seen), spread: CAMERA },
        under: { look: under, score: Math.min(0, seen), spread: CAMERA },
      },
    }
  }

  #bell(): number {
    const [a, b] = [Math.max(this.#chance.next(), 1e-12), this.#chance.next()]
    return Math.sqrt(-2 * Math.log(a)) * Math.cos(2 * Math.PI * b)
  }
}
