import 'server-only'
import { cache } from 'react'
import { standingOf } from '@/core/machine/standing'
import { seatStep } from '@/core/session/seat-step'
import { readMachine } from '@/store/machine/machines'
import { readStopped } from '@/store/machine/stopped'
import { readProjects, seatOf } from '@/store/project/projects'
import { readPlannedSeats } from '@/store/session/planned-seats'
import { readSeatVersions } from '@/store/session/seat-version'
import { siteOf } from './site'
import { mustSee } from './actor'
import { seatTold } from './versions'
import { booksOf } from './store'

/** The learner's own seat: their project, its kit and its machine; nothing of anybody else. */
export const ownSeat = cache(async () => {
  const actor = await mustSee('see-station')
  const store = booksOf(actor.siteId)
  const now = new Date()
  // Before all else: what changes while the rest is read is drawn anew, and never missed.
  const [versions, stopped] = await Promise.all([
    readSeatVersions(store, actor.siteId, now, actor.personId),
    readStopped(store, actor.siteId, now),
  ])
  const [site, seat, planned] = await Promise.all([
    siteOf(actor.siteId),
    seatOf(store, actor.siteId, actor.personId),
    readPlannedSeats(store, actor.siteId, actor.personId, now),
  ])
  const project = seat ?? (await readProjects(store, actor.siteId, { personId: actor.personId }))[0]
  const machine = seat?.given && !seat.takenOverBy && (await readMachine(store, actor.siteId, seat.given.machineId))
  const turn = planned.find((place) => place.from <= now && place.projectId === project?.projectId)
  return {
    actor,
    site,
    project,
    planned,
    told: seatTold(versions, stopped, actor.personId),
    ...(seat?.takenOverBy && { takenOverBy: seat.takenOverBy }),
    ...(machine &&
      seat.given && {
        machine,
        standing: standingOf(machine.state, site.houseRules.needle, now.toISOString()),
        /** where they are on their way */
        at: seatStep(
          {
            projectId: seat.projectId,
            machineId: machine.machineId,
            from: (turn?.machineId === machine.machineId ? turn.from : seat.given.givenAt).toISOString(),
          },
          { machineId: seat.given.machineId, givenAt: seat.given.givenAt.toISOString() },
          machine.state,
        ),
        ...(turn?.machineId === machine.machineId && { until: turn.to }),
      }),
  }
})
