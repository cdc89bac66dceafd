import { isTwin, type PointKnowledge } from '../knowledge/needle/needle'
import type { Kit } from './request'

/**
 * Whether the one small hole of a straight-stitch plate or foot would be struck: by a needle that swings or stands aside, by a
 * twin, by the wings of a wing needle.
 * @param maxWidthMm of the machine's zigzag; 0: its needle moves to no side at all
 */
export const needsWideOpening = (
  stitch: Pick<Kit['stitch'], 'iso' | 'aside'> | undefined,
  point: Pick<PointKnowledge, 'gaps' | 'holeWanted'> | undefined,
  maxWidthMm?: number,
): boolean =>
  (stitch !== undefined && (stitch.iso !== '301' || (stitch.aside === true && maxWidthMm !== 0))) ||
  (point !== undefined && (isTwin(point) || point.holeWanted === true))
