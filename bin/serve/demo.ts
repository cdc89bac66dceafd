import { randomBytes } from 'node:crypto'
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import pg from 'pg'
import { startCluster, type PrivateCluster } from '@/bin/serve/private-cluster'
import { connect } from '@/store/connect'
import { migrate } from '@/store/migrate'
import { startInbox, type Inbox } from '@/stand-ins/inbox'
import { seedDemo } from '@/practice/seed'
import { startServer, type RunningServer } from './next-server'

export interface RunningDemo {
  readonly url: string
  readonly databaseUrl: string
  readonly server: RunningServer
  /** where the letters that it sends can be read */
  readonly inboxUrl: string
  stop(): Promise<void>
}

/** A secret kept beside the data, so that sign-ins outlive a restart. */
export function secretIn(folder: string): string {
  const file = join(folder, 'secret')
  if (!existsSync(file)) writeFileSync(file, randomBytes(32).toString('hex'), { mode: 0o600 })
  return readFileSync(file, 'utf8')
}

/** The demo's database, filled at the first start. It gets its name only when it is whole. */
export async function demoDatabase(cluster: PrivateCluster, today: Date): Promise<string> {
  const admin = new pg.Client({ connectionString: await cluster.database('postgres') })
  await admin.connect()
  try {
    const { rowCount } = await admin.query(`select 1 from pg_database where datname = 'demo'`)
    if (rowCount === 0) {
      await admin.query('drop database if exists demo_making with (force)')
      const making = connect(await cluster.database('demo_making'))
      await migrate(making)
      await seedDemo(making, today)
      await making.destroy()
      await admin.query('alter database demo_making rename to demo')
    }
  } finally {
    await admin.end()
  }
  const url = await cluster.database('demo')
  const store = connect(url)
  await migrate(store)
  await store.destroy()
  return url
}

/** What a server is told so that its letters go to a stand-in. */
export const mailTo = ({ smtp }: Pick<Inbox, 'smtp'>) => ({
  ORTHODEX_SMTP: smtp,
  ORTHODEX_MAIL_FROM: 'Orthodex <orthodex@room.example>',
})

/** Starts everything: a private PostgreSQL in `folder`, the demo's data, the built application. */
export async function startDemo(
  project: string,
  folder: string,
  options: { readonly port?: number; readonly today?: Date } = {},
): Promise<RunningDemo> {
  mkdirSync(folder, { recursive: true })
  const cluster = await startCluster(join(folder, 'postgres'))
  const inbox = await startInbox()
  try {
    const databaseUrl = await demoDatabase(cluster, options.today ?? new Date())
    const server = await startServer(
      project,
      { DATABASE_URL: databaseUrl, ORTHODEX_SECRET: secretIn(folder), ...mailTo(inbox) },
      {
        pidFile: join(folder, 'server.pid'),
        journal: join(folder, 'journal.log'),
        ...(options.port !== undefined && { port: options.port }),
      },
    )
    return {
      url: server.url,
      databaseUrl,
      server,
      inboxUrl: inbox.url,
      stop: async () => {
        await server.stop()
        await inbox.end()
        await cluster.stop()
      },
    }
  } catch (error) {
    await inbox.end()
    await cluster.stop()
    throw error
  }
}
