import * as Type from 'typebox'
import type { Static } from 'typebox'
import { Invalid } from '../schema/invalid'
import { check } from '../schema/validate'
import { strict } from '../schema/shape'

const Whole = Type.Integer({ minimum: 0, maximum: 10_000_000 })

/** One stretch of sewing as a run meter counted it. */
export const MeterRunSchema = strict({
  /** made by the meter, UUID v7: the same stretch sent again lands once */
  runId: Type.String({ format: 'uuid' }),
  endedAt: Type.String({ format: 'date-time' }),
  motorSeconds: Type.Number({ minimum: 0, maximum: 86_400 }),
  stitches: Whole,
  starts: Whole,
})
export type MeterRun = Static<typeof MeterRunSchema>

const FIRST = 'METER 1'
const LINE = /^RUN (\S+) (\S+) motor=(\S+) stitches=(\S+) starts=(\S+)$/

/** The lines that a meter sends: `METER 1`, then a `RUN` line for each stretch. */
export const meterText = (runs: readonly MeterRun[]): string =>
  [
    FIRST,
    ...runs.map(
      ({ runId, endedAt, motorSeconds, stitches, starts }) =>
        `RUN ${runId} ${endedAt} motor=${motorSeconds} stitches=${stitches} starts=${starts}`,
    ),
    '',
  ].join('\n')

/**
 * Reads what a meter sent. Blank lines are passed over.
 * @throws Invalid naming the line, counted from 1, and what is allowed there; then no line counts
 */
export function readMeterText(text: string): MeterRun[] {
  const lines = text.split(/\r?\n/)
  if (lines[0]?.trim() !== FIRST) throw new Invalid('invalid', `The first line must be "${FIRST}"`, '1')
  return lines.slice(1).flatMap((raw, index) => {
    if (raw.trim() === '') return []
    const at = String(index + 2)
    const found = LINE.exec(raw.trim())
    if (!found) {
      throw new Invalid('invalid', `Line ${at} must read "RUN id time motor=seconds stitches=count starts=count"`, at)
    }
    const [, runId, endedAt, motor, stitches, starts] = found
    try {
      return [
        check(MeterRunSchema, {
          runId,
          endedAt,
          motorSeconds: Number(motor),
          stitches: Number(stitches),
          starts: Number(starts),
        }),
      ]
    } catch (error) {
      if (error instanceof Invalid) throw new Invalid(error.code, `Line ${at}: ${error.message}`, `${at}.${error.path}`)
      throw error
    }
  })
}
