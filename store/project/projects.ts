import { sql, type Kysely, type SqlBool, type Transaction } from 'kysely'
import type { Kit } from '@/core/kit/request'
import { KitSchema } from '@/core/kit/kit-schema'
import { ProjectSchema, type ProjectFacts } from '@/core/kit/project'
import type { ClassSettings } from '@/core/room/class-settings'
import { ClassSettingsSchema } from '@/core/room/class-settings-schema'
import { check } from '@/core/schema/validate'
import type { Database } from '../database'
import { STANDS_HERE } from '../machine/stands-here'

type Reader = Kysely<Database> | Transaction<Database>

export interface KitGiven {
  readonly kitGivenId: string
  readonly machineId: string
  readonly kit: Kit
  readonly givenAt: Date
  readonly givenBy: string
  /** the order in which the database took it */
  readonly landed: number
}

export interface Project extends ProjectFacts {
  readonly projectId: string
  readonly enrolmentId: string
  readonly personId: string
  readonly learner: string
  readonly courseId: string
  readonly course: string
  /** what its class does in its own way */
  readonly ofClass: ClassSettings
  /** it is put away by itself, or with whoever makes it */
  readonly putAway?: 'bag' | 'learner'
  readonly putAwayAt?: Date
  /** the last kit given for it; its machine is the learner's seat, unless that machine is put away */
  readonly given?: KitGiven
}

/** Projects with who makes them and the last kit given, those that are put away only where asked for by id; by learner's name. */
export async function readProjects(
  store: Reader,
  siteId: string,
  only: {
    readonly projectId?: string
    readonly personId?: string
    readonly machineId?: string
    readonly courseId?: string
    /** bags that hang on the rack: those of classes that are not closed */
    readonly hanging?: true
    /** those that are put away instead */
    readonly putAway?: true
  } = {},
): Promise<Project[]> {
  const rows = await store
    .selectFrom('project')
    .innerJoin('enrolment', (join) =>
      join
        .onRef('enrolment.site_id', '=', 'project.site_id')
        .onRef('enrolment.enrolment_id', '=', 'project.enrolment_id'),
    )
    .innerJoin('person', (join) =>
      join.onRef('person.site_id', '=', 'enrolment.site_id').onRef('person.person_id', '=', 'enrolment.person_id'),
    )
    .innerJoin('course', (join) =>
      join.onRef('course.site_id', '=', 'enrolment.site_id').onRef('course.course_id', '=', 'enrolment.course_id'),
    )
    .leftJoinLateral(
      (lateral) =>
        lateral
          .selectFrom('kit_given')
          .innerJoin('machine_state', (join) =>
            join
              .onRef('machine_state.site_id', '=', 'kit_given.site_id')
              .onRef('machine_state.machine_id', '=', 'kit_given.machine_id'),
          )
          .select(['kit_given_id', 'kit_given.machine_id', 'kit', 'given_at', 'given_by', 'landed'])
          .select(STANDS_HERE.as('here'))
          .whereRef('kit_given.site_id', '=', 'project.site_id')
          .whereRef('kit_given.project_id', '=', 'project.project_id')
          .where('kit_given.taken_back_at', 'is', null)
          .orderBy('landed', 'desc')
          .limit(1)
          .as('given'),
      (join) => join.onTrue(),
    )
    .select([
      'project.project_id',
      'project.name as project_name',
      'fabric',
      'layers',
      'operation',
      'sewn',
      'enrolment.enrolment_id',
      'person.person_id',
      'person.name as learner',
      'course.course_id',
      'course.name as course_name',
      'course.settings as course_settings',
      'given.kit_given_id',
      'given.machine_id',
      'given.kit',
      'given.given_at',
      'given.given_by',
      'given.landed',
      'given.here',
      sql<Date | null>`coalesce(project.put_away_at, enrolment.put_away_at)`.as('put_away_at'),
      sql<boolean>`project.put_away_at is not null`.as('alone'),
    ])
    .where('project.site_id', '=', siteId)
    .$if(only.projectId !== undefined, (query) => query.where('project.project_id', '=', only.projectId!))
    .$if(only.personId !== undefined, (query) => query.where('person.person_id', '=', only.personId!))
    .$if(only.machineId !== undefined, (query) => query.where('given.machine_id', '=', only.machineId!))
    .$if(only.courseId !== undefined, (query) => query.where('course.course_id', '=', only.courseId!))
    .$if(only.projectId === undefined, (query) =>
      query.where(
        only.putAway
          ? sql<SqlBool>`(project.put_away_at is not null or enrolment.put_away_at is not null)`
          : sql<SqlBool>`(project.put_away_at is null and enrolment.put_away_at is null)`,
      ),
    )
    .$if(only.hanging === true, (query) => query.where('course.closed_at', 'is', null))
    .orderBy(sql`lower(person.name)`)
    .orderBy('project.project_id')
    .execute()
  return rows.map((row) => ({
    ...check(ProjectSchema, {
      name: row.project_name,
      fabric: row.fabric,
      layers: row.layers,
      operation: row.operation,
      ...(row.sewn !== null && { sewn: row.sewn }),
    }),
    projectId: row.project_id,
    enrolmentId: row.enrolment_id,
    personId: row.person_id,
    learner: row.learner,
    courseId: row.course_id,
    course: row.course_name,
    ofClass: check(ClassSettingsSchema, row.course_settings),
    ...(row.put_away_at && {
      putAway: row.alone ? ('bag' as const) : ('learner' as const),
      putAwayAt: row.put_away_at,
    }),
    ...(row.kit_given_id &&
      row.machine_id &&
      row.given_at &&
      row.given_by &&
      row.here && {
        given: {
          kitGivenId: row.kit_given_id,
          machineId: row.machine_id,
          kit: check(KitSchema, row.kit),
          givenAt: row.given_at,
          givenBy: row.given_by,
          landed: row.landed!,
        },
      }),
  }))
}

export const readProject = async (store: Reader, siteId: string, projectId: string): Promise<Project | undefined> =>
  (await readProjects(store, siteId, { projectId }))[0]

/** Every kit given for a project, newest first. */
export async function readGiven(store: Reader, siteId: string, projectId: string): Promise<KitGiven[]> {
  const rows = await store
    .selectFrom('kit_given')
    .select(['kit_given_id', 'machine_id', 'kit', 'given_at', 'given_by', 'landed'])
    .where('site_id', '=', siteId)
    .where('project_id', '=', projectId)
    .where('taken_back_at', 'is', null)
    .orderBy('landed', 'desc')
    .limit(50)
    .execute()
  return rows.map((row) => ({
    kitGivenId: row.kit_given_id,
    machineId: row.machine_id,
    kit: check(KitSchema, row.kit),
    givenAt: row.given_at,
    givenBy: row.given_by,
    landed: row.landed,
  }))
}

/** The kit that was sewn at a machine before the one given there last; undefined when there was none. */
export async function readKitBefore(store: Reader, siteId: string, machineId: string): Promise<Kit | undefined> {
  const [, before] = await store
    .selectFrom('kit_given')
    .select('kit')
    .where('site_id', '=', siteId)
    .where('machine_id', '=', machineId)
    .where('taken_back_at', 'is', null)
    .orderBy('landed', 'desc')
    .limit(2)
    .execute()
  return before && check(KitSchema, before.kit)
}

/** The project whose kit was given last: whose turn it is. Undefined when none has a kit. */
export const lastGiven = (projects: readonly Project[]): Project | undefined =>
  projects.filter(({ given }) => given).sort((a, b) => b.given!.landed - a.given!.landed)[0]

export interface Seat extends Project {
  /** somebody else was given the machine since: this turn is over */
  readonly takenOverBy?: string
}

/** Where a learner sits: at the machine of the last kit given for any of their projects, until somebody else is given it. */
export async function seatOf(store: Reader, siteId: string, personId: string): Promise<Seat | undefined> {
  const seat = lastGiven(await readProjects(store, siteId, { personId }))
  if (!seat?.given) return undefined
  const after = await store
    .selectFrom('kit_given')
    .innerJoin('project', (join) =>
      join.onRef('project.site_id', '=', 'kit_given.site_id').onRef('project.project_id', '=', 'kit_given.project_id'),
    )
    .innerJoin('enrolment', (join) =>
      join
        .onRef('enrolment.site_id', '=', 'project.site_id')
        .onRef('enrolment.enrolment_id', '=', 'project.enrolment_id'),
    )
    .innerJoin('person', (join) =>
      join.onRef('person.site_id', '=', 'enrolment.site_id').onRef('person.person_id', '=', 'enrolment.person_id'),
    )
    .select('person.name')
    .where('kit_given.site_id', '=', siteId)
    .where('kit_given.machine_id', '=', seat.given.machineId)
    .where('landed', '>', seat.given.landed)
    .where('taken_back_at', 'is', null)
    .where('person.person_id', '<>', personId)
    .orderBy('landed', 'desc')
    .limit(1)
    .executeTakeFirst()
  return after ? { ...seat, takenOverBy: after.name } : seat
}

/** Classes that are open, by name. */
export async function readCourses(store: Reader, siteId: string) {
  const rows = await store
    .selectFrom('course')
    .select(['course_id', 'name', 'class_code', 'settings'])
    .where('site_id', '=', siteId)
    .where('closed_at', 'is', null)
    .orderBy('name')
    .execute()
  return rows.map(({ settings, ...row }) => ({ ...row, settings: check(ClassSettingsSchema, settings) }))
}

/** Who sits where: the learner of the last kit given for each machine, by machine id. */
export async function readSitters(store: Reader, siteId: string): Promise<ReadonlyMap<string, string>> {
  const rows = await store
    .selectFrom('project')
    .innerJoin('enrolment', (join) =>
      join
        .onRef('enrolment.site_id', '=', 'project.site_id')
        .onRef('enrolment.enrolment_id', '=', 'project.enrolment_id'),
    )
    .innerJoin('person', (join) =>
      join.onRef('person.site_id', '=', 'enrolment.site_id').onRef('person.person_id', '=', 'enrolment.person_id'),
    )
    .innerJoinLateral(
      (lateral) =>
        lateral
          .selectFrom('kit_given')
          .select(['machine_id', 'landed'])
          .whereRef('kit_given.site_id', '=', 'project.site_id')
          .whereRef('kit_given.project_id', '=', 'project.project_id')
          .where('kit_given.taken_back_at', 'is', null)
          .orderBy('landed', 'desc')
          .limit(1)
          .as('given'),
      (join) => join.onTrue(),
    )
    .select(['given.machine_id', 'person.name'])
    .where('project.site_id', '=', siteId)
    .where('project.put_away_at', 'is', null)
    .where('enrolment.put_away_at', 'is', null)
    .orderBy('given.landed')
    .execute()
  return new Map(rows.map((row) => [row.machine_id, row.name]))
}
