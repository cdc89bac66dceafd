import { spawnSync } from 'node:child_process'
import { chmodSync, mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { freePort } from '@/bin/serve/private-cluster'
import { buildWhenChanged } from '../serve/build'
import { startDemo } from '../serve/demo'
import { addEmptyVenue } from '../serve/empty-venue'

/** Starts a throw-away demo and runs the browser journeys against it; arguments go on to Playwright. */
const project = process.cwd()
buildWhenChanged(project)
const folder = mkdtempSync(join(tmpdir(), 'orthodex-e2e-'))
chmodSync(folder, 0o755)
const demo = await startDemo(project, folder, { port: await freePort() })
try {
  await addEmptyVenue(demo.databaseUrl)
  const { status } = spawnSync('node_modules/.bin/playwright', ['test', ...process.argv.slice(2)], {
    cwd: project,
    stdio: 'inherit',
    env: {
      ...process.env,
      ORTHODEX_E2E_URL: demo.url,
      ORTHODEX_E2E_DATABASE: demo.databaseUrl,
      ORTHODEX_E2E_FOLDER: folder,
    },
  })
  process.exitCode = status ?? 1
} finally {
  await demo.stop()
  rmSync(folder, { recursive: true, force: true })
}
