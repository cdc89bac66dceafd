import type { Dial } from '../units/dial'
import type { LengthMarks } from '../units/length-marks'
import { Invalid } from './invalid'

/** What JSON Schema cannot say of a dial. @throws Invalid */
export function checkDial(dial: Dial, path: string): void {
  if (dial.max <= dial.min) throw new Invalid('invalid', `"${path}.max" must be above min, ${dial.min}`, `${path}.max`)
  if (dial.step > dial.max - dial.min)
    throw new Invalid('invalid', `"${path}.step" must be at most ${dial.max - dial.min}`, `${path}.step`)
  checkWithin(dial.normal, dial, `${path}.normal`)
  for (const [stitch, shown] of Object.entries(dial.byStitch ?? {}))
    checkWithin(shown, dial, `${path}.byStitch.${stitch}`)
}

function checkWithin(value: number, { min, max }: Dial, path: string): void {
  if (value < min || value > max) throw new Invalid('invalid', `"${path}" must be between ${min} and ${max}`, path)
}

/** @throws Invalid when `max` is below `min` */
export function checkSpan(span: { readonly min: number; readonly max: number }, path: string): void {
  if (span.max < span.min)
    throw new Invalid('invalid', `"${path}.max" must be at least min, ${span.min}`, `${path}.max`)
}

/** @throws Invalid when the marks do not climb, or make the same length at both ends */
export function checkLengthMarks(marks: LengthMarks, path: string): void {
  if (marks.highest <= marks.lowest)
    throw new Invalid('invalid', `"${path}.highest" must be above lowest, ${marks.lowest}`, `${path}.highest`)
  if (marks.mmAtHighest === marks.mmAtLowest)
    throw new Invalid('invalid', `"${path}.mmAtHighest" must differ from mmAtLowest`, `${path}.mmAtHighest`)
}
