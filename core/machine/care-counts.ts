import { motorMinutesOf } from '../wear/wear'
import type { Happening } from './event'
import type { CareCounts } from './state'

/** Days are kept no further back than any interval can ask for. */
const MOST_DAYS = 400
const withDay = (days: readonly string[], day: string): readonly string[] =>
  days.includes(day) ? days : [...days, day].sort().slice(-MOST_DAYS)

/** What one line does to the counts from which care is judged. */
export function careAfter(care: CareCounts, happenedAt: string, happened: Happening): CareCounts {
  const day = happenedAt.slice(0, 10)
  const known: CareCounts = care.firstAt ? care : { ...care, firstAt: happenedAt }
  switch (happened.kind) {
    case 'used':
      return {
        ...known,
        daysSinceClean: withDay(known.daysSinceClean, day),
        daysSinceOil: withDay(known.daysSinceOil, day),
        daysSinceRoomCheck: withDay(known.daysSinceRoomCheck, day),
        usedSinceRoomCheckAt: known.usedSinceRoomCheckAt ?? happenedAt,
        motorMinutesSinceService: known.motorMinutesSinceService + motorMinutesOf(happened.body.use),
        linty: known.linty || (happened.body.linty ?? false),
      }
    case 'bobbin-wound':
      return {
        ...known,
        bobbinsSinceClean: known.bobbinsSinceClean + happened.body.count,
        bobbinsSinceOil: known.bobbinsSinceOil + happened.body.count,
      }
    case 'cleaned':
      return { ...known, bobbinsSinceClean: 0, daysSinceClean: [], linty: false }
    case 'oiled': {
      const { where = 'race' } = happened.body
      return {
        ...known,
        ...(where !== 'arm' && { bobbinsSinceOil: 0, daysSinceOil: [] }),
        ...(where !== 'race' && { armOiledAt: happenedAt }),
      }
    }
    case 'check-run':
      return happened.body.list === 'room' ? roomChecked(known, happenedAt) : known
    case 'serviced':
      return { ...known, motorMinutesSinceService: 0, servicedAt: happenedAt }
    case 'electrical-test': {
      const { passed, nextDue } = happened.body
      return { ...known, electricalTest: { at: happenedAt, passed, ...(nextDue && { nextDue }) } }
    }
    default:
      return known
  }
}

function roomChecked({ usedSinceRoomCheckAt: _, ...counts }: CareCounts, roomCheckAt: string): CareCounts {
  return { ...counts, daysSinceRoomCheck: [], roomCheckAt }
}
