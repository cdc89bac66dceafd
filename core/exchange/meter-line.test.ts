import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { Invalid } from '../schema/invalid'
import { meterText, readMeterText, type MeterRun } from './meter-line'

const anyRun: fc.Arbitrary<MeterRun> = fc.record({
  runId: fc.uuid({ version: 7 }),
  endedAt: fc
    .date({ min: new Date('2000-01-01'), max: new Date('2090-01-01'), noInvalidDate: true })
    .map((moment) => moment.toISOString()),
  motorSeconds: fc.oneof(
    fc.integer({ min: 0, max: 86_400 }),
    fc.double({ min: 0, max: 86_400, noNaN: true }).map((seconds) => Math.abs(seconds)),
  ),
  stitches: fc.nat(10_000_000),
  starts: fc.nat(10_000_000),
})
const run: MeterRun = {
  runId: '019a0000-0000-7000-8000-000000000001',
  endedAt: '2026-03-05T18:30:00.000Z',
  motorSeconds: 92.5,
  stitches: 1200,
  starts: 14,
}
const faultOf = (text: string) => {
  try {
    readMeterText(text)
  } catch (error) {
    if (error instanceof Invalid) return error.fault
    throw error
  }
  throw new Error('it was let through')
}
const line = (change: Partial<Record<keyof MeterRun, string | number>>) =>
  meterText([run, { ...run, ...(change as Partial<MeterRun>) }])

describe('what a run meter sends', () => {
  it('is written as the protocol says', () => {
    expect(meterText([run])).toBe(
      'METER 1\nRUN 019a0000-0000-7000-8000-000000000001 2026-03-05T18:30:00.000Z motor=92.5 stitches=1200 starts=14\n',
    )
    expect(meterText([])).toBe('METER 1\n')
  })

  it('is read back as it was sent, whatever ends its lines and however many of them are blank', () =>
    fc.assert(
      fc.property(
        fc.array(anyRun, { maxLength: 8 }),
        fc.constantFrom('\n', '\r\n', '\n\n', '\r\n \r\n'),
        (runs, end) => {
          expect(readMeterText(meterText(runs).replaceAll('\n', end))).toEqual(runs)
        },
      ),
    ))

  it.each([
    ['nothing', '', '1', '"METER 1"'],
    ['another protocol', 'METER 2\n', '1', '"METER 1"'],
    ['a run before its heading', `${meterText([run]).split('\n')[1]!}\n`, '1', '"METER 1"'],
    ['a line cut short', `${meterText([run])}RUN 019a0000`, '3', 'must read "RUN id time'],
    ['fields in another order', 'METER 1\nRUN a b stitches=1 motor=1 starts=1', '2', 'must read'],
    ['an id that is none', line({ runId: 'one' }), '3.runId', 'uuid'],
    ['a moment that is none', line({ endedAt: 'tonight' }), '3.endedAt', 'date-time'],
    ['a leap second', line({ endedAt: '2016-12-31T23:59:60Z' }), '3.endedAt', 'date-time'],
    ['more seconds than a day has', line({ motorSeconds: 86_401 }), '3.motorSeconds', 'at most 86400'],
    ['less than nothing', line({ motorSeconds: -1 }), '3.motorSeconds', 'at least 0'],
    ['half a stitch', line({ stitches: 1.5 }), '3.stitches', 'whole number'],
    ['words for a number', line({ starts: 'many' }), '3.starts', 'whole number'],
  ])('that is %s is refused with its line and what is allowed, and no line of it counts', (_, text, path, allowed) => {
    const fault = faultOf(text)
    expect(fault.path).toBe(path)
    expect(fault.message).toContain(allowed)
  })

  it('may be anything a broken cable makes of it, and is read or refused', () =>
    fc.assert(
      fc.property(
        fc.array(anyRun, { minLength: 1, maxLength: 3 }),
        fc.nat(),
        fc.string({ maxLength: 4 }),
        (runs, at, noise) => {
          const whole = meterText(runs)
          const cut = at % whole.length
          try {
            for (const each of readMeterText(whole.slice(0, cut) + noise + whole.slice(cut)))
              expect(Number.isFinite(each.motorSeconds)).toBe(true)
          } catch (error) {
            expect(error).toBeInstanceOf(Invalid)
            expect((error as Invalid).fault.path).toMatch(/^\d+/)
          }
        },
      ),
      { numRuns: 500 },
    ))
})
