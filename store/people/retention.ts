import { sql, type Kysely, type Transaction } from 'kysely'
import { whoGoes, type Learner } from '@/core/people/retention'
import { dayIn } from '@/core/units/day'
import type { Database } from '../database'
import { readSite } from '../site/site'
import { erasePerson } from './erase'

type Reader = Kysely<Database> | Transaction<Database>

/**
 * Every learner of a venue with the last day on which they had to do with it. In force is who may still come: in an open class
 * with a session to come, unless they are put away there; and whoever is or was staff goes by no clock at all.
 */
export async function readRetention(store: Reader, siteId: string, timeZone: string, now: Date): Promise<Learner[]> {
  const { rows } = await sql<{ person_id: string; course: string; last_at: Date; in_force: boolean }>`
    select p.person_id,
      (array_agg(c.name order by coalesce(s.last_at, c.closed_at, '-infinity') desc, c.name))[1] as course,
      greatest(
        max(s.last_at),
        max(c.closed_at),
        max(e.put_away_at),
        (select max(k.given_at) from kit_given k
           join project j on j.site_id = k.site_id and j.project_id = k.project_id
           join enrolment o on o.site_id = j.site_id and o.enrolment_id = j.enrolment_id
           where k.site_id = p.site_id and o.person_id = p.person_id),
        (select max(j.written_at) from project j
           join enrolment o on o.site_id = j.site_id and o.enrolment_id = j.enrolment_id
           where j.site_id = p.site_id and o.person_id = p.person_id),
        (select max(v.happened_at) from person_event v where v.site_id = p.site_id and v.person_id = p.person_id)
      ) as last_at,
      bool_or(c.closed_at is null and e.put_away_at is null and coalesce(s.coming, false))
        or exists (select 1 from membership m
          where m.site_id = p.site_id and m.person_id = p.person_id and m.role <> 'learner') as in_force
    from person p
      join enrolment e on e.site_id = p.site_id and e.person_id = p.person_id
      join course c on c.site_id = e.site_id and c.course_id = e.course_id
      left join lateral (
        select max(ends_at) filter (where ends_at <= ${now}) as last_at, bool_or(ends_at > ${now}) as coming
        from session where session.site_id = c.site_id and session.course_id = c.course_id
          and called_off is null and put_away_at is null
      ) s on true
    where p.site_id = ${siteId} and p.erased_at is null
    group by p.site_id, p.person_id
    order by p.person_id`.execute(store)
  return rows.map((row) => ({
    personId: row.person_id,
    course: row.course,
    lastDay: dayIn(row.last_at, timeZone),
    inForce: row.in_force,
  }))
}

/**
 * Erases everywhere the learners whose time is over, as each venue has said.
 * @returns how many
 * @throws what stood in the way at the first venue where something did, after all the others
 */
export async function eraseWhoseTimeIsOver(store: Kysely<Database>, now: Date): Promise<number> {
  let erased = 0
  // What stands in the way at one venue holds up none of the others.
  const failed: unknown[] = []
  for (const { site_id: siteId } of await store.selectFrom('site').select('site_id').execute()) {
    try {
      const { settings, timeZone } = await readSite(store, siteId)
      const months = settings.learnersAfterMonths
      if (months === undefined) continue
      const today = dayIn(now, timeZone)
      for (const { personId } of whoGoes(await readRetention(store, siteId, timeZone, now), months, today)) {
        await store.transaction().execute((tx) => erasePerson(tx, siteId, personId, now))
        erased += 1
      }
    } catch (error) {
      failed.push(error)
    }
  }
  if (failed.length > 0) throw failed[0]
  return erased
}
