import { sql, type Kysely, type Transaction } from 'kysely'
import { v7 as uuid } from 'uuid'
import { eventBody, eventWords, type EventKind, type Happening } from '@/core/machine/event'
import { check } from '@/core/schema/validate'
import { spaced, capital } from '@/core/units/words'
import type { Actor } from '../actor'
import type { Database } from '../database'

type Reader = Kysely<Database> | Transaction<Database>

/** One write, as it is read afterwards. */
export interface Deed {
  readonly commandId: string
  readonly at: Date
  readonly personId: string
  readonly who: string
  readonly words: string
  /** what it was about, where that has a name and a page */
  readonly about?: { readonly name: string; readonly href?: string }
}

/** What was written in a venue, the newest first. @param which of one person only, and before a moment */
export async function readDeeds(
  store: Reader,
  siteId: string,
  which: { readonly limit: number; readonly personId?: string; readonly before?: Date },
): Promise<Deed[]> {
  const rows = await store
    .selectFrom('command')
    .innerJoin('person', (join) =>
      join.onRef('person.site_id', '=', 'command.site_id').onRef('person.person_id', '=', 'command.person_id'),
    )
    .leftJoin('machine_event as line', (join) =>
      join.onRef('line.site_id', '=', 'command.site_id').onRef('line.event_id', '=', 'command.command_id'),
    )
    .leftJoin('machine', (join) =>
      join.onRef('machine.site_id', '=', 'command.site_id').onRef('machine.machine_id', '=', 'command.about'),
    )
    .leftJoin('project', (join) =>
      join.onRef('project.site_id', '=', 'command.site_id').onRef('project.project_id', '=', 'command.about'),
    )
    .leftJoin('course', (join) =>
      join.onRef('course.site_id', '=', 'command.site_id').onRef('course.course_id', '=', 'command.about'),
    )
    .leftJoin('person as other', (join) =>
      join.onRef('other.site_id', '=', 'command.site_id').onRef('other.person_id', '=', 'command.about'),
    )
    .select([
      'command.command_id',
      'command.name',
      'command.recorded_at',
      'command.person_id',
      'command.about',
      'person.name as who',
      'line.kind',
      'line.body',
      'machine.name as machine',
      'project.name as project',
      'course.name as course',
      'other.name as other',
    ])
    .select(
      sql<boolean>`exists (select 1 from session s where s.site_id = command.site_id and s.session_id = command.about)`.as(
        'session',
      ),
    )
    .where('command.site_id', '=', siteId)
    .$if(which.personId !== undefined, (query) => query.where('command.person_id', '=', which.personId!))
    .$if(which.before !== undefined, (query) => query.where('command.recorded_at', '<', which.before!))
    .orderBy('command.recorded_at', 'desc')
    .orderBy('command.command_id')
    .limit(which.limit)
    .execute()
  return rows.map((row): Deed => {
    const about =
      row.machine !== null
        ? { name: row.machine, href: `/machines/${row.about}` }
        : row.project !== null
          ? { name: row.project, href: `/kits/${row.about}` }
          : row.course !== null
            ? { name: row.course }
            : row.other !== null
              ? { name: row.other }
              : row.session
                ? { name: 'a session', href: `/sessions/${row.about}` }
                : undefined
    return {
      commandId: row.command_id,
      at: row.recorded_at,
      personId: row.person_id,
      who: row.who,
      words: row.kind === null ? inPeoplesWords(row.name) : titleOf(row.kind as EventKind, row.body),
      ...(about && { about }),
    }
  })
}

/** What somebody did that is no command of the wire stands among what was done, too. @param name as a command would be called */
export async function tellDeed(store: Reader, actor: Actor, name: string): Promise<void> {
  await store
    .insertInto('command')
    .values({
      site_id: actor.siteId,
      command_id: uuid(),
      name,
      body_digest: '',
      person_id: actor.personId,
      about: null,
    })
    .execute()
}

/** A write by the name it has on the wire, in the words of the interface. */
const inPeoplesWords = (name: string): string =>
  capital(spaced(name).replace('course', 'class').replace('project', 'bag'))

const titleOf = (kind: EventKind, body: unknown): string =>
  kind === 'correction' ? 'Correction' : eventWords({ kind, body: check(eventBody(kind), body) } as Happening).title
