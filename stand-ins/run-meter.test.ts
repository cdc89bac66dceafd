import { createServer, type Server } from 'node:http'
import { afterEach, describe, expect, it } from 'vitest'
import fc from 'fast-check'
import { meterText, readMeterText, type MeterRun } from '@/core/exchange/meter-line'
import { RunMeter } from './run-meter'

let server: Server | undefined
afterEach(() => new Promise<void>((done) => (server ? server.close(() => done()) : done())))

/** A room's server that answers as told and remembers what it was sent. */
async function room(answers: number[]): Promise<{ address: string; sent: { key: string; runs: MeterRun[] }[] }> {
  const sent: { key: string; runs: MeterRun[] }[] = []
  server = createServer((request, answer) => {
    let text = ''
    request.on('data', (chunk: Buffer) => (text += chunk.toString()))
    request.on('end', () => {
      sent.push({ key: request.headers.authorization ?? '', runs: readMeterText(text) })
      answer.writeHead(answers.shift() ?? 200).end('{}')
    })
  })
  await new Promise<void>((listening) => server!.listen(0, '127.0.0.1', listening))
  const address = server.address()
  if (typeof address !== 'object' || !address) throw new Error('no address')
  return { address: `http://127.0.0.1:${address.port}`, sent }
}

describe('a run meter', () => {
  it('sends each stretch once, and keeps what did not arrive under the same id', async () => {
    const { address, sent } = await room([500, 200])
    const meter = new RunMeter(address, 'the-key', () => 0.5)
    const first = meter.sew(new Date('2026-01-01T18:00:00Z'))
    expect(await meter.send()).toBe(0)
    expect(meter.waiting).toBe(1)
    const second = meter.sew(new Date('2026-01-01T18:05:00Z'))
    expect(await meter.send()).toBe(2)
    expect(await meter.send()).toBe(0)
    expect(sent.map(({ runs }) => runs)).toEqual([[first], [first, second]])
    expect(sent[0]!.key).toBe('Bearer the-key')
    expect(first).toMatchObject({ motorSeconds: 62.5, stitches: 406, starts: 5 })
  })

  it('loses nothing when nobody answers, and says so when it is refused', async () => {
    const gone = new RunMeter('http://127.0.0.1:1', 'k')
    gone.sew(new Date())
    expect(await gone.send()).toBe(0)
    expect(gone.waiting).toBe(1)
    const { address } = await room([401])
    const refused = new RunMeter(address, 'wrong')
    refused.sew(new Date())
    await expect(refused.send()).rejects.toThrow('401')
  })
})

describe('its lines', () => {
  const anyRun: fc.Arbitrary<MeterRun> = fc.record({
    runId: fc.uuid({ version: 7 }),
    endedAt: fc.integer({ min: 0, max: 4e12 }).map((at) => new Date(at).toISOString()),
    motorSeconds: fc.integer({ min: 0, max: 864_000 }).map((tenths) => tenths / 10),
    stitches: fc.nat(10_000_000),
    starts: fc.nat(10_000),
  })
  it('come out as they went in', () => {
    fc.assert(
      fc.property(fc.array(anyRun), (runs) => {
        expect(readMeterText(meterText(runs))).toEqual(runs)
      }),
    )
  })

  it.each([
    ['', '1', 'METER 1'],
    ['METER 1\nhello', '2', 'must read "RUN'],
    ['METER 1\n\nRUN x 2026-01-01T00:00:00Z motor=1 stitches=1 starts=1', '3.runId', 'Line 3'],
    [
      'METER 1\nRUN 01939c8e-0000-7000-8000-000000000000 2026-01-01T00:00:00Z motor=-1 stitches=1 starts=1',
      '2.motorSeconds',
      'Line 2',
    ],
    [
      'METER 1\nRUN 01939c8e-0000-7000-8000-000000000000 2026-01-01T00:00:00Z motor=1 stitches=many starts=1',
      '2.stitches',
      'Line 2',
    ],
  ])('that are wrong are refused by line: %j', (text, path, message) => {
    expect(() => readMeterText(text)).toThrow(message)
    try {
      readMeterText(text)
    } catch (error) {
      expect((error as { path: string }).path).toBe(path)
    }
  })
})
