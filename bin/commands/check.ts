import { spawn } from 'node:child_process'

/**
 * What is asked before every commit, without a database or a browser: two things at a time, what is slow first, each said
 * when it is over and in full when it failed.
 */
const CHECKS: Readonly<Record<string, readonly string[]>> = {
  'core tests': ['vitest', 'run', '--project', 'core', '--reporter=dot'],
  lint: ['eslint', '.', '--max-warnings', '0', '--cache', '--cache-location', 'node_modules/.cache/eslint'],
  types: ['npm', 'run', '--silent', 'types'],
  imports: ['npm', 'run', '--silent', 'boundaries'],
  unused: ['knip', '--cache', '--no-config-hints'],
  format: ['prettier', '--check', '--log-level', 'warn', '--cache', '.'],
}
const AT_ONCE = 2

const environment = { ...process.env, PATH: `${process.cwd()}/node_modules/.bin:${process.env['PATH']}` }
const started = performance.now()
const seconds = () => `${((performance.now() - started) / 1000).toFixed(0)} s`
const waiting = Object.entries(CHECKS)
let failed = 0

async function next(): Promise<void> {
  const check = waiting.shift()
  if (!check) return
  const [title, [command, ...args]] = check
  const said: string[] = []
  const run = spawn(command!, args, { env: environment, stdio: ['ignore', 'pipe', 'pipe'] })
  for (const stream of [run.stdout, run.stderr]) stream.on('data', (words) => said.push(String(words)))
  const status = await new Promise<number | null>((resolve) => run.once('exit', resolve))
  if (status !== 0) failed += 1
  console.log(`${status === 0 ? '✔' : '✘'} ${title} (${seconds()})`)
  if (status !== 0) console.log(said.join(''))
  return next()
}

await Promise.all(Array.from({ length: AT_ONCE }, next))
console.log(failed === 0 ? `all well in ${seconds()}` : `${failed} of ${Object.keys(CHECKS).length} failed`)
process.exitCode = failed === 0 ? 0 : 1
