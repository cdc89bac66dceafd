import 'server-only'
import { kitRequestFor, seatRank, type Unsound } from '@/core/kit/for-room'
import { computeKit } from '@/core/kit/kit'
import { kitMachine } from '@/core/kit/kit-machine'
import type { KitVerdict } from '@/core/kit/request'
import { unsound } from '@/core/machine/standing'
import { seatsOf, type LiveRoom } from '@/core/session/live-room'
import { readMachines } from '@/store/machine/machines'
import { readProjects } from '@/store/project/projects'
import { swatchProps } from './seat'
import { kitRoomOf } from './kit-room'
import { booksOf } from './store'

/** Where somebody could sew on just now, and how well. */
export interface MoveTo {
  readonly machineId: string
  readonly name: string
  readonly verdict: KitVerdict
  /** absent: nothing is known to be wrong with it */
  readonly unsound?: Unsound
}

/** What whoever stands beside a learner does there without another page. */
export interface AtTheirSide {
  /** the person at whose seat it is */
  readonly projectId: string
  /** absent while the machine's dial is not known */
  readonly swatch?: Awaited<ReturnType<typeof swatchProps>>
  /** the best first */
  readonly moves: readonly MoveTo[]
}

/** Of the seat that somebody is going to; undefined while they are going to none. */
export async function readAtTheirSide(
  siteId: string,
  room: LiveRoom,
  personId: string,
  now: Date,
): Promise<AtTheirSide | undefined> {
  const seats = seatsOf(room)
  const seat = seats.find(({ call }) => call?.going?.personId === personId)
  if (!seat) return undefined
  const store = booksOf(siteId)
  const [machines, projects, kitRoom] = await Promise.all([
    readMachines(store, siteId),
    readProjects(store, siteId, { personId: seat.personId }),
    kitRoomOf(siteId),
  ])
  const project = projects.find(({ projectId }) => projectId === seat.projectId)
  const machine = machines.find(({ machineId }) => machineId === seat.machineId)
  if (!project || !machine) return undefined
  const taken = new Set(seats.map(({ machineId }) => machineId))
  const moves = machines.flatMap((each): MoveTo[] => {
    const asked = kitMachine(each.traits)
    const matter = unsound(each.state, now.toISOString())
    if (taken.has(each.machineId) || 'missing' in asked || matter === 'stopped') return []
    const [kit] = computeKit(kitRequestFor(project, asked.machine, kitRoom)).kits
    return kit
      ? [{ machineId: each.machineId, name: each.name, verdict: kit.verdict, ...(matter && { unsound: matter }) }]
      : []
  })
  const swatch = await swatchProps(siteId, machine, project)
  return {
    projectId: project.projectId,
    ...(swatch && { swatch }),
    // In the order of machines, those that do it well first, and of these the sound ones.
    moves: [...moves].sort((a, b) => seatRank({ state: a.verdict, ...a }) - seatRank({ state: b.verdict, ...b })),
  }
}
