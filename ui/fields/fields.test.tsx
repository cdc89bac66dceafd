import { renderToStaticMarkup } from 'react-dom/server'
import { describe, expect, it } from 'vitest'
import { Choice, Choices } from './choice'
import { fieldAt } from './field-at'
import { Amount, Count } from './number'
import { Select } from './select'
import { Text } from './text'

const nothing = () => {}
const idOf = (markup: string, tag: string) => new RegExp(`<${tag}[^>]* id="([^"]+)"`).exec(markup)?.[1]

describe('a field', () => {
  it.each([
    ['input', <Text key="t" label="Name" value="" set={nothing} hint="A nickname will do" error="Fill this in" />],
    ['input', <Count key="c" label="Name" value={3} set={nothing} hint="A nickname will do" error="Fill this in" />],
    [
      'select',
      <Select
        key="s"
        label="Name"
        value="a"
        options={[['a', 'A']]}
        set={nothing}
        hint="A nickname will do"
        error="Fill this in"
      />,
    ],
  ])('ties its label, its hint and what is wrong to its %s', (tag, field) => {
    const markup = renderToStaticMarkup(field)
    const id = idOf(markup, tag)!
    expect(markup).toContain(`for="${id}"`)
    expect(markup).toContain(`aria-describedby="${id}-hint ${id}-error"`)
    expect(markup).toContain('aria-invalid="true"')
    expect(markup).toContain(`id="${id}-error" role="alert"`)
  })

  it('that is well says so, and is described by nothing', () => {
    const markup = renderToStaticMarkup(<Amount label="Mass" unit="g" value={0.5} min={0} set={nothing} />)
    expect(markup).toContain('aria-invalid="false"')
    expect(markup).not.toContain('aria-describedby')
    expect(markup).toContain('step="any"')
    expect(markup).toContain('>g<')
  })

  it('with a few answers shows them all, and which are chosen', () => {
    const options = [
      ['a', 'A'],
      ['b', 'B'],
      ['c', 'C'],
    ] as const
    const one = renderToStaticMarkup(<Choice label="Which" value="b" options={options} set={nothing} />)
    expect(one.match(/type="radio"/g)).toHaveLength(3)
    expect(one.match(/btn-neutral/g)).toHaveLength(1)
    expect(new Set([...one.matchAll(/name="([^"]+)"/g)].map(([, name]) => name)).size).toBe(1)
    const any = renderToStaticMarkup(<Choices label="Which" value={['a', 'c']} options={options} set={nothing} />)
    expect(any.match(/btn-neutral/g)).toHaveLength(2)
  })
})

describe('what is wrong with a body', () => {
  const places = [
    ['name', 'name'],
    ['count', 'item.count'],
    ['item', 'item'],
  ] as const
  it('is said at the field that holds its place, the nearest one', () => {
    expect(fieldAt('name', places)).toBe('name')
    expect(fieldAt('item.count', places)).toBe('count')
    expect(fieldAt('item.system', places)).toBe('item')
    expect(fieldAt('names', places)).toBeUndefined()
    expect(fieldAt('', places)).toBeUndefined()
  })
})
