import { v7 } from 'uuid'

/** A seeded source of chance and ids: the same seed tells the same story. */
export class Chance {
  #state: number
  #count = 0

  constructor(seed: number) {
    this.#state = seed >>> 0
  }

  /** 0 ≤ x < 1 (mulberry32) */
  next(): number {
    this.#state = (this.#state + 0x6d2b79f5) >>> 0
    let t = this.#state
    t = Math.imul(t ^ (t >>> 15), t | 1)
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61)
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296
  }

  between(low: number, high: number): number {
    return Math.round(low + this.next() * (high - low))
  }

  pick<Thing>(things: readonly Thing[]): Thing {
    return things[Math.floor(this.next() * things.length)]!
  }

  /** A UUID v7 of that moment. */
  id(at: Date): string {
    const random = Uint8Array.from({ length: 16 }, () => Math.floor(this.next() * 256))
    return v7({ msecs: at.getTime(), seq: this.#count++, random })
  }
}
