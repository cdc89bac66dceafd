import { LOCKSTITCH } from '@/core/knowledge/stitch/lockstitch'
import { sewLine, topLook, underLook, type LockstitchNumbers } from '@/core/stitch/lockstitch'
import type { SwatchAt } from '@/core/tension/next-step'
import type { Dial } from '@/core/units/dial'
import type { Chance } from '@/practice/random'

/** What is wrong with a simulated machine beside its dial. */
export const HIDDEN = ['nothing', 'out-of-discs', 'worn-needle', 'tight-eye', 'discs-stuck'] as const
export type Hidden = (typeof HIDDEN)[number]

/**
 * A machine made by chance: its dial's scale and slope, its bobbin spring, its thread, its cloth, and an eye that errs. It is
 * the stitch model with noise; the adviser knows none of these numbers, only the dial, the stack and what it is shown.
 */
export class SimulatedMachine {
  readonly dial: Dial
  readonly start: number
  readonly stackMm: number
  readonly #chance: Chance
  readonly #numbers: LockstitchNumbers
  readonly #spring: number
  readonly #threadMm: number
  readonly #eye: number
  readonly #hidden: Hidden
  /** what the faces score when the dial moves nothing */
  readonly #stuckScore: number

  constructor(chance: Chance, hidden: Hidden = 'nothing') {
    const spread = (by: number) => Math.exp(this.#normal() * by)
    this.#chance = chance
    this.#hidden = hidden
    const max = chance.pick([9, 9, 9, 10, 5])
    const step = max === 5 ? 0.25 : chance.pick([0.5, 0.25])
    this.dial = { min: 0, max, normal: Math.round((max * chance.pick([4, 4.5, 5])) / 9 / step) * step, step }
    const unit = max / 9
    this.start = Math.round((this.dial.normal - chance.pick([0, 0, 0.5, 1]) * unit) / step) * step
    this.stackMm = 0.25 * Math.exp(chance.next() * 1.8)
    this.#threadMm = chance.pick([0.16, 0.2, 0.24, 0.3])
    this.#numbers = { ...LOCKSTITCH, perNumber: 0.35 * spread(0.3), riseMm: 0.6 * spread(0.25) }
    this.#eye = 0.1 + chance.next() * 0.25
    const right = this.start + (chance.next() * 4 - 2) * unit
    this.#spring = Math.exp((this.#numbers.perNumber * (right - this.dial.normal)) / unit)
    this.#stuckScore = (chance.next() < 0.5 ? -1 : 1) * (1 + chance.next() * 2)
  }

  /** The swatch as a person reads it. */
  stitch(at: number): SwatchAt {
    const { s, look } = sewLine(
      {
        dial: this.dial,
        at,
        topThreadMm: this.#threadMm,
        bobbinThreadMm: this.#threadMm,
        bobbinSpring: this.#spring,
        stackMm: this.stackMm,
        massGsm: 180,
        dense: false,
        lengthMm: 2.5,
        widthMm: 0,
        fault: this.#hidden === 'discs-stuck' || this.#hidden === 'nothing' ? 'none' : this.#hidden,
      },
      this.#numbers,
    )
    const seen = (this.#hidden === 'discs-stuck' ? this.#stuckScore : s) + this.#normal() * this.#eye
    const nest = look.under === 'nest'
    const signs = look.signs.filter((sign) => sign === 'skipped' || sign === 'shredding')
    return { dial: at, top: nest ? 'own' : topLook(seen), under: nest ? 'nest' : underLook(seen), signs }
  }

  /** A draw from the bell curve, by Box and Muller. */
  #normal(): number {
    const [a, b] = [Math.max(this.#chance.next(), 1e-12), this.#chance.next()]
    return Math.sqrt(-2 * Math.log(a)) * Math.cos(2 * Math.PI * b)
  }
}
