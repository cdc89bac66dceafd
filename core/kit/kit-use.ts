import { isTwin, POINTS } from '../knowledge/needle/needle'
import type { Kit } from './request'
import type { Sewn } from './project'
import { threadUse, type ThreadUseAnswer } from '../thread-use/thread-use'

/** One test swatch goes with every kit. */
const SWATCHES = 1

/**
 * The thread that a kit takes for what is sewn, its swatch in, and how many bobbins to wind.
 * @param stackMm the seam's layers, pressed together
 * @param bobbinVolumeMm3 of the machine's bobbins
 */
export const kitUse = (
  kit: Kit,
  sewn: Sewn,
  stackMm: number,
  bobbinVolumeMm3: number,
  beginners: boolean,
): ThreadUseAnswer =>
  threadUse({
    stitch: kit.stitch,
    stackMm,
    ...sewn,
    swatches: SWATCHES,
    top: kit.topThread,
    bobbin: kit.bobbinThread,
    bobbinVolumeMm3,
    twin: isTwin(POINTS[kit.needle.point]),
    beginners,
  })
