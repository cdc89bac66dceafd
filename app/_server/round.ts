import 'server-only'
import type { Load } from '@/core/knowledge/needle/wear'
import { loadOf } from '@/core/wear/wear'
import { SKILL_WORDS, type Skill } from '@/core/people/skill'
import { passedAll } from '@/core/trainer/exercises'
import { seatsOf, type LiveRoom } from '@/core/session/live-room'
import type { RoundFacts } from '@/core/session/round'
import type { Traits } from '@/core/knowledge/machine/trait'
import { readVisits } from '@/store/calls/calls'
import { readTraits } from '@/store/machine/machines'
import { readProgress } from '@/store/people/progress'
import { readGivenBefore } from '@/store/project/given-before'
import { readProjects } from '@/store/project/projects'
import { booksOf } from './store'

/** What a round is reckoned from and what its card offers, beside what the room tells by itself. */
export interface SeatFacts extends RoundFacts {
  readonly oiling?: Traits['oiling']
  /** what they could be signed off for on such a machine */
  readonly maySign?: {
    readonly skill: Skill
    readonly machineKind: NonNullable<Traits['drive']>
    readonly words: string
  }
  /** how hard their cloth and thread are on a needle */
  readonly load: Load
}

/** How far back a visit is looked for. */
const VISITED_MS = 60 * 60_000

/** By project id. */
export async function readRoundFacts(siteId: string, room: LiveRoom, now: Date): Promise<Record<string, SeatFacts>> {
  const store = booksOf(siteId)
  const seats = seatsOf(room)
  if (seats.length === 0) return {}
  const [projects, progress, before, visits, traits] = await Promise.all([
    readProjects(store, siteId, { hanging: true }),
    readProgress(store, siteId),
    readGivenBefore(store, siteId),
    readVisits(store, siteId, new Date(now.getTime() - VISITED_MS)),
    readTraits(
      store,
      siteId,
      seats.map(({ machineId }) => machineId),
      ['drive', 'oiling'],
    ),
  ])
  return Object.fromEntries(
    seats.map(({ projectId, personId, machineId }): [string, SeatFacts] => {
      const project = projects.find((each) => each.projectId === projectId)
      const kit = project?.given?.kit
      const own = progress.get(personId)
      const { drive, oiling } = traits.get(machineId) ?? {}
      const trained = passedAll(own?.exercises ?? {})
      const signed = own?.signOffs.some((each) => each.skill === 'tension' && each.machineKind === drive)
      const ready = drive !== undefined && trained && !signed
      const price = kit?.reasons.find((reason) => reason.price)
      const visitedAt = visits.get(personId)
      return [
        projectId,
        {
          firstHere: (before.get(`${personId} ${machineId}`) ?? 0) <= 1,
          load: project && kit ? loadOf(project.fabric, kit.topThread) : 'ordinary',
          ...(price
            ? { hard: price.because }
            : kit?.verdict === 'marginal' && { hard: 'this machine only just does it' }),
          ...(ready && {
            signOff: SKILL_WORDS.tension,
            maySign: { skill: 'tension' as const, machineKind: drive, words: SKILL_WORDS.tension },
          }),
          ...(visitedAt && { visitedAt: visitedAt.toISOString() }),
          ...(oiling && { oiling }),
        },
      ]
    }),
  )
}
