import { spawn, spawnSync } from 'node:child_process'

/** A script of package.json without what goes before it: the forms' checks are written once, before all checks. */
const script = (name: string) => ['npm', 'run', '--silent', '--ignore-scripts', name] as const

/** What says that the code is in order without running it, what is slow first. */
export const CODE_CHECKS: Readonly<Record<string, readonly string[]>> = {
  lint: ['eslint', '.', '--max-warnings', '0', '--cache', '--cache-location', 'node_modules/.cache/eslint'],
  types: script('types'),
  format: ['prettier', '--check', '--log-level', 'warn', '--cache', '.'],
  imports: script('imports'),
  sentences: ['tsx', 'bin/commands/sentences.ts', '--check'],
  unused: ['knip', '--cache', '--no-config-hints'],
}
const AT_ONCE = 2

/** Runs checks two at a time, the forms' checks written before; each is said when it is over, and in full when it failed. @returns which failed, with all they said */
export async function runChecks(checks: typeof CODE_CHECKS): Promise<string[]> {
  const environment = { ...process.env, PATH: `${process.cwd()}/node_modules/.bin:${process.env['PATH']}` }
  spawnSync('npm', ['run', '--silent', 'form-checks'], { stdio: 'inherit' })
  const waiting = Object.entries(checks)
  const failed: string[] = []
  const next = async (): Promise<void> => {
    const check = waiting.shift()
    if (!check) return
    const [title, [command, ...args]] = check
    const began = performance.now()
    const said: string[] = []
    const run = spawn(command!, args, { env: environment, stdio: ['ignore', 'pipe', 'pipe'] })
    for (const stream of [run.stdout, run.stderr]) stream.on('data', (words) => said.push(String(words)))
    const status = await new Promise<number | null>((resolve) => run.once('exit', resolve))
    if (status !== 0) failed.push(`${title}\n${said.join('')}`)
    console.log(`${status === 0 ? '✔' : '✘'} ${title} (${((performance.now() - began) / 1000).toFixed(0)} s)`)
    if (status !== 0) console.log(said.join(''))
    return next()
  }
  await Promise.all(Array.from({ length: AT_ONCE }, next))
  return failed
}
