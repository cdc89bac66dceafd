import { spawnSync } from 'node:child_process'
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs'
import { CODE_CHECKS, runChecks } from '../build/checks'

/** Runs every check and test of the project and counts them in truth: one that could not run counts as failed. */
interface Count {
  readonly passed: number
  readonly failed: number
  /** what failed, by name with its first lines; said again at the end, where it is looked for */
  readonly wrong: readonly string[]
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
function counted<Report>(ok: boolean, file: string, read: (report: Report) => Count): Count {
  if (!existsSync(file))
    return { passed: 0, failed: 1, wrong: [`${file} was not written: the run did not come to its end`] }
  const count = read(JSON.parse(readFileSync(file, 'utf8')) as Report)
  return ok || count.failed > 0
    ? count
    : { ...count, failed: 1, wrong: [`what wrote ${file} failed outside of its tests`] }
}

const MOST_LINES = 12
const named = (name: string, said: string): string => [name, ...said.split('\n').slice(0, MOST_LINES)].join('\n    ')

interface UnitReport {
  readonly numPassedTests: number
  readonly numFailedTests: number
  readonly testResults: readonly {
    readonly name: string
    readonly message: string
    readonly assertionResults: readonly {
      readonly status: string
      readonly fullName: string
      readonly failureMessages: readonly string[]
    }[]
  }[]
}

function ofUnits({ numPassedTests, numFailedTests, testResults }: UnitReport): Count {
  const wrong = testResults.flatMap(({ name, message, assertionResults }) => [
    ...(message ? [named(name, message)] : []),
    ...assertionResults
      .filter(({ status }) => status === 'failed')
      .map(({ fullName, failureMessages }) => named(`${name}: ${fullName}`, failureMessages.join('\n'))),
  ])
  return { passed: numPassedTests, failed: numFailedTests, wrong }
}

interface Suite {
  readonly specs: readonly {
    readonly ok: boolean
    readonly title: string
    readonly file: string
    readonly tests: readonly { readonly results: readonly { readonly error?: { readonly message?: string } }[] }[]
  }[]
  readonly suites?: readonly Suite[]
}

function ofJourneys(report: {
  readonly stats: { readonly expected: number; readonly unexpected: number; readonly flaky: number }
  readonly suites: readonly Suite[]
}): Count {
  const specs = (suites: readonly Suite[]): Suite['specs'] =>
    suites.flatMap((suite) => [...suite.specs, ...specs(suite.suites ?? [])])
  const wrong = specs(report.suites)
    .filter(({ ok }) => !ok)
    .map(({ title, file, tests }) =>
      named(
        `${file}: ${title}`,
        tests.flatMap(({ results }) => results.map(({ error }) => error?.message ?? '')).join('\n'),
      ),
    )
  const { expected, unexpected, flaky } = report.stats
  return { passed: expected, failed: unexpected + flaky, wrong }
}

const UNIT = 'test-results/unit.json'
const BROWSER = 'test-results/browser.json'

console.log('\n— code')
const wrong = await runChecks(CODE_CHECKS)
const counts: readonly Count[] = [
  {
    passed: Object.keys(CODE_CHECKS).length - wrong.length,
    failed: wrong.length,
    wrong: wrong.map((said) => named('the code', said)),
  },
  counted(
    run('core and store', 'vitest', 'run', '--reporter=default', '--reporter=json', `--outputFile.json=${UNIT}`),
    UNIT,
    ofUnits,
  ),
  counted(run('browser', 'playwright', 'test'), BROWSER, ofJourneys),
]
const sum = (part: 'passed' | 'failed') => counts.reduce((total, count) => total + count[part], 0)
for (const each of counts.flatMap((count) => count.wrong)) console.log(`\n✘ ${each}`)
console.log(`\n${sum('passed')} passed, ${sum('failed')} failed`)
process.exitCode = sum('failed') > 0 ? 1 : 0
