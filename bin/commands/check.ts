import { execFileSync } from 'node:child_process'
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs'
import { dirname } from 'node:path'
import { CODE_CHECKS, runChecks } from '../build/checks'

/**
 * What is asked before every commit: all that needs neither a database nor a browser. Of the core's tests those that what was changed
 * since all was well can reach; `npm test` runs each.
 */
const started = performance.now()
/** the commit on which all was well the last time */
const WELL = 'node_modules/.cache/orthodex-well'

/** Where there is no git, or that commit is gone, everything is asked. */
function git(...args: string[]): string | undefined {
  try {
    return execFileSync('git', args, { encoding: 'utf8', stdio: ['ignore', 'pipe', 'ignore'] }).trim()
  } catch {
    return undefined
  }
}

const now = git('rev-parse', 'HEAD')
const well = existsSync(WELL) ? readFileSync(WELL, 'utf8') : ''
const since = well && git('merge-base', well, 'HEAD') === well ? ['--changed', well, '--passWithNoTests'] : []
const failed = await runChecks({
  ...CODE_CHECKS,
  'core tests': ['vitest', 'run', '--project', 'core', '--reporter=dot', ...since],
})
if (failed.length === 0 && now) {
  mkdirSync(dirname(WELL), { recursive: true })
  writeFileSync(WELL, now)
}
const seconds = `${((performance.now() - started) / 1000).toFixed(0)} s`
console.log(failed.length === 0 ? `all well in ${seconds}` : `not well: ${failed.length}`)
process.exitCode = failed.length === 0 ? 0 : 1
