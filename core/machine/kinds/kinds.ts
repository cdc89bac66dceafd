import { baselineSet } from './baseline-set'
import { bobbinScrewTurned } from './bobbin-screw-turned'
import { bobbinWound } from './bobbin-wound'
import { checkRun } from './check-run'
import { cleaned } from './cleaned'
import { electricalTest } from './electrical-test'
import { faultCured } from './fault-cured'
import { faultOpened } from './fault-opened'
import { faultRun } from './fault-run'
import { foundOff } from './found-off'
import { laidOut } from './laid-out'
import { needleBroke } from './needle-broke'
import { needleChanged } from './needle-changed'
import { noted } from './noted'
import { oiled } from './oiled'
import { piecesFound } from './pieces-found'
import { putAway } from './put-away'
import { redacted } from './redacted'
import { redTagLifted } from './red-tag-lifted'
import { redTagged } from './red-tagged'
import { released } from './released'
import { restored } from './restored'
import { serviced } from './serviced'
import { setUp } from './set-up'
import { somebodyHurt } from './somebody-hurt'
import { swatchStitched } from './swatch-stitched'
import { takenOut } from './taken-out'
import { traitLearnt } from './trait-learnt'
import { traitPutAway } from './trait-put-away'
import { turnEnded } from './turn-ended'
import { used } from './used'

/** Every kind of line in a machine's book but the correction. A new one is a file beside this and a row here. */
export const KINDS = {
  'needle-changed': needleChanged,
  'needle-broke': needleBroke,
  'pieces-found': piecesFound,
  'set-up': setUp,
  'check-run': checkRun,
  'swatch-stitched': swatchStitched,
  used,
  'turn-ended': turnEnded,
  'bobbin-wound': bobbinWound,
  'laid-out': laidOut,
  cleaned,
  oiled,
  'baseline-set': baselineSet,
  'found-off': foundOff,
  restored,
  'trait-learnt': traitLearnt,
  'trait-put-away': traitPutAway,
  'fault-opened': faultOpened,
  'fault-cured': faultCured,
  'fault-run': faultRun,
  'bobbin-screw-turned': bobbinScrewTurned,
  serviced,
  'electrical-test': electricalTest,
  released,
  'red-tagged': redTagged,
  'red-tag-lifted': redTagLifted,
  'somebody-hurt': somebodyHurt,
  'put-away': putAway,
  'taken-out': takenOut,
  redacted,
  noted,
} as const
