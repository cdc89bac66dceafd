import { spawnSync } from 'node:child_process'
import { createHash } from 'node:crypto'
import { existsSync, readFileSync, readdirSync, rmSync, statSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'

const SOURCES = ['app', 'core', 'store', 'ui', 'workers', 'stand-ins', 'bin/build', 'sentences']
const FILES = [
  'package-lock.json',
  'next.config.ts',
  'proxy.ts',
  'instrumentation.ts',
  'instrumentation-node.ts',
  'postcss.config.mjs',
  'tsconfig.json',
]

function* filesIn(folder: string): Generator<string> {
  if (!existsSync(folder)) return
  for (const name of readdirSync(folder).sort()) {
    const path = join(folder, name)
    if (statSync(path).isDirectory()) yield* filesIn(path)
    else if (!/\.test\.tsx?$/.test(name)) yield path
  }
}

/** A fingerprint of everything that a build is made of: of two checkouts with the same sources it is the same. */
export function fingerprint(project: string): string {
  const hash = createHash('sha256').update(process.env['ORTHODEX_LANGUAGE'] ?? 'en')
  const files = [
    ...FILES.map((file) => join(project, file)),
    ...SOURCES.flatMap((each) => [...filesIn(join(project, each))]),
  ]
  for (const file of files) hash.update(file.slice(project.length)).update('\0').update(readFileSync(file)).update('\0')
  return hash.digest('hex')
}

/** Builds the application when its sources have changed since the last build that went through. */
export function buildWhenChanged(project: string): void {
  const stamp = join(project, '.next/orthodex-sources')
  const now = fingerprint(project)
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === now) return
  rmSync(stamp, { force: true })
  console.error('orthodex: building the application')
  const { status } = spawnSync('npm', ['run', '--silent', 'compile'], {
    cwd: project,
    stdio: ['ignore', 2, 2],
    env: { ...process.env, NODE_ENV: 'production', NEXT_TELEMETRY_DISABLED: '1', ORTHODEX_BUILD: now },
  })
  if (status !== 0) throw new Error('The build failed; what it printed is above')
  writeFileSync(stamp, now)
}
