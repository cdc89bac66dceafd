import { restoreArchive } from '@/store/archive/read'

const [file] = process.argv.slice(2)
const url = process.env['DATABASE_URL']
if (!file || !url) {
  console.error('usage: DATABASE_URL=… bin/restore FILE.zip')
  process.exitCode = 2
} else {
  try {
    const { tables, madeAt } = await restoreArchive(file, url)
    const rows = tables.reduce((sum, each) => sum + each.rows, 0)
    console.log(`${rows} rows are back as they stood at ${madeAt}`)
  } catch (error) {
    console.error(`orthodex: ${error instanceof Error ? error.message : String(error)}; nothing was kept of it`)
    process.exitCode = 1
  }
}
