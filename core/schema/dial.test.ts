import { describe, expect, it } from 'vitest'
import { checkDial, checkLengthMarks, checkSpan } from './dial'
import { Invalid } from './invalid'

const faultOf = (work: () => void) => {
  try {
    work()
  } catch (error) {
    if (error instanceof Invalid) return error.fault
    throw error
  }
  return undefined
}
const dial = { min: 0, max: 9, normal: 4, step: 0.5 }

describe('a dial that is typed in', () => {
  it('passes when its marks can be turned to', () => {
    expect(faultOf(() => checkDial(dial, 'dial'))).toBeUndefined()
    expect(faultOf(() => checkDial({ ...dial, min: -3, normal: -3 }, 'dial'))).toBeUndefined()
    expect(faultOf(() => checkDial({ ...dial, byStitch: { zigzag: 3 } }, 'dial'))).toBeUndefined()
  })

  it.each([
    [{ max: 0 }, 'dial.max', 'above min, 0'],
    [{ max: -1 }, 'dial.max', 'above min, 0'],
    [{ normal: 9.5 }, 'dial.normal', 'between 0 and 9'],
    [{ normal: -0.5 }, 'dial.normal', 'between 0 and 9'],
    [{ step: 10 }, 'dial.step', 'at most 9'],
    [{ byStitch: { zigzag: 12 } }, 'dial.byStitch.zigzag', 'between 0 and 9'],
  ])('with %o is refused at %s, with what is allowed', (change, path, allowed) => {
    const fault = faultOf(() => checkDial({ ...dial, ...change }, 'dial'))
    expect(fault).toMatchObject({ path })
    expect(fault!.message).toContain(allowed)
  })

  it('of lengths climbs, and makes another length at each end; it may run backwards in millimetres', () => {
    const marks = { lowest: 1, highest: 5, step: 0.5, mmAtLowest: 0.5, mmAtHighest: 4 }
    expect(faultOf(() => checkLengthMarks(marks, 'marks'))).toBeUndefined()
    expect(faultOf(() => checkLengthMarks({ ...marks, mmAtLowest: 4, mmAtHighest: 0.5 }, 'marks'))).toBeUndefined()
    expect(faultOf(() => checkLengthMarks({ ...marks, highest: 1 }, 'marks'))).toMatchObject({ path: 'marks.highest' })
    expect(faultOf(() => checkLengthMarks({ ...marks, mmAtHighest: 0.5 }, 'marks'))).toMatchObject({
      path: 'marks.mmAtHighest',
    })
  })

  it('that is a span ends where it begins or above', () => {
    expect(faultOf(() => checkSpan({ min: 60, max: 60 }, 'needleNm'))).toBeUndefined()
    expect(faultOf(() => checkSpan({ min: 60, max: 59 }, 'needleNm'))).toMatchObject({ path: 'needleNm.max' })
  })
})
