import { join } from 'node:path'
import type { Letter } from '@/core/people/letters'
import { connect } from '@/store/connect'
import { mailServerAt } from '@/store/mail-server'
import { MIGRATIONS, migrate, pendingMigrations } from '@/store/migrate'
import { hasVenue, setupWord } from '@/store/site/setup'
import { backUp } from './backups'
import { buildWhenChanged } from './build'
import { startServer } from './next-server'
import { startNights } from './nights'
import { inWords, untilEnded } from './until-ended'

/** What a server is told by whoever starts it. */
export interface Settings {
  readonly databaseUrl: string
  readonly secret: string
  /** the addresses people open, the first of them in letters */
  readonly origins: string
  /** the folder for copies; absent: none are made */
  readonly backups: string | undefined
  readonly mail: { readonly server: string; readonly from: string } | undefined
  /** the address to listen at; absent: this machine's own */
  readonly host: string | undefined
}

/** Brings the database up to date, builds where the sources changed, and serves until it is told to end. */
export async function serve({ databaseUrl, secret, origins, backups, mail, host }: Settings): Promise<void> {
  const store = connect(databaseUrl)
  const waiting = await inWords(pendingMigrations(store))
  // A room that is brought up to date can go back to the day before.
  if (backups && waiting.length > 0 && waiting.length < Object.keys(MIGRATIONS).length) {
    const day = new Date().toISOString().slice(0, 10)
    const file = join(backups, `orthodex-${day}-before-${waiting[0]}.zip`)
    await inWords(backUp(databaseUrl, file))
    console.error(`orthodex: what was there before the upgrade is kept in ${file}`)
  }
  const ran = await inWords(migrate(store))
  for (const name of ran) console.error(`orthodex: migrated ${name}`)
  const venue = await hasVenue(store, 'own')
  await store.destroy()
  const project = process.cwd()
  buildWhenChanged(project)
  const server = await inWords(
    startServer(
      project,
      { DATABASE_URL: databaseUrl, ORTHODEX_SECRET: secret, ORTHODEX_ORIGIN: origins },
      host ? { host } : {},
    ),
  )
  const mailServer = mail && mailServerAt(mail.server)
  const post = mailServer && {
    send: (to: string, letter: Letter) => mailServer.sendMail({ from: mail.from, to, ...letter }),
    reach: () => mailServer.verify(),
    origin: origins.split(/[\s,]+/)[0]!,
  }
  const stopNights = startNights(databaseUrl, { backups, post }, (words) => console.error(`orthodex: ${words}`))
  untilEnded(() => {
    void stopNights()
    return server.stop()
  }, server.lost)
  if (!venue) console.log(`No venue yet: open it in a browser. The setup word is  ${setupWord(secret)}`)
  console.log(`Orthodex answers at ${server.url} for ${origins}`)
}
