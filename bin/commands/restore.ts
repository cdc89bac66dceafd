import { bringBack } from '../serve/backups'

const [file] = process.argv.slice(2)
const url = process.env['DATABASE_URL']
if (!file || !url) {
  console.error('usage: DATABASE_URL=… bin/restore FILE.zip, or FILE.zip.age with ORTHODEX_PASSPHRASE')
  process.exitCode = 2
} else {
  try {
    const { tables, madeAt } = await bringBack(url, file, process.env['ORTHODEX_PASSPHRASE'])
    const rows = tables.reduce((sum, each) => sum + each.rows, 0)
    console.log(`${rows} rows are back as they stood at ${madeAt}`)
  } catch (error) {
    console.error(`orthodex: ${error instanceof Error ? error.message : String(error)}; nothing was kept of it`)
    process.exitCode = 1
  }
}
