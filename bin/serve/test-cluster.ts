import { mkdtempSync, rmSync, chmodSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { TestProject } from 'vitest/node'
import { startTestCluster } from './private-cluster'
import { connect } from '@/store/connect'
import { migrate } from '@/store/migrate'

declare module 'vitest' {
  export interface ProvidedContext {
    templateUrl: string
  }
}

/** One throw-away server for a whole test run, with a migrated database that each test copies. */
export default async function setup(project: TestProject): Promise<() => Promise<void>> {
  const folder = mkdtempSync(join(tmpdir(), 'orthodex-test-'))
  chmodSync(folder, 0o755)
  const cluster = await startTestCluster(folder)
  const templateUrl = await cluster.database('template')
  const store = connect(templateUrl)
  await migrate(store)
  await store.destroy()
  project.provide('templateUrl', templateUrl)
  return async () => {
    await cluster.stop()
    rmSync(folder, { recursive: true, force: true })
  }
}
