import { spawnSync } from 'node:child_process'
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs'
import { CODE_CHECKS, runChecks } from '../build/checks'

/** Runs every check and test of the project and counts them in truth: one that could not run counts as failed. */
interface Count {
  readonly passed: number
  readonly failed: number
}

const project = process.cwd()
rmSync('test-results', { recursive: true, force: true })
mkdirSync('test-results')

const run = (title: string, command: string, ...args: string[]): boolean => {
  console.log(`\n— ${title}`)
  const { status } = spawnSync(command, args, {
    cwd: project,
    stdio: 'inherit',
    env: { ...process.env, NEXT_TELEMETRY_DISABLED: '1', PATH: `${project}/node_modules/.bin:${process.env['PATH']}` },
  })
  return status === 0
}

/** Reads a report when the run left one; a run that failed without a failed test still counts as one failure. */
function counted(ok: boolean, file: string, read: (report: never) => Count): Count {
  if (!existsSync(file)) return { passed: 0, failed: 1 }
  const count = read(JSON.parse(readFileSync(file, 'utf8')) as never)
  return ok || count.failed > 0 ? count : { ...count, failed: 1 }
}

const UNIT = 'test-results/unit.json'
const BROWSER = 'test-results/browser.json'

console.log('\n— code')
const wrong = await runChecks(CODE_CHECKS)
const counts = [
  { passed: Object.keys(CODE_CHECKS).length - wrong, failed: wrong },
  counted(
    run('core and store', 'vitest', 'run', '--reporter=default', '--reporter=json', `--outputFile.json=${UNIT}`),
    UNIT,
    (report: { numPassedTests: number; numFailedTests: number }) => ({
      passed: report.numPassedTests,
      failed: report.numFailedTests,
    }),
  ),
  counted(
    run('browser', 'playwright', 'test'),
    BROWSER,
    ({ stats }: { stats: { expected: number; unexpected: number; flaky: number } }) => ({
      passed: stats.expected,
      failed: stats.unexpected + stats.flaky,
    }),
  ),
]
const sum = (part: keyof Count) => counts.reduce((total, count) => total + count[part], 0)
console.log(`\n${sum('passed')} passed, ${sum('failed')} failed`)
process.exitCode = sum('failed') > 0 ? 1 : 0
