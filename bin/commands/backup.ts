import { backUp } from '../serve/backups'

const [file] = process.argv.slice(2)
const url = process.env['DATABASE_URL']
if (!file || !url) {
  console.error('usage: DATABASE_URL=… bin/backup FILE.zip')
  process.exitCode = 2
} else {
  try {
    const { tables } = await backUp(url, file)
    const rows = tables.reduce((sum, each) => sum + each.rows, 0)
    console.log(
      `${file} holds ${rows} rows of ${tables.length} tables. It names people: keep it where only you can read it.`,
    )
  } catch (error) {
    console.error(`orthodex: ${error instanceof Error ? error.message : String(error)}; no file was made`)
    process.exitCode = 1
  }
}
