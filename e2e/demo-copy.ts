import pg from 'pg'
import { mailTo } from '@/bin/serve/demo'
import { startServer } from '@/bin/serve/next-server'

/** What the journeys are given by their setup. */
const given = (name: string): string => process.env[`ORTHODEX_E2E_${name}`] ?? ''
/** of the database server's own database `postgres` */
export const ADMIN_URL = given('ADMIN_URL')
/** holds the sign-ins and whatever a server leaves behind */
export const FOLDER = given('FOLDER')
export const SECRET = given('SECRET')
/** where letters of every journey can be read */
export const INBOX_URL = given('INBOX')

/** The demo at the server of a worker: whatever is done to it, no other file of journeys sees. */
export interface DemoCopy {
  readonly url: string
  readonly databaseUrl: string
}

/** @returns the rows of the last one */
export async function asAdmin(...statements: readonly string[]): Promise<unknown[]> {
  const client = new pg.Client({ connectionString: ADMIN_URL })
  await client.connect()
  let rows: unknown[] = []
  try {
    for (const statement of statements) ({ rows } = await client.query(statement))
    return rows
  } finally {
    await client.end()
  }
}

/** A database that is there and lets nobody in, until it is told to again. */
export async function databaseAway({
  databaseUrl: of,
}: DemoCopy): Promise<{ readonly isBack: () => Promise<unknown> }> {
  const name = new URL(of).pathname.slice(1)
  await asAdmin(
    `alter database ${name} allow_connections false`,
    `select pg_terminate_backend(pid) from pg_stat_activity where datname = '${name}'`,
  )
  return { isBack: () => asAdmin(`alter database ${name} allow_connections true`) }
}

export const databaseUrl = (name: string): string => Object.assign(new URL(ADMIN_URL), { pathname: `/${name}` }).href

/**
 * @param port any that is free where none is asked for
 * @param origin under which it is reached, where that is not its own port
 */
export const serve = (url: string, port = 0, origin?: string) =>
  startServer(
    process.cwd(),
    {
      DATABASE_URL: url,
      ORTHODEX_SECRET: SECRET,
      ...mailTo({ smtp: given('SMTP') }),
      ...(origin && { ORTHODEX_ORIGIN: origin }),
    },
    { port, journal: `${FOLDER}/journal.log` },
  )

/** The first page of a server and a database that were just made: asked again when it did not come, as a person does. */
async function warm(url: string): Promise<void> {
  for (let tries = 0; tries < 5; tries += 1) {
    const answer = await fetch(`${url}/sign-in`).catch(() => undefined)
    if (answer?.ok && !(await answer.text()).includes('could not be drawn')) return
  }
}

const PAUSE_MS = 20

/** Whether a server listens to this database for news. */
const isHeard = async (database: string): Promise<boolean> =>
  (await asAdmin(`select from pg_stat_activity where datname = '${database}' and query like 'listen %'`)).length > 0

/** The server of a worker. A start costs more than most journeys: it goes on, and the database under it is another for each file. */
export async function demoServer(worker: number): Promise<{ anew(): Promise<DemoCopy>; end(): Promise<void> }> {
  const [now, next, old] = ['now', 'next', 'old'].map((part) => `${part}_${worker}`) as [string, string, string]
  const dropped = (name: string) => `drop database if exists ${name} with (force)`
  // A worker that was started again after a failure may find what the one before it left.
  await asAdmin(...[now, next, old].map(dropped), `create database ${now} template demo`)
  const server = await serve(databaseUrl(now))
  await warm(server.url)
  const copy = { url: server.url, databaseUrl: databaseUrl(now) }
  let untouched = true
  return {
    anew: async () => {
      if (untouched) {
        untouched = false
        return copy
      }
      await asAdmin(`create database ${next} template demo`)
      const listened = await isHeard(now)
      // As after a restart of the database that put it back to an earlier hour.
      await asAdmin(
        `alter database ${now} allow_connections false`,
        `select pg_terminate_backend(pid) from pg_stat_activity where datname = '${now}'`,
        `alter database ${now} rename to ${old}`,
        `alter database ${next} rename to ${now}`,
        dropped(old),
      )
      while (listened && !(await isHeard(now))) await new Promise((resolve) => setTimeout(resolve, PAUSE_MS))
      return copy
    },
    end: async () => {
      await server.stop()
      await asAdmin(dropped(now))
    },
  }
}
