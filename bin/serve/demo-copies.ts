import { join } from 'node:path'
import pg from 'pg'
import { startCluster } from './private-cluster'
import { demoDatabase, secretIn } from './demo'
import { startServer, type RunningServer } from './next-server'

/** A demo with a database and a server of its own. */
export interface DemoCopy {
  readonly url: string
  readonly databaseUrl: string
  end(): Promise<void>
}

/** A demo that can be had again and again as it stands now: whatever is done to one copy, no other sees. */
export interface DemoCopies {
  /** the first one, from which the others are copied; end it before the first copy is made */
  readonly original: DemoCopy
  copy(name: string): Promise<DemoCopy>
  stop(): Promise<void>
}

/** @param prepare is done to the original's database before its server starts */
export async function demoCopies(
  project: string,
  folder: string,
  prepare: (databaseUrl: string) => Promise<void>,
): Promise<DemoCopies> {
  const cluster = await startCluster(join(folder, 'postgres'))
  const serve = (databaseUrl: string): Promise<RunningServer> =>
    startServer(
      project,
      { DATABASE_URL: databaseUrl, ORTHODEX_SECRET: secretIn(folder) },
      { port: 0, journal: join(folder, 'journal.log') },
    )
  const ask = async (statement: string) => {
    const client = new pg.Client({ connectionString: await cluster.database('postgres') })
    await client.connect()
    try {
      await client.query(statement)
    } finally {
      await client.end()
    }
  }
  try {
    const databaseUrl = await demoDatabase(cluster, new Date())
    await prepare(databaseUrl)
    const server = await serve(databaseUrl)
    return {
      original: { url: server.url, databaseUrl, end: () => server.stop() },
      copy: async (name) => {
        const database = `copy_${name.replaceAll(/\W/g, '_')}`
        await ask(`create database ${database} template demo`)
        const own = await cluster.database(database)
        const running = await serve(own)
        return {
          url: running.url,
          databaseUrl: own,
          end: async () => {
            await running.stop()
            await ask(`drop database ${database} with (force)`)
          },
        }
      },
      stop: async () => {
        await server.stop()
        await cluster.stop()
      },
    }
  } catch (error) {
    await cluster.stop()
    throw error
  }
}
