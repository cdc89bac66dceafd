import { CODE_CHECKS, runChecks } from '../build/checks'

/** What is asked before every commit: all that needs neither a database nor a browser. */
const started = performance.now()
const half = (shard: string) =>
  ['vitest', 'run', '--project', 'core', '--reporter=dot', '--maxWorkers=1', `--shard=${shard}`] as const
const checks = { 'core tests, one half': half('1/2'), 'core tests, the other': half('2/2'), ...CODE_CHECKS }
const failed = await runChecks(checks)
const seconds = `${((performance.now() - started) / 1000).toFixed(0)} s`
console.log(failed.length === 0 ? `all well in ${seconds}` : `${failed.length} of ${Object.keys(checks).length} failed`)
process.exitCode = failed.length === 0 ? 0 : 1
