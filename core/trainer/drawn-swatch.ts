import type { DrawnStitch } from '../stitch/geometry'
import { sewLine, type StitchSetup } from '../stitch/lockstitch'

/** How thick both threads of a swatch are drawn: a stout one, since it has to be seen across a table. */
const DRAWN_THREAD_MM = 0.28
const NEEDLE_MM = 0.8

/** A swatch of the stitch model as its picture needs it. */
export function drawnSwatch(setup: StitchSetup): {
  readonly stitch: DrawnStitch
  readonly nest: boolean
  readonly pucker: number
  readonly frayed: boolean
} {
  const { lockMm, s, skipped, nest, pucker, look } = sewLine(setup)
  const { lengthMm, stackMm } = setup
  return {
    stitch: {
      kind: 'straight',
      lengthMm,
      widthMm: 0,
      topThreadMm: DRAWN_THREAD_MM,
      bobbinThreadMm: DRAWN_THREAD_MM,
      stackMm,
      needleMm: NEEDLE_MM,
      lockMm,
      s,
      skipped,
    },
    nest,
    pucker: Math.max(pucker.byTension, pucker.byCrowding),
    frayed: look.signs.includes('shredding'),
  }
}
