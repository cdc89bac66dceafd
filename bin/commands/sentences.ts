import { existsSync, readFileSync, writeFileSync } from 'node:fs'
import { english, extended, isSpoken, readLanguage } from '../build/sentences/language'

/**
 * `npm run sentences` writes what is said in English, by file, to sentences/en.json; `npm run sentences -- de-AT` makes or
 * extends the file of a language, with nothing where nothing is said yet; `npm run sentences -- --check` fails where
 * sentences/en.json is not what the code says, and `--speaks` where a build in ORTHODEX_LANGUAGE cannot be.
 */
const ENGLISH = 'sentences/en.json'
const project = process.cwd()
const [asked] = process.argv.slice(2)
const written = (value: unknown): string => `${JSON.stringify(value, null, 2)}\n`

if (asked === '--speaks') {
  try {
    isSpoken(project, process.env['ORTHODEX_LANGUAGE'] ?? 'en')
  } catch (error) {
    console.error(`orthodex: ${(error as Error).message}`)
    process.exit(1)
  }
  process.exit(0)
}

const now = english(project)
if (asked === undefined) {
  writeFileSync(ENGLISH, written(now))
  console.log(`${ENGLISH}: ${Object.values(now.sentences).flat().length} sentences, ${now.names.length} names`)
} else if (asked === '--check') {
  if (!existsSync(ENGLISH) || readFileSync(ENGLISH, 'utf8') !== written(now)) {
    console.error(`${ENGLISH} is not what the code says: npm run sentences`)
    process.exitCode = 1
  }
} else {
  const file = `sentences/${asked}.json`
  const before = existsSync(file) ? readLanguage(project, asked) : { language: asked, names: {}, sentences: {} }
  const { language, unsaid, gone } = extended(before, now)
  writeFileSync(file, written(language))
  console.log(
    `${file}: ${unsaid} not said yet${gone.map((each) => `\nno longer said in English, left out: “${each}”`).join('')}`,
  )
}
