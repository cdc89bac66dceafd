import { renderToStaticMarkup } from 'react-dom/server'
import { describe, expect, it } from 'vitest'
import { TOP_LOOKS, UNDER_LOOKS } from '@/core/knowledge/tension/tension'
import { TRAITS } from '@/core/knowledge/machine/trait'
import { HandWheelDrawing, DiscsDrawing, SpoolDrawing, TakeUpDrawing } from './threading'
import { LOOK_WORDS, SwatchFace } from './swatch-face'
import { StackDrawing } from './stack'
import { StandingMark } from './standing-mark'

const words = (trait: keyof typeof TRAITS): string[] => [
  ...(TRAITS[trait] as unknown as { readonly enum: readonly string[] }).enum,
]
const spoken = (markup: string) => /aria-label="([^"]+)"/.exec(markup)?.[1] ?? ''
/** The picture without its words: what somebody sees who does not read. */
const drawn = (markup: string) => markup.replaceAll(/aria-label="[^"]*"/g, '')

describe('each way a machine can be made has a picture and words of its own', () => {
  it('where its spool sits', () => {
    const all = words('spoolPin').map((pin) => renderToStaticMarkup(<SpoolDrawing pin={pin as 'lying'} />))
    // A machine with both kinds of pin is drawn with the one that is used first.
    expect(new Set(all.map(drawn)).size).toBe(all.length - 1)
    for (const markup of all) expect(spoken(markup).length).toBeGreaterThan(12)
  })

  it('where its discs are', () => {
    const [outside, inside] = (['outside', 'hidden'] as const).map((discs) =>
      renderToStaticMarkup(<DiscsDrawing discs={discs as never} />),
    ) as [string, string]
    expect(spoken(outside)).toContain('outside')
    expect(spoken(inside)).toContain('inside')
    expect(drawn(outside)).not.toBe(drawn(inside))
  })

  it('what its take-up lever ends in', () => {
    const all = words('takeUp').map((takeUp) => renderToStaticMarkup(<TakeUpDrawing takeUp={takeUp as 'closed-eye'} />))
    expect(new Set(all.map(drawn)).size).toBe(all.length)
    expect(all.filter((markup) => spoken(markup).includes('closed eye'))).toHaveLength(1)
  })

  it('which way its wheel turns, and says nothing of it where nobody knows', () => {
    const wheel = (turns?: 'towards' | 'away') => renderToStaticMarkup(<HandWheelDrawing turns={turns} />)
    expect(spoken(wheel('towards'))).toContain('towards you')
    expect(spoken(wheel('away'))).toContain('away from you')
    expect(spoken(wheel())).toBe('The hand wheel')
    // Without a known way there is no arrow to follow.
    expect(wheel().match(/<path/g)).toBeNull()
    expect(wheel('away')).toContain('scale(-1 1)')
  })
})

describe('the faces of a swatch', () => {
  const faces = [
    ...TOP_LOOKS.map((look) => renderToStaticMarkup(<SwatchFace face="top" look={look} />)),
    ...UNDER_LOOKS.map((look) => renderToStaticMarkup(<SwatchFace face="under" look={look} />)),
  ]

  it('are all told apart by what is drawn, and say what they show', () => {
    expect(new Set(faces.map(drawn)).size).toBe(faces.length)
    expect(new Set(faces.map(spoken)).size).toBe(faces.length)
    expect(Object.keys(LOOK_WORDS.top)).toEqual([...TOP_LOOKS])
    expect(Object.keys(LOOK_WORDS.under)).toEqual([...UNDER_LOOKS])
  })

  it('tell the two threads apart without colour: one is full, the other an outline', () => {
    const grey = (markup: string) => drawn(markup).replaceAll(/text-(primary|secondary)/g, '')
    expect(new Set(faces.map(grey)).size).toBe(faces.length)
  })
})

describe('a stack under its needle', () => {
  const stack = (thicknessMm: number, layers: number, bladeMm = 0.8) =>
    renderToStaticMarkup(<StackDrawing thicknessMm={thicknessMm} layers={layers} bladeMm={bladeMm} />)
  const blade = (markup: string) => Number(/<rect x="[^"]+" y="0" width="([\d.]+)"/.exec(markup)![1])

  it('has as many layers as are sewn, and says how high they are', () => {
    for (const layers of [1, 2, 4, 9]) expect(stack(0.5, layers).match(/data-part="layer"/g)).toHaveLength(layers)
    expect(spoken(stack(0.5, 4))).toBe('4 layers make 2.0 mm under a 0.80 mm blade')
  })

  it('is drawn to one scale with the blade: a thicker needle is thicker, a higher stack makes it look finer', () => {
    expect(blade(stack(0.5, 4, 1.1)) / blade(stack(0.5, 4, 0.8))).toBeCloseTo(1.1 / 0.8, 6)
    expect(blade(stack(2, 6))).toBeLessThan(blade(stack(0.5, 6)))
  })

  it('always fits its picture', () => {
    for (const [thick, layers] of [
      [0.05, 1],
      [6, 40],
      [1, 12],
    ] as const)
      for (const [, top] of stack(thick, layers).matchAll(/d="M6 ([-\d.]+) q/g)) {
        expect(Number(top)).toBeGreaterThanOrEqual(0)
        expect(Number(top)).toBeLessThanOrEqual(104)
      }
  })
})

it('a standing is a shape and a word, whatever its colour', () => {
  const marks = (['ready', 'due', 'stopped'] as const).map((standing) =>
    renderToStaticMarkup(<StandingMark standing={standing} />),
  )
  const shapes = marks.map((markup) => /<svg.*<\/svg>/s.exec(markup)![0])
  expect(new Set(shapes).size).toBe(3)
  expect(marks.map((markup) => markup.replaceAll(/<[^>]+>/g, ''))).toEqual(['ready', 'due', 'stopped'])
})
