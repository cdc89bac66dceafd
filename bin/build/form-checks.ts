import { mkdirSync, rmSync, writeFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { _, Ajv } from 'ajv'
import standalone from 'ajv/dist/standalone/index.js'
import { build, type Plugin } from 'esbuild'
import { AJV_OPTIONS } from '@/core/schema/validate'
import { COMMAND_NAMES, COMMANDS, type CommandName } from '@/core/wire/commands'

const FORMATS = 'orthodex-formats'
const OURS = fileURLToPath(new URL('../../core/schema/formats.ts', import.meta.url))

/** The checks of a command's body as a module: Ajv's own generator writes what its compiler would run, since pages may not compile. */
export function checkSource(name: CommandName): string {
  const ajv = new Ajv({
    ...AJV_OPTIONS,
    // A form is told of everything at once.
    allErrors: true,
    code: { source: true, esm: true, formats: _`require(${FORMATS}).FORMATS` },
  })
  return standalone(ajv, ajv.compile(COMMANDS[name].body))
}

const sources: Plugin = {
  name: 'form-checks',
  setup: (building) => {
    building.onResolve({ filter: /^check:/ }, ({ path }) => ({ path: path.slice('check:'.length), namespace: 'check' }))
    building.onResolve({ filter: new RegExp(`^${FORMATS}$`) }, () => ({ path: OURS }))
    building.onLoad({ filter: /.*/, namespace: 'check' }, ({ path }) => ({
      contents: checkSource(path as CommandName),
      resolveDir: process.cwd(),
    }))
  },
}

/** Writes the checks of every command, each a module that a form loads when it opens, and a list of them. */
export async function writeFormChecks(folder: string): Promise<void> {
  rmSync(folder, { recursive: true, force: true })
  mkdirSync(folder, { recursive: true })
  await build({
    entryPoints: COMMAND_NAMES.map((name) => ({ in: `check:${name}`, out: name })),
    plugins: [sources],
    bundle: true,
    splitting: true,
    minify: true,
    format: 'esm',
    platform: 'browser',
    target: 'es2022',
    outdir: folder,
    outExtension: { '.js': '.mjs' },
    logLevel: 'warning',
  })
  const rows = COMMAND_NAMES.map((name) => `  '${name}': () => import('./${name}.mjs'),`)
  writeFileSync(`${folder}/checks.mjs`, `export const CHECKS = {\n${rows.join('\n')}\n}\n`)
  writeFileSync(
    `${folder}/checks.d.mts`,
    `import type { ValidateFunction } from 'ajv'
import type { CommandName } from '@/core/wire/commands'
export declare const CHECKS: Readonly<Record<CommandName, () => Promise<{ readonly default: ValidateFunction }>>>
`,
  )
}
