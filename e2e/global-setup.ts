import { chmodSync, mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { request } from '@playwright/test'
import { buildWhenChanged } from '@/bin/serve/build'
import { demoDatabase, secretIn } from '@/bin/serve/demo'
import { startInbox } from '@/stand-ins/inbox'
import { addEmptyVenue } from '@/bin/serve/empty-venue'
import { startServer } from '@/bin/serve/next-server'
import { startTestCluster } from '@/bin/serve/private-cluster'
import { LEARNER, SIGN_INS, stateFile } from './people'

/** Everybody's sign-in, kept in a file each: the copies of the demo are made with them inside. */
async function signIn(url: string, folder: string): Promise<void> {
  for (const [who, data] of [...Object.entries(SIGN_INS), ['learner', LEARNER] as const]) {
    const visitor = await request.newContext({ baseURL: url, extraHTTPHeaders: { origin: url } })
    const door = who === 'learner' ? '/api/sign-in/station' : '/api/sign-in/sign-in/email'
    const answer = await visitor.post(door, { data })
    if (!answer.ok()) throw new Error(`The ${who} is not let in: ${answer.status()} ${await answer.text()}`)
    await visitor.storageState({ path: stateFile(who as 'learner', folder) })
    await visitor.dispose()
  }
}

/** Makes the demo that every file of journeys has a copy of, with everybody signed in. @returns what takes it away again */
export default async function setup(): Promise<() => Promise<void>> {
  buildWhenChanged(process.cwd())
  const folder = mkdtempSync(join(tmpdir(), 'orthodex-e2e-'))
  chmodSync(folder, 0o755)
  const cluster = await startTestCluster(join(folder, 'postgres'))
  const inbox = await startInbox()
  const remove = async () => {
    await inbox.end()
    await cluster.stop()
    rmSync(folder, { recursive: true, force: true })
  }
  try {
    const databaseUrl = await demoDatabase(cluster, new Date())
    await addEmptyVenue(databaseUrl)
    const secret = secretIn(folder)
    const server = await startServer(process.cwd(), { DATABASE_URL: databaseUrl, ORTHODEX_SECRET: secret }, { port: 0 })
    try {
      await signIn(server.url, folder)
    } finally {
      await server.stop()
    }
    process.env['ORTHODEX_E2E_ADMIN_URL'] = await cluster.database('postgres')
    process.env['ORTHODEX_E2E_FOLDER'] = folder
    process.env['ORTHODEX_E2E_SECRET'] = secret
    process.env['ORTHODEX_E2E_SMTP'] = inbox.smtp
    process.env['ORTHODEX_E2E_INBOX'] = inbox.url
    return remove
  } catch (error) {
    await remove()
    throw error
  }
}
