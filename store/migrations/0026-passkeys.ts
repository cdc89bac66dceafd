import { sql, type Kysely } from 'kysely'

/** Keys on a device by which somebody of staff signs in without a password; the secret half never leaves the device. */
const STATEMENTS = [
  `create table sign_in_passkey (
     id text primary key,
     name text,
     "publicKey" text not null,
     "userId" text not null references sign_in_user on delete cascade,
     "credentialID" text not null unique,
     counter bigint not null,
     "deviceType" text not null,
     "backedUp" boolean not null,
     transports text,
     "createdAt" timestamptz,
     aaguid text
   )`,
  `create index sign_in_passkey_user on sign_in_passkey ("userId")`,
]

export async function up(db: Kysely<unknown>): Promise<void> {
  for (const statement of STATEMENTS) await sql.raw(statement).execute(db)
}
