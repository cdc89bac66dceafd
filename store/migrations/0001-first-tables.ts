import { sql, type Kysely } from 'kysely'

/**
 * Every table starts with site_id, in every primary key and index; the sign-in library's own tables are exempt, and
 * `site` is the directory by which a site is found.
 */
const STATEMENTS = [
  `create table site (
    site_id uuid primary key,
    code text not null unique check (code ~ '^[a-z]{3,12}$'),
    name text not null,
    time_zone text not null,
    house_rules jsonb not null
  )`,
  `create table person (
    site_id uuid not null references site on delete cascade,
    person_id uuid not null,
    name text not null,
    primary key (site_id, person_id)
  )`,
  `create table sign_in_user (
    "id" text primary key, "name" text not null, "email" text not null unique, "emailVerified" boolean not null,
    "image" text, "createdAt" timestamptz not null default now(), "updatedAt" timestamptz not null default now()
  )`,
  `create table sign_in_session (
    "id" text primary key, "expiresAt" timestamptz not null, "token" text not null unique,
    "createdAt" timestamptz not null default now(), "updatedAt" timestamptz not null,
    "ipAddress" text, "userAgent" text,
    "userId" text not null references sign_in_user ("id") on delete cascade
  )`,
  `create index sign_in_session_user on sign_in_session ("userId")`,
  `create table sign_in_account (
    "id" text primary key, "accountId" text not null, "providerId" text not null,
    "userId" text not null references sign_in_user ("id") on delete cascade,
    "accessToken" text, "refreshToken" text, "idToken" text, "accessTokenExpiresAt" timestamptz,
    "refreshTokenExpiresAt" timestamptz, "scope" text, "password" text,
    "createdAt" timestamptz not null default now(), "updatedAt" timestamptz not null
  )`,
  `create index sign_in_account_user on sign_in_account ("userId")`,
  `create table sign_in_verification (
    "id" text primary key, "identifier" text not null, "value" text not null, "expiresAt" timestamptz not null,
    "createdAt" timestamptz not null default now(), "updatedAt" timestamptz not null default now()
  )`,
  `create index sign_in_verification_identifier on sign_in_verification ("identifier")`,
  `create table sign_in_rate_limit (
    "id" text primary key, "key" text not null unique, "count" integer not null, "lastRequest" bigint not null
  )`,
  `create table membership (
    site_id uuid not null references site on delete cascade,
    user_id text not null references sign_in_user ("id") on delete cascade,
    person_id uuid not null,
    role text not null check (role in ('coordinator', 'instructor', 'helper', 'learner')),
    primary key (site_id, user_id),
    unique (site_id, person_id),
    foreign key (site_id, person_id) references person on delete cascade
  )`,
  `create table course (
    site_id uuid not null references site on delete cascade,
    course_id uuid not null,
    name text not null,
    class_code text not null,
    primary key (site_id, course_id),
    unique (site_id, class_code)
  )`,
  `create table session (
    site_id uuid not null,
    session_id uuid not null,
    course_id uuid not null,
    starts_at timestamptz not null,
    ends_at timestamptz not null check (ends_at > starts_at),
    blocks integer not null check (blocks > 0),
    primary key (site_id, session_id),
    foreign key (site_id, course_id) references course on delete cascade
  )`,
  `create table enrolment (
    site_id uuid not null,
    enrolment_id uuid not null,
    course_id uuid not null,
    person_id uuid not null,
    primary key (site_id, enrolment_id),
    unique (site_id, course_id, person_id),
    foreign key (site_id, course_id) references course on delete cascade,
    foreign key (site_id, person_id) references person on delete cascade
  )`,
  `create table project (
    site_id uuid not null,
    project_id uuid not null,
    enrolment_id uuid not null,
    name text not null,
    fabric jsonb not null,
    layers jsonb not null,
    operation text not null,
    written_by uuid not null,
    written_at timestamptz not null default now(),
    primary key (site_id, project_id),
    foreign key (site_id, enrolment_id) references enrolment on delete cascade
  )`,
  `create index project_enrolment on project (site_id, enrolment_id)`,
  `create table machine (
    site_id uuid not null references site on delete cascade,
    machine_id uuid not null,
    name text not null,
    number integer not null,
    notes text not null default '',
    place_x integer not null,
    place_y integer not null,
    primary key (site_id, machine_id),
    unique (site_id, name),
    unique (site_id, number)
  )`,
  `create table trait (
    site_id uuid not null,
    machine_id uuid not null,
    trait text not null,
    value jsonb not null,
    source text not null,
    learnt_by uuid not null,
    learnt_at timestamptz not null,
    primary key (site_id, machine_id, trait),
    foreign key (site_id, machine_id) references machine on delete cascade
  )`,
  `create table machine_event (
    site_id uuid not null,
    machine_id uuid not null,
    event_id uuid not null,
    happened_at timestamptz(3) not null,
    kind text not null,
    body jsonb not null,
    person_id uuid not null,
    recorded_at timestamptz not null default now(),
    primary key (site_id, event_id),
    foreign key (site_id, machine_id) references machine on delete cascade
  )`,
  `create index machine_event_book on machine_event (site_id, machine_id, happened_at, event_id)`,
  // Append-only: nothing is edited or deleted, but with its whole machine.
  `create function machine_event_is_append_only() returns trigger language plpgsql as $$
    begin raise exception 'machine_event is append-only: correct a line by another that names it'; end $$`,
  `create trigger machine_event_no_update before update on machine_event
    for each row execute function machine_event_is_append_only()`,
  `create table machine_state (
    site_id uuid not null,
    machine_id uuid not null,
    state jsonb not null,
    primary key (site_id, machine_id),
    foreign key (site_id, machine_id) references machine on delete cascade
  )`,
  `create table kit_given (
    site_id uuid not null,
    kit_given_id uuid not null,
    project_id uuid not null,
    machine_id uuid not null,
    kit jsonb not null,
    given_by uuid not null,
    given_at timestamptz not null,
    primary key (site_id, kit_given_id),
    foreign key (site_id, project_id) references project on delete cascade,
    foreign key (site_id, machine_id) references machine on delete cascade
  )`,
  `create index kit_given_project on kit_given (site_id, project_id, given_at desc)`,
  `create index kit_given_machine on kit_given (site_id, machine_id, given_at desc)`,
  `create table stock_entry (
    site_id uuid not null references site on delete cascade,
    stock_entry_id uuid not null,
    item jsonb not null,
    count integer not null check (count >= 0),
    written_by uuid not null,
    written_at timestamptz not null default now(),
    primary key (site_id, stock_entry_id)
  )`,
  `create table command (
    site_id uuid not null references site on delete cascade,
    command_id uuid not null,
    name text not null,
    body_digest text not null,
    person_id uuid not null,
    recorded_at timestamptz not null default now(),
    primary key (site_id, command_id)
  )`,
]

export async function up(db: Kysely<unknown>): Promise<void> {
  for (const statement of STATEMENTS) await sql.raw(statement).execute(db)
}
