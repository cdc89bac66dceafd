import { SEALED, SHORTEST_PASSPHRASE } from '@/store/archive/sealed'
import { connect } from '@/store/connect'
import { removeSite } from '@/store/site/remove-site'
import { backUp } from '../serve/backups'

const USAGE = `usage: DATABASE_URL=… bin/backup FILE.zip [--venue CODE [--and-remove-it]]
  FILE.zip${SEALED} is closed by the passphrase in ORTHODEX_PASSPHRASE, ${SHORTEST_PASSPHRASE} letters at least
  CODE begins the class codes of a venue: that venue alone, to be taken to another server`

const [file, option, code, remove, ...more] = process.argv.slice(2)
const { DATABASE_URL: url, ORTHODEX_PASSPHRASE: passphrase = '' } = process.env
const sealed = file?.endsWith(SEALED) ?? false
const wrong =
  !file ||
  !url ||
  more.length > 0 ||
  (option !== undefined && (option !== '--venue' || !code)) ||
  (remove !== undefined && remove !== '--and-remove-it') ||
  (sealed && passphrase.length < SHORTEST_PASSPHRASE)

if (wrong) {
  console.error(USAGE)
  process.exitCode = 2
} else {
  const store = connect(url)
  let made = false
  try {
    const venue =
      code === undefined
        ? undefined
        : await store.selectFrom('site').select(['site_id', 'name']).where('code', '=', code).executeTakeFirst()
    if (code !== undefined && !venue) throw new Error(`There is no venue whose class codes begin with ${code}`)
    const { tables } = await backUp(url, file, { siteId: venue?.site_id, ...(sealed && { passphrase }) })
    made = true
    const rows = tables.reduce((sum, each) => sum + each.rows, 0)
    console.log(
      `${file} holds ${rows} rows of ${tables.length} tables. It names people: keep it where only you can read it.`,
    )
    if (remove && venue) {
      await store.transaction().execute((tx) => removeSite(tx, venue.site_id))
      console.log(`${venue.name} is here no more; bin/restore brings it to another server.`)
    }
  } catch (error) {
    console.error(
      `orthodex: ${error instanceof Error ? error.message : String(error)}; ${made ? `${file} is whole, and the venue is still here` : 'no file was made'}`,
    )
    process.exitCode = 1
  } finally {
    await store.destroy()
  }
}
