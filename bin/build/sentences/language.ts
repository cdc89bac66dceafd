import { existsSync, readdirSync, readFileSync } from 'node:fs'
import { join, relative } from 'node:path'
import type { Plugin } from 'esbuild'
import * as Type from 'typebox'
import type { Static } from 'typebox'
import { strict } from '@/core/schema/shape'
import { check } from '@/core/schema/validate'
import { namesIn } from './names'
import { inLanguage, partsOf, sentencesIn, type Translation } from './sentences'

/** The rooms whose words people read, on a screen or on paper. */
const ROOMS = ['app', 'core', 'store', 'ui', 'workers']
const UNREAD_FILES =
  /\.test\.tsx?$|\.d\.ts$|^core\/planner\/|^(core|store)\/testing\/|^store\/(migrations\/|archive\/|migrate|row-wall|site-wall|venue-driver)/
const FOLDER = 'sentences'
/** Says everything in English, each letter with a stroke over it: what has none yet is not found by the words' finder. */
const ACCENTED = 'accented'
/** Where the language itself is told to the code. */
const TOLD_IN = 'core/units/language.ts'

/** One language in one file: `sentences/<language>.json`. What is not said in it, or said with nothing, is in English. */
const LanguageSchema = strict({
  /** as browsers name it, like `de-AT`: for readers aloud, and for how days are written */
  language: Type.String({ pattern: '^[a-z]{2,3}(-[A-Za-z0-9]+)*$', description: 'like de-AT' }),
  /** names of the code's as they are read: `even-feed` */
  names: Type.Record(Type.String(), Type.String()),
  /** by the English sentence; parts in braces may come in another order */
  sentences: Type.Record(Type.String(), Type.String()),
})
export type Language = Static<typeof LanguageSchema>

const accented = (text: string): string =>
  text.replace(/\{\w+\}|\p{L}/gu, (each) => (each.startsWith('{') ? each : `${each}\u0301`))

function* filesIn(folder: string): Generator<string> {
  for (const entry of readdirSync(folder, { withFileTypes: true }).sort((a, b) => (a.name < b.name ? -1 : 1))) {
    const path = join(folder, entry.name)
    if (entry.isDirectory()) yield* filesIn(path)
    else if (/\.tsx?$/.test(entry.name)) yield path
  }
}

const isRead = (file: string): boolean => ROOMS.includes(file.split('/')[0]!) && !UNREAD_FILES.test(file)

/** @returns everything that people read, by the file it stands in, and the code's names that may be read */
export function english(project: string): { sentences: Record<string, string[]>; names: string[] } {
  const sentences: Record<string, string[]> = {}
  const names = new Set<string>()
  for (const path of ROOMS.flatMap((room) => [...filesIn(join(project, room))])) {
    const file = relative(project, path)
    if (!isRead(file)) continue
    const source = readFileSync(path, 'utf8')
    const found = [...new Set(sentencesIn(file, source))]
    if (found.length > 0) sentences[file] = found
    for (const name of namesIn(file, source)) names.add(name)
  }
  return { sentences, names: [...names].sort() }
}

/** @returns what is wrong with a language against what is said in English: each in words */
export function faultsOf({ sentences }: Language): string[] {
  return Object.entries(sentences).flatMap(([said, other]) => {
    const [asked, given] = [partsOf(said), partsOf(other)]
    const lost = other === '' ? [] : asked.filter((part) => !given.includes(part))
    const forms = other !== '' && said.includes(' | ') && other.split(' | ').length !== 2
    const strange = given.filter((part) => !asked.includes(part))
    return [
      ...lost.map((part) => `“${other}” has no ${part}, which “${said}” has`),
      ...(forms ? [`“${other}” must have two forms with “ | ” between, as “${said}” has`] : []),
      ...strange.map((part) => `“${other}” has ${part}, which “${said}” does not have`),
    ]
  })
}

/** @returns the language as its file has it; fails in words where there is none, or where a sentence would lose a part of it */
export function readLanguage(project: string, language: string): Language {
  const path = join(project, FOLDER, `${language}.json`)
  const there = existsSync(join(project, FOLDER))
    ? readdirSync(join(project, FOLDER)).map((name) => name.replace(/\.json$/, ''))
    : []
  if (!existsSync(path))
    throw new Error(
      `There is no ${FOLDER}/${language}.json. ORTHODEX_LANGUAGE may be ${['en', ACCENTED, ...there.filter((each) => each !== 'en')].join(', ')}`,
    )
  const read = check(LanguageSchema, JSON.parse(readFileSync(path, 'utf8')))
  const faults = faultsOf(read)
  if (faults.length > 0) throw new Error(`${FOLDER}/${language}.json: ${faults.join('; ')}`)
  return read
}

/** Fails in words where the program cannot be built in a language. */
export function isSpoken(project: string, language: string): void {
  if (language !== 'en' && language !== ACCENTED) readLanguage(project, language)
}

interface Spoken {
  readonly language: string
  readonly sentence: Translation
  /** made when it is asked for: all rooms are read for it */
  readonly names: () => Readonly<Record<string, string>>
}

function spoken(project: string, language: string): Spoken {
  if (language === ACCENTED) {
    const names = () => english(project).names.map((name) => [name, accented(name)])
    return { language: 'en-GB', sentence: accented, names: () => Object.fromEntries(names()) as Record<string, string> }
  }
  const read = readLanguage(project, language)
  const { language: spokenAs, names, sentences } = read
  return { language: spokenAs, names: () => names, sentence: (english) => sentences[english] || undefined }
}

const told = ({ language, names }: Spoken): string =>
  `export const LANGUAGE: string = ${JSON.stringify(language)}\nexport const NAMES: Readonly<Record<string, string>> = ${JSON.stringify(
    Object.fromEntries(Object.entries(names()).filter(([, said]) => said !== '')),
  )}\n`

/** @returns what gives any file of the project in that language; a file that nobody reads stays as it is */
export function speaker(project: string, language: string): (path: string, source: string) => string {
  const how = spoken(project, language)
  return (path, source) => {
    const file = relative(project, path)
    if (file === TOLD_IN) return told(how)
    return isRead(file) ? inLanguage(file, source, how.sentence) : source
  }
}

/** For what is built with esbuild, beside the pages: an esbuild plugin that gives each file in that language. */
export function languagePlugin(project: string, language: string): Plugin {
  const speak = speaker(project, language)
  return {
    name: 'language',
    setup: (building) =>
      building.onLoad({ filter: /\.tsx?$/ }, ({ path }) => ({
        contents: speak(path, readFileSync(path, 'utf8')),
        loader: path.endsWith('x') ? 'tsx' : 'ts',
      })),
  }
}

/** @returns a language with everything that English says, with nothing where nothing is said in it yet, and what English no longer says */
export function extended(
  before: Language,
  now: ReturnType<typeof english>,
): { language: Language; unsaid: number; gone: string[] } {
  const sentences = [...new Set(Object.values(now.sentences).flat())]
  const language = {
    language: before.language,
    names: Object.fromEntries(now.names.map((name) => [name, before.names[name] ?? ''])),
    sentences: Object.fromEntries(sentences.map((said) => [said, before.sentences[said] ?? ''])),
  }
  const said = [...Object.values(language.names), ...Object.values(language.sentences)]
  return {
    language,
    unsaid: said.filter((each) => each === '').length,
    gone: Object.keys(before.sentences).filter((each) => !(each in language.sentences)),
  }
}
