import type { LessonMoment } from '../knowledge/tension/lesson'
import { threadDiameterMm } from '../units/thread'
import type { DrawnStitch } from './geometry'
import { sewLine, type StitchResult } from './lockstitch'

const DIAL = { min: 0, max: 9, normal: 4 }
const TEX = 27
const CLOTH = { stackMm: 0.52, massGsm: 130, dense: false }
/** How each stitch of the lesson is set. Lengths in mm. */
const SET = {
  straight: { lengthMm: 2.5, widthMm: 0 },
  zigzag: { lengthMm: 1.5, widthMm: 4 },
  twin: { lengthMm: 2.5, widthMm: 0, gapMm: 3 },
} as const

const diameter = (tex: number) => threadDiameterMm({ tex, fibre: 'polyester', finish: 'spun' })

/** How one moment of the lesson comes out of the stitch model. */
export function lessonStitch({ sewn }: LessonMoment): { readonly stitch: DrawnStitch; readonly result: StitchResult } {
  const { kind, turned = 0, fault = 'none', topTex = TEX, bobbinSpring = 1 } = sewn
  const threads = { topThreadMm: diameter(topTex), bobbinThreadMm: diameter(TEX) }
  const set = SET[kind]
  const result = sewLine({ dial: DIAL, at: DIAL.normal + turned, ...threads, ...CLOTH, ...set, bobbinSpring, fault })
  const { lockMm, s, skipped } = result
  return { stitch: { kind, ...set, ...threads, stackMm: CLOTH.stackMm, needleMm: 0.8, lockMm, s, skipped }, result }
}
