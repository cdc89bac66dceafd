import { connect } from '@/store/connect'
import { rebuildStates } from '@/store/machine/book'
import { migrate } from '@/store/migrate'

const { DATABASE_URL } = process.env
if (!DATABASE_URL) {
  console.error('orthodex: set DATABASE_URL: a PostgreSQL connection string')
  process.exitCode = 2
} else {
  const store = connect(DATABASE_URL)
  try {
    await migrate(store)
    const { machines, differed } = await rebuildStates(store)
    console.log(`${machines} books folded again, ${differed.length} machines had a state that their book did not say`)
    for (const { siteId, machineId } of differed) console.log(`  venue ${siteId} machine ${machineId}`)
  } finally {
    await store.destroy()
  }
}
