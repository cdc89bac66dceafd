import { pathToFileURL } from 'node:url'
import { v7 as uuid } from 'uuid'
import { meterText, type MeterRun } from '@/core/exchange/meter-line'

/**
 * A stand-in for a run meter clipped to a machine's motor: it counts motor seconds, stitches and starts, and sends each
 * stretch of sewing in its line protocol. What it could not send it keeps, and sends again under the same id.
 *
 *     npm run meter -- http://localhost:3600 KEY [seconds between stretches]
 */
export class RunMeter {
  readonly #address: string
  readonly #key: string
  readonly #chance: () => number
  #unsent: MeterRun[] = []

  /** @param chance 0 ≤ x < 1; decides how long a stretch is */
  constructor(address: string, key: string, chance: () => number = Math.random) {
    this.#address = new URL('/api/meter', address).href
    this.#key = key
    this.#chance = chance
  }

  /** How many stretches wait to be sent. */
  get waiting(): number {
    return this.#unsent.length
  }

  /** One stretch of sewing that ends at that moment. */
  sew(endedAt: Date): MeterRun {
    const motorSeconds = Math.round((5 + this.#chance() * 115) * 10) / 10
    const perSecond = 5 + this.#chance() * 3
    const run = {
      runId: uuid(),
      endedAt: endedAt.toISOString(),
      motorSeconds,
      stitches: Math.round(motorSeconds * perSecond),
      starts: 1 + Math.floor(this.#chance() * 9),
    }
    this.#unsent.push(run)
    return run
  }

  /**
   * Sends what waits. A server that is away loses nothing: it is sent with the next.
   * @throws when the server refuses the key or the lines, since sending again would not help
   */
  async send(): Promise<number> {
    const sending = [...this.#unsent]
    if (sending.length === 0) return 0
    let answer: Response
    try {
      answer = await fetch(this.#address, {
        method: 'POST',
        headers: { 'content-type': 'text/plain', authorization: `Bearer ${this.#key}` },
        body: meterText(sending),
      })
    } catch {
      return 0
    }
    if (answer.status >= 500) return 0
    if (!answer.ok) throw new Error(`The server refused the meter (${answer.status}): ${await answer.text()}`)
    this.#unsent = this.#unsent.filter((run) => !sending.includes(run))
    return sending.length
  }
}

/** Runs until it is stopped, a stretch every so many seconds. */
async function run([address, key, seconds = '20']: readonly string[]): Promise<void> {
  if (!address || !key || !(Number(seconds) > 0)) {
    console.error('Use:  npm run meter -- ADDRESS KEY [SECONDS]')
    process.exit(2)
  }
  const meter = new RunMeter(address, key)
  for (;;) {
    const { motorSeconds, stitches, starts } = meter.sew(new Date())
    const sent = await meter.send()
    const kept = meter.waiting > 0 ? `, ${meter.waiting} kept for later` : ''
    console.log(`${motorSeconds} s, ${stitches} stitches, ${starts} starts: ${sent} sent${kept}`)
    await new Promise((resolve) => setTimeout(resolve, Number(seconds) * 1000))
  }
}

if (process.argv[1] && import.meta.url === pathToFileURL(process.argv[1]).href) await run(process.argv.slice(2))
