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

/** The demo with a database and a server of its own: whatever is done to it, no other journey sees. */
export interface DemoCopy {
  readonly url: string
  readonly databaseUrl: string
  end(): Promise<void>
}

export async function asAdmin(...statements: readonly string[]): Promise<void> {
  const client = new pg.Client({ connectionString: ADMIN_URL })
  await client.connect()
  try {
    for (const statement of statements) await client.query(statement)
  } finally {
    await client.end()
  }
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

/** @param file of journeys, which names the copy */
export async function copyDemo(file: string): Promise<DemoCopy> {
  const database = `copy_${file.replace(/^.*\//, '').replaceAll(/\W/g, '_')}`
  // A worker that was started again after a failure finds what the one before it left.
  await asAdmin(`drop database if exists ${database} with (force)`, `create database ${database} template demo`)
  const url = databaseUrl(database)
  const server = await serve(url)
  await warm(server.url)
  return {
    url: server.url,
    databaseUrl: url,
    end: async () => {
      await server.stop()
      await asAdmin(`drop database ${database} with (force)`)
    },
  }
}
