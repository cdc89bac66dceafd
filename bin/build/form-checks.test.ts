import { build } from 'esbuild'
import type { ValidateFunction } from 'ajv'
import fc from 'fast-check'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { faultsIn } from '@/core/schema/fault-words'
import type { Invalid } from '@/core/schema/invalid'
import { check } from '@/core/schema/validate'
import { fitting, spoiled, type Plain } from '@/core/testing/fitting'
import { FORM_NAMES, formBody, type FormName } from '@/core/wire/form-bodies'
import { writeFormChecks } from './form-checks'

const folder = mkdtempSync(join(tmpdir(), 'orthodex-form-checks-'))
beforeAll(() => writeFormChecks(folder))
afterAll(() => rmSync(folder, { recursive: true, force: true }))

const ID = '01900000-0000-7000-8000-000000000001'
const load = async (name: FormName) =>
  ((await import(/* @vite-ignore */ join(folder, `${name}.mjs`))) as { default: ValidateFunction }).default
const faultsOf = async (name: FormName, body: unknown) => {
  const validate = await load(name)
  return validate(body) ? [] : faultsIn(validate.errors ?? [])
}

describe('a form’s own check', () => {
  it.each(FORM_NAMES)(
    'of %s lets through what the server does, and names the place that the server names',
    async (name) => {
      const validate = await load(name)
      const schema: unknown = formBody(name)
      const whole = fitting(schema as Plain, [ID])
      fc.assert(
        fc.property(fc.oneof(whole, spoiled(whole)), (drawn) => {
          const body = JSON.parse(JSON.stringify(drawn ?? null)) as unknown
          let fault: Invalid | undefined
          try {
            check(formBody(name), body)
          } catch (error) {
            fault = error as Invalid
          }
          expect(validate(body)).toBe(fault === undefined)
          if (!fault) return
          const faults = faultsIn(validate.errors ?? [])
          expect(faults.map(({ path }) => path)).toContain(fault.path)
          expect(new Set(faults.map(({ path }) => path)).size).toBe(faults.length)
        }),
        { numRuns: 60 },
      )
    },
  )

  it('tells of everything at once, each at its field, without the field’s name', async () => {
    const typed = { word: 'abcd', venue: 'The Loft', timeZone: 'UTC', name: '', email: 'ada', password: 'short' }
    const faults = await faultsOf('setup', typed)
    expect(faults.map(({ path, what }) => [path, what])).toEqual([
      ['name', 'must be not empty'],
      ['email', 'must be written as an email address, like ada@room.example'],
      ['password', 'must be at least 10 characters long'],
    ])
  })

  it('is code that a page may run: nothing in it makes code of text', async () => {
    for (const name of FORM_NAMES) {
      const { outputFiles } = await build({
        entryPoints: [join(folder, `${name}.mjs`)],
        bundle: true,
        write: false,
        format: 'esm',
      })
      expect(outputFiles[0]!.text).not.toMatch(/new Function|\beval\(/)
    }
  })
})
