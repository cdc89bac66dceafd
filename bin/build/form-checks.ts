import { mkdirSync, rmSync, writeFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { _, Ajv } from 'ajv'
import standalone from 'ajv/dist/standalone/index.js'
import { build, type Plugin } from 'esbuild'
import { AJV_OPTIONS } from '@/core/schema/validate'
import { FORM_NAMES, formBody, type FormName } from '@/core/wire/form-bodies'

const FORMATS = 'orthodex-formats'
const OURS = fileURLToPath(new URL('../../core/schema/formats.ts', import.meta.url))

/** The checks of what a form sends as a module: Ajv's own generator writes what its compiler would run, since pages may not compile. */
export function checkSource(name: FormName): string {
  const ajv = new Ajv({
    ...AJV_OPTIONS,
    // A form is told of everything at once.
    allErrors: true,
    code: { source: true, esm: true, formats: _`require(${FORMATS}).FORMATS` },
  })
  return standalone(ajv, ajv.compile(formBody(name)))
}

const sources: Plugin = {
  name: 'form-checks',
  setup: (building) => {
    building.onResolve({ filter: /^check:/ }, ({ path }) => ({ path: path.slice('check:'.length), namespace: 'check' }))
    building.onResolve({ filter: new RegExp(`^${FORMATS}$`) }, () => ({ path: OURS }))
    building.onLoad({ filter: /.*/, namespace: 'check' }, ({ path }) => ({
      contents: checkSource(path as FormName),
      resolveDir: process.cwd(),
    }))
  },
}

/** Writes the checks of everything that a form sends, each a module that a form loads when it opens, and a list of them. */
export async function writeFormChecks(folder: string): Promise<void> {
  rmSync(folder, { recursive: true, force: true })
  mkdirSync(folder, { recursive: true })
  await build({
    entryPoints: FORM_NAMES.map((name) => ({ in: `check:${name}`, out: name })),
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
  const rows = FORM_NAMES.map((name) => `  '${name}': () => import('./${name}.mjs'),`)
  writeFileSync(`${folder}/checks.mjs`, `export const CHECKS = {\n${rows.join('\n')}\n}\n`)
  writeFileSync(
    `${folder}/checks.d.mts`,
    `import type { ValidateFunction } from 'ajv'
import type { FormName } from '@/core/wire/form-bodies'
export declare const CHECKS: Readonly<Record<FormName, () => Promise<{ readonly default: ValidateFunction }>>>
`,
  )
}
