import { dirname, resolve } from 'node:path'
import { connect } from '@/store/connect'
import { bringBack } from '../serve/backups'
import { eraseAgain } from '../serve/erased-list'

const [file] = process.argv.slice(2)
const { DATABASE_URL: url, ORTHODEX_PASSPHRASE: passphrase, ORTHODEX_BACKUPS: backups } = process.env
if (!file || !url) {
  console.error('usage: DATABASE_URL=… bin/restore FILE.zip, or FILE.zip.age with ORTHODEX_PASSPHRASE')
  process.exitCode = 2
} else {
  let back = false
  try {
    const { tables, madeAt } = await bringBack(url, file, passphrase)
    back = true
    const rows = tables.reduce((sum, each) => sum + each.rows, 0)
    console.log(`${rows} rows are back as they stood at ${madeAt}`)
    const store = connect(url)
    try {
      let again = 0
      for (const folder of new Set([dirname(file), ...(backups ? [backups] : [])].map((each) => resolve(each))))
        again += await eraseAgain(store, folder, new Date())
      if (again > 0) console.log(`${again} who were erased since then are erased again`)
    } finally {
      await store.destroy()
    }
  } catch (error) {
    const what = error instanceof Error ? error.message : String(error)
    console.error(
      `orthodex: ${what}; ${back ? 'the rows are back, and with them whoever was erased since: mend this, then start the server' : 'nothing was kept of it'}`,
    )
    process.exitCode = 1
  }
}
