import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { inLanguage, sentencesIn } from './sentences'

const page = (code: string) => `export const Page = ({ name, count }) => (${code})\n`
const said = (code: string, sentences: Readonly<Record<string, string>>, file = 'page.tsx') =>
  inLanguage(file, code, (english) => sentences[english])

describe('what people read in a file', () => {
  it('is its texts, its templates and what stands between its elements', () => {
    const code = `
      import { plain } from '@/core/units/words'
      const WORDS = { noted: 'Noted down', looks: 'blunt or bent' }
      export const told = (name: string, mm: number) => \`\${name} has \${plain(mm)} mm left\`
      export const Page = () => <p title="How it stands">Take <b>the needle</b> out, {name}.</p>`
    expect(sentencesIn('page.tsx', code)).toEqual([
      'Noted down',
      'blunt or bent',
      '{name} has {plain} mm left',
      'Take {b} out, {name}.',
      'How it stands',
      'the needle',
    ])
  })

  it.each([
    ['a style', `<i className="flex gap-2" />`],
    ['a style that is chosen', `<i look={count ? 'btn btn-lg' : 'btn-ghost border-base-300'} />`],
    ['a drawing', `<path d={count ? 'M4 24 H76' : 'M40 4 V20 L41.5 24'} />`],
    ['an address', '<a href={`/machines/${name}`} />'],
    ['what is compared', `<i hidden={name === 'Enter'} />`],
    ['a column', `<i look={query.select('happened_at as at')} />`],
    ['a query', '<i look={sql`select name from site`} />'],
    ['a name of the code’s', `<i look={name ? 'even-feed' : 'taken-out'} />`],
    ['a line of a stream', '<i look={`data: ${name}`} />'],
    ['a key', `<i onKeyDown={({ key }) => key === 'Enter' && count} />`],
  ])('is not %s', (_, code) => {
    expect(sentencesIn('page.tsx', page(code))).toEqual([])
  })

  it('is what stands between the things of a list', () => {
    expect(sentencesIn('a.ts', `export const a = names.join(' and ') + ids.join(', ')`)).toEqual([' and '])
  })

  it('is a small word where a sentence chooses between two, and where a table says that it is of words', () => {
    const code = 'const COUNT_WORDS = [`none`]; export const a = `Wind ${n === 1 ? "one" : `${n}`} for ${kind ? 1 : 2}`'
    expect(sentencesIn('a.ts', code)).toEqual(['none', 'Wind {part} for {part2}', 'one'])
  })

  it('of a number with its word is both forms', () => {
    expect(sentencesIn('a.ts', `export const a = counted(n, 'needle') + counted(n, 'box', 'boxes')`)).toEqual([
      'needle | needles',
      'box | boxes',
    ])
  })
})

describe('a file in another language', () => {
  it('has the parts of a sentence where that language puts them', () => {
    const code = 'export const left = `${name} has ${plain(mm)} mm left`\n'
    expect(said(code, { '{name} has {plain} mm left': 'Noch {plain} mm: {name}' }, 'a.ts')).toBe(
      'export const left = `Noch ${plain(mm)} mm: ${name}`\n',
    )
  })

  it('says what is inside of a part as well', () => {
    const code = "export const left = `Take ${worn ? 'the old one' : name} out`\n"
    const sentences = { 'Take {part} out': 'Heraus: {part}', 'the old one': 'die alte' }
    expect(said(code, sentences, 'a.ts')).toBe('export const left = `Heraus: ${worn ? "die alte" : name}`\n')
  })

  it('moves the elements of a sentence with their own words in them', () => {
    const code = page('<p>Take <b className="font-bold">the needle</b> out, {name}.</p>')
    expect(said(code, { 'Take {b} out, {name}.': '{name}: {b} heraus.', 'the needle': 'die Nadel' })).toBe(
      page('<p>{name}{": "}<b className="font-bold">{"die Nadel"}</b>{" heraus."}</p>'),
    )
  })

  it('joins the lines of a sentence as the browser does', () => {
    const code = page(`<p>
      Two lines,{' '}
      <b>one</b> sentence.
    </p>`)
    expect(sentencesIn('page.tsx', code)).toEqual(['Two lines, {b} sentence.', 'one'])
  })

  it('says an attribute and keeps what is a sign in it', () => {
    expect(said(page('<i title="A needle" />'), { 'A needle': 'Eine „"Nadel' })).toBe(
      page('<i title={"Eine „\\"Nadel"} />'),
    )
  })

  it('stays English where nothing is said, to the letter', () => {
    const file = 'core/machine/kinds/needle-changed.ts'
    const source = readFileSync(file, 'utf8')
    expect(inLanguage(file, source, () => undefined)).toBe(source)
  })
})
