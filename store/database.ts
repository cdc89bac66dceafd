import type { ColumnType } from 'kysely'
import type { NightTrouble, NightWork } from '@/core/room/night-work'

/** JSON column: read as unknown and validated by its one schema, written as text. */
type Json = ColumnType<unknown, string, string>
type Time = ColumnType<Date, Date | string, Date | string>
/** set by the database when the row is written */
type WrittenAt = ColumnType<Date, Date | undefined, never>
/** set by the database: the order in which it took the rows */
type Landed = ColumnType<number, never, never>

export interface SiteTable {
  site_id: string
  /** short word that begins every class code of the venue */
  code: string
  name: string
  time_zone: string
  house_rules: Json
  instructor_x: number | null
  instructor_y: number | null
  /** a demo or training venue: stand-in devices may be read */
  practice: ColumnType<boolean, boolean | undefined, boolean>
  /** the venue beside which it was opened */
  practice_of: ColumnType<string | null, string | null | undefined, string | null>
  /** when it is thrown away by itself; null: never */
  ends_at: ColumnType<Date | null, Date | null | undefined, Date | null>
  settings: ColumnType<unknown, string | undefined, string>
}

export interface PersonTable {
  site_id: string
  person_id: string
  name: string
  /** since when nobody knows who it was */
  erased_at: ColumnType<Date | null, undefined, Date | null>
  /** in what they measure; null: as their venue does */
  units: ColumnType<unknown, undefined, string | null>
}

export interface MembershipTable {
  site_id: string
  user_id: string
  person_id: string
  role: string
  /** since when they come in no more */
  ended_at: ColumnType<Date | null, Date | null | undefined, Date | null>
}

/** A code that lets somebody in once; only its digest is kept. */
export interface InvitationTable {
  site_id: string
  invitation_id: string
  person_id: string
  kind: string
  role: string
  code_digest: string
  made_by: string
  made_at: Time
  expires_at: Time
  used_at: ColumnType<Date | null, undefined, Date | null>
  ended_at: ColumnType<Date | null, undefined, Date | null>
}

export interface CourseTable {
  site_id: string
  course_id: string
  name: string
  class_code: string
  /** since when nobody enters it; its books stay */
  closed_at: ColumnType<Date | null, Date | null | undefined, Date | null>
  settings: ColumnType<unknown, string | undefined, string>
}

/** A bag, a learner of a class or a session that is not shown among those at work; null while it is. */
interface PutAway {
  put_away_at: ColumnType<Date | null, undefined, Date | null>
  put_away_by: ColumnType<string | null, undefined, string | null>
}

export interface SessionTable extends PutAway {
  site_id: string
  session_id: string
  course_id: string
  starts_at: Time
  ends_at: Time
  blocks: number
  /** why it does not take place */
  called_off: ColumnType<string | null, string | null | undefined, string | null>
  said_to_class: ColumnType<string | null, undefined, string | null>
}

export interface EnrolmentTable extends PutAway {
  site_id: string
  enrolment_id: string
  course_id: string
  person_id: string
}

export interface ProjectTable extends PutAway {
  site_id: string
  project_id: string
  enrolment_id: string
  name: string
  /** the measured fabric */
  fabric: Json
  layers: Json
  operation: string
  sewn: Json | null
  written_by: string
  written_at: WrittenAt
}

export interface MachineTable {
  site_id: string
  machine_id: string
  name: string
  number: number
  notes: string
  /** where it stands, in tenths of a metre from the room's corner */
  place_x: number
  place_y: number
}

export interface TraitTable {
  site_id: string
  machine_id: string
  trait: string
  value: Json
  source: string
  learnt_by: string
  learnt_at: Time
}

export interface MachineEventTable {
  site_id: string
  machine_id: string
  event_id: string
  happened_at: Time
  kind: string
  body: Json
  person_id: string
  recorded_at: WrittenAt
  /** who brought the line in with a file; null: whoever it names wrote it here */
  imported_by: ColumnType<string | null, string | null | undefined, string | null>
}

export interface MachineStateTable {
  site_id: string
  machine_id: string
  state: Json
  /** part of the state that only a machine's own pages need */
  needles_before: ColumnType<unknown, string | undefined, string>
  /** which fold made it; another is folded again before anybody reads it */
  fold_version: ColumnType<number, number | undefined, number>
}

export interface KitGivenTable {
  site_id: string
  kit_given_id: string
  project_id: string
  machine_id: string
  kit: Json
  given_by: string
  given_at: Time
  landed: Landed
  taken_back_at: ColumnType<Date | null, Date | undefined, Date>
  taken_back_by: ColumnType<string | null, string | undefined, string>
}

/** Append-only: what a shelf holds is only ever summed up from these. */
export interface StockMoveTable {
  site_id: string
  move_id: string
  item_key: string
  item: Json
  kind: string
  count: number
  because: string | null
  happened_at: Time
  person_id: string
  landed: Landed
}

/** A call for staff; `landed` columns give the order in which the database took rows, whatever clocks say. */
export interface HelpCallTable {
  site_id: string
  call_id: string
  machine_id: string | null
  person_id: string
  about: string
  found: Json
  called_at: Time
  seen_by: ColumnType<string | null, string | null | undefined, string | null>
  seen_at: ColumnType<Date | null, Date | string | null | undefined, Date | string | null>
  going_by: ColumnType<string | null, string | null | undefined, string | null>
  going_at: ColumnType<Date | null, Date | string | null | undefined, Date | string | null>
  ended_by: ColumnType<string | null, string | null | undefined, string | null>
  ended_at: ColumnType<Date | null, Date | string | null | undefined, Date | string | null>
  ended_how: ColumnType<string | null, string | null | undefined, string | null>
}

/** A learner's line that was not taken when it came; its body is gone once staff have decided. */
export interface LeftLineTable {
  site_id: string
  line_id: string
  machine_id: string
  person_id: string
  happened_at: Time
  kind: string
  body: ColumnType<unknown, string, null>
  because: string
  left_at: Time
  decided_by: ColumnType<string | null, string | null | undefined, string>
  decided_at: ColumnType<Date | null, Date | null | undefined, Date>
  taken: ColumnType<boolean | null, boolean | null | undefined, boolean>
}

/** Lets a calendar or a device in, for one purpose, without a person; only a digest of its secret is kept. */
export interface AccessKeyTable {
  site_id: string
  key_id: string
  purpose: string
  machine_id: string | null
  name: string
  secret_digest: string
  made_by: string
  made_at: Time
  ended_at: ColumnType<Date | null, Date | string | null | undefined, Date | string>
  /** to a quarter of an hour */
  used_at: ColumnType<Date | null, never, Date>
}

/** What somebody taps at a room's tablet. */
export interface MachinePhotographTable {
  site_id: string
  machine_id: string
  /** a JPEG as a data address */
  picture: string
  taken_at: Time
}

export interface PinTable {
  site_id: string
  person_id: string
  pin_hash: string
  set_at: Time
}

/** Append-only: what somebody has learnt is only ever folded from these. */
export interface PersonEventTable {
  site_id: string
  event_id: string
  person_id: string
  kind: string
  body: Json
  happened_at: Time
  written_by: string
}

/** Who comes late or not at all; everybody else comes. */
export interface AttendanceTable {
  site_id: string
  session_id: string
  person_id: string
  comes: string
  from_block: number | null
  written_by: string
  written_at: Time
}

export interface PersonNeedTable {
  site_id: string
  person_id: string
  needs: Json
  written_by: string
  written_at: Time
}

export interface SeatPairTable {
  site_id: string
  pair_id: string
  kind: string
  one_id: string
  other_id: string
  written_by: string
  written_at: WrittenAt
  ended_at: ColumnType<Date | null, Date | string | null | undefined, Date | string>
}

/** Append-only: the newest plan of a session is its run sheet. */
export interface SessionPlanTable {
  site_id: string
  plan_id: string
  session_id: string
  based_on: string | null
  plan: Json
  made_by: string
  made_at: Time
  landed: Landed
}

export interface DropTestTable {
  site_id: string
  drop_test_id: string
  point: string
  size_nm: ColumnType<string, number, number>
  thread: Json
  result: string
  tested_by: string
  tested_at: Time
}

/** One row for each write that landed, so that a write sent twice lands once. */
export interface CommandTable {
  site_id: string
  command_id: string
  name: string
  body_digest: string
  person_id: string
  /** the thing it is about; absent where it is about none or many */
  about: string | null
  recorded_at: WrittenAt
}

/** What the server does by itself each night; of no venue. */
interface NightWorkTable {
  work: NightWork
  tried_at: Time
  /** null: never yet */
  done_at: Time | null
  /** of the last try, where that one failed */
  trouble: NightTrouble | null
  /** when coordinators were last written to of it; null: not since it was last done */
  told_at: Time | null
}

export interface Database {
  site: SiteTable
  person: PersonTable
  membership: MembershipTable
  invitation: InvitationTable
  course: CourseTable
  session: SessionTable
  enrolment: EnrolmentTable
  project: ProjectTable
  machine: MachineTable
  trait: TraitTable
  machine_event: MachineEventTable
  machine_state: MachineStateTable
  machine_photograph: MachinePhotographTable
  kit_given: KitGivenTable
  stock_move: StockMoveTable
  access_key: AccessKeyTable
  pin: PinTable
  person_event: PersonEventTable
  attendance: AttendanceTable
  person_need: PersonNeedTable
  seat_pair: SeatPairTable
  session_plan: SessionPlanTable
  drop_test: DropTestTable
  help_call: HelpCallTable
  left_line: LeftLineTable
  command: CommandTable
  night_work: NightWorkTable
  sign_in_rate_limit: {
    id: string
    key: string
    count: number
    lastRequest: ColumnType<string | number, number, number>
  }
  sign_in_user: { id: string; name: string; email: string; emailVerified: boolean; createdAt: Time; updatedAt: Time }
  sign_in_session: {
    id: string
    userId: string
    createdAt: Time
    expiresAt: Time
    userAgent: string | null
    ipAddress: string | null
    /** the room's tablet on which somebody is signed in by their PIN */
    tabletId: string | null
  }
  /** keys by which somebody signs in without a password; of each its public half */
  sign_in_passkey: { id: string; userId: string; name: string | null; createdAt: Time }
  /** what is asked of somebody who proves that they hold such a key */
  sign_in_verification: { id: string; expiresAt: Time }
  sign_in_account: {
    id: string
    accountId: string
    providerId: string
    userId: string
    password: string
    createdAt: Time
    updatedAt: Time
  }
}
