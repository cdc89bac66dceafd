import { spawn } from 'node:child_process'
import { chmodSync, mkdtempSync, readdirSync, rmSync, statSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { buildWhenChanged } from '../serve/build'
import { demoCopies, type DemoCopies, type DemoCopy } from '../serve/demo-copies'
import { addEmptyVenue } from '../serve/empty-venue'

/**
 * Runs the browser journeys, or those whose names are given: each file against a copy of the demo of its own, signed in
 * beforehand, so that no journey meets what another left. Two lanes at once, each with its own PostgreSQL, take the files
 * longest first.
 */
const project = process.cwd()
const LANES = 2

/** How long a file may take, as far as that can be seen: its length, and before all those that open every view. */
const weightOf = (name: string): number => (name.startsWith('access-') ? 1e6 : statSync(join('e2e', name)).size)

const asked = process.argv.slice(2)
const files = readdirSync('e2e')
  .filter((name) => name.endsWith('.spec.ts') && (asked.length === 0 || asked.some((each) => name.includes(each))))
  .sort((a, b) => weightOf(b) - weightOf(a))
const waiting = [...files]

buildWhenChanged(project)

const playwright = (args: readonly string[], lane: number, folder: string, demo: DemoCopy, name: string) =>
  new Promise<number>((resolve) => {
    const run = spawn('node_modules/.bin/playwright', ['test', ...args], {
      cwd: project,
      stdio: 'inherit',
      env: {
        ...process.env,
        ORTHODEX_E2E_URL: demo.url,
        ORTHODEX_E2E_DATABASE: demo.databaseUrl,
        ORTHODEX_E2E_FOLDER: folder,
        ORTHODEX_E2E_LANE: String(lane),
        ORTHODEX_E2E_NAME: name,
      },
    })
    run.once('exit', (status) => resolve(status ?? 1))
  })

async function work(copies: DemoCopies, lane: number, folder: string): Promise<number> {
  const signIns = await playwright(['--project=sign-in'], lane, folder, copies.original, `sign-in-${lane}`)
  await copies.original.end()
  if (signIns !== 0) return signIns
  let failed = 0
  for (let file = waiting.shift(); file; file = waiting.shift()) {
    const name = file.replace('.spec.ts', '')
    const demo = await copies.copy(name)
    try {
      const status = await playwright(['--project=journeys', `e2e/${file}`], lane, folder, demo, name)
      failed ||= status
    } finally {
      await demo.end()
    }
  }
  return failed
}

async function runLane(lane: number): Promise<number> {
  const folder = mkdtempSync(join(tmpdir(), 'orthodex-e2e-'))
  chmodSync(folder, 0o755)
  try {
    const copies = await demoCopies(project, folder, addEmptyVenue)
    try {
      return await work(copies, lane, folder)
    } finally {
      await copies.stop()
    }
  } finally {
    rmSync(folder, { recursive: true, force: true })
  }
}

if (files.length === 0) {
  console.error(`No journey is called ${asked.join(' or ')}`)
  process.exitCode = 2
} else {
  const lanes = Array.from({ length: Math.min(LANES, files.length) }, (_, index) => runLane(index + 1))
  process.exitCode = Math.max(...(await Promise.all(lanes)))
}
