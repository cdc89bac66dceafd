import { mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { pathToFileURL } from 'node:url'
import { build } from 'esbuild'
import fc from 'fast-check'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import * as inEnglish from '@/core/compute/computations'
import type { Invalid } from '@/core/schema/invalid'
import { anyRequest } from '@/core/testing/arbitraries'
import { fitting, type Plain } from '@/core/testing/fitting'
import { english, extended, faultsOf, languagePlugin, readLanguage } from './language'

const project = process.cwd()
const folder = mkdtempSync(join(tmpdir(), 'orthodex-language-'))
afterAll(() => rmSync(folder, { recursive: true, force: true }))

/** A room of the core as it is built in a language: a module of its own. */
async function inThat<Module>(language: string, room: string): Promise<Module> {
  const outfile = join(folder, `${language}-${room.replaceAll('/', '-')}.mjs`)
  await build({
    entryPoints: [room],
    bundle: true,
    format: 'esm',
    platform: 'node',
    outfile,
    plugins: [languagePlugin(project, language)],
  })
  return (await import(/* @vite-ignore */ pathToFileURL(outfile).href)) as Module
}

const withoutAccents = (value: unknown): unknown => JSON.parse(JSON.stringify(value).replaceAll('\u0301', ''))

/** The code's own words of an answer, and in its sentences its names of fields and what stands on a packet: the same in every language. */
const NO_LANGUAGE = ['rule', 'school', 'system']
const NO_WORDS = /"[^"]*"|(own )?long shank/g

/** Every sentence of an answer: what has a gap in it. */
function sentencesOf(value: unknown, key = ''): string[] {
  if (typeof value === 'string')
    return value.includes(' ') && !NO_LANGUAGE.includes(key) ? [value.replaceAll(NO_WORDS, '')] : []
  if (typeof value !== 'object' || value === null) return []
  return Object.entries(value).flatMap(([name, each]) => sentencesOf(each, Array.isArray(value) ? key : name))
}

const ROOM = 'core/compute/computations.ts'

/** What is answered, or how it is refused. */
function asked({ compute }: typeof inEnglish, name: string, request: unknown): object {
  try {
    return compute(name, request)
  } catch (error) {
    const { code, path, message } = error as Invalid
    if (code === undefined) throw error
    return { refused: { code, path, message } }
  }
}

describe('what is computed in another language', () => {
  let accented: typeof inEnglish
  beforeAll(async () => {
    accented = await inThat<typeof inEnglish>('accented', ROOM)
  })
  const questions = (name: string) =>
    name === 'kit' ? anyRequest : fitting(inEnglish.COMPUTATIONS[name]!.request as unknown as Plain, [])

  it.each(Object.keys(inEnglish.COMPUTATIONS))(
    'is of %s the same to the last number, said with other words',
    (name) => {
      fc.assert(
        fc.property(questions(name), (request) => {
          const answer = asked(accented, name, request)
          expect(withoutAccents(answer)).toEqual(withoutAccents(asked(inEnglish, name, request)))
          // A refusal says again what was sent, whatever language that was in, and a plan the names in it.
          const said = 'refused' in answer || name === 'plan' ? [] : sentencesOf(answer)
          expect(said.filter((each) => /[A-Za-z]{3}/.test(each))).toEqual([])
        }),
        { numRuns: 400 },
      )
    },
  )
})

describe('a language', () => {
  it('says in English what the code says', () => {
    const kept: unknown = JSON.parse(readFileSync('sentences/en.json', 'utf8'))
    expect(kept, 'npm run sentences writes it').toEqual(english(project))
  })

  const told = (sentences: Readonly<Record<string, string>>) => ({ language: 'de-AT', names: {}, sentences })

  it('is refused where a sentence loses a part of it or has one that the English does not', () => {
    expect(faultsOf(told({ '{name} is in': '{name} ist drin', 'Not yet': '' }))).toEqual([])
    expect(faultsOf(told({ '{name} is in': 'Sie ist drin' }))).toEqual([
      '“Sie ist drin” has no {name}, which “{name} is in” has',
    ])
    expect(faultsOf(told({ 'needle | needles': 'Nadel' }))).toEqual([
      '“Nadel” must have two forms with “ | ” between, as “needle | needles” has',
    ])
    expect(faultsOf(told({ 'It is in': '{name} ist drin' }))).toEqual([
      '“{name} ist drin” has {name}, which “It is in” does not have',
    ])
  })

  it('is read from its file, which says what is wrong with it', () => {
    mkdirSync(join(folder, 'sentences'))
    const write = (value: unknown) => writeFileSync(join(folder, 'sentences/de.json'), JSON.stringify(value))
    write(told({ '{name} is in': 'Sie ist drin' }))
    expect(() => readLanguage(folder, 'de')).toThrow('sentences/de.json: “Sie ist drin” has no {name}')
    write({ ...told({}), language: 'Deutsch!' })
    expect(() => readLanguage(folder, 'de')).toThrow('like de-AT')
    expect(() => readLanguage(folder, 'fr')).toThrow('ORTHODEX_LANGUAGE may be en, accented, de')
  })

  it('keeps what is said in it when English says more, and lets go of what English says no longer', () => {
    const before = told({ 'Not yet': 'Noch nicht', 'Long ago': 'Längst' })
    const { language, unsaid, gone } = extended(before, {
      sentences: { 'a.ts': ['Not yet', 'Just now'] },
      names: ['blunt'],
    })
    expect(language.sentences).toEqual({ 'Not yet': 'Noch nicht', 'Just now': '' })
    expect({ unsaid, gone }).toEqual({ unsaid: 2, gone: ['Long ago'] })
  })
})
