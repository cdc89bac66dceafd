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

  stitch(at: number): SwatchAt {
    const moved = this.#kind.dead ? this.#stuck : PERFECT[this.target] + this.#slope * (at - this.#place)
    const seen = moved + this.#bell() * this.#kind.noise
    return { dial: at, top: topLook(seen), under: underLook(seen) }
  }

  #bell(): number {
    const [a, b] = [Math.max(this.#chance.next(), 1e-12), this.#chance.next()]
    return Math.sqrt(-2 * Math.log(a)) * Math.cos(2 * Math.PI * b)
  }
}
