import { renderToStaticMarkup } from 'react-dom/server'
import { describe, expect, it } from 'vitest'
import { computeKit } from '@/core/kit/kit'
import type { Point } from '@/core/knowledge/needle/needle'
import { BobbinDrawing } from './bobbin'
import { DialDrawing } from './dial'
import { NeedleDrawing, NeedlePlan } from './needle'
import { PX_PER_MM } from './needle-geometry'
import { POINTS } from '@/core/knowledge/needle/needle'
import { BAG_WORDS, BagMark } from './bag-mark'
import { NeedleBars } from './needle-bars'
import { StackDrawing } from './stack'
import { StitchDrawing } from './stitch'
import { NeedleTag } from './tag'

const numberAfter = (markup: string, pattern: RegExp): number => Number(pattern.exec(markup)?.[1])
const needle = (sizeNm: number, threadMm: number, point: Point = 'universal') => ({
  point,
  sizeNm,
  eyeMm: (sizeNm / 100) * 0.42,
  threadMm,
})
const draw = (
  each: Parameters<typeof NeedleDrawing>[0]['needle'],
  way: Parameters<typeof NeedleDrawing>[0]['way'] = { shankFlat: 'back', eyeThreaded: 'front-to-back' },
) => renderToStaticMarkup(<NeedleDrawing needle={each} way={way} />)

describe('drawings take their measures from numbers', () => {
  it('a needle’s blade, eye and thread are to one scale', () => {
    const markup = draw(needle(80, 0.204))
    expect(numberAfter(markup, /data-part="blade" data-width="([\d.]+)"/)).toBeCloseTo(0.8 * PX_PER_MM, 2)
    expect(numberAfter(markup, /data-part="eye"[^>]* rx="([\d.]+)"/) * 2).toBeCloseTo(0.336 * PX_PER_MM, 2)
    expect(numberAfter(markup, /data-part="thread"[^>]* rx="([\d.]+)"/) * 2).toBeCloseTo(0.204 * PX_PER_MM, 2)
  })

  it('two different kits give two different needles', () => {
    const request = { layers: { seam: 2, crossing: 2 }, operation: 'seam' as const }
    const drawn = [110, 420].map((massGsm) => {
      const { needle: chosen, fit } = computeKit({ ...request, fabric: { structure: 'woven', massGsm } }).kits[0]!
      const markup = draw({ point: chosen.point, sizeNm: chosen.sizeNm, eyeMm: fit.eyeMm, threadMm: fit.threadMm })
      return { size: chosen.sizeNm, width: numberAfter(markup, /data-width="([\d.]+)"/) }
    })
    expect(drawn[1]!.width / drawn[0]!.width).toBeCloseTo(drawn[1]!.size / drawn[0]!.size, 3)
    expect(drawn[1]!.width).toBeGreaterThan(drawn[0]!.width)
  })

  it('a flat-left needle is seen from its side, thread coming from the right', () => {
    const vintage = draw(needle(90, 0.2), { shankFlat: 'left', eyeThreaded: 'right-to-left' })
    expect(vintage).toContain('flat to the left')
    expect(vintage).toContain('data-part="scarf"')
    expect(vintage).not.toContain('data-part="eye"')
    expect(renderToStaticMarkup(<NeedlePlan way={{ shankFlat: 'left', eyeThreaded: 'right-to-left' }} />)).toMatch(
      /data-flat="left".*rotate\(180\)/s,
    )
    expect(
      renderToStaticMarkup(<NeedlePlan way={{ shankFlat: 'round', eyeThreaded: 'left-to-right' }} />),
    ).not.toContain('data-flat')
  })

  it('a twin has two blades its gap apart', () => {
    const markup = draw({ ...needle(75, 0.2, 'twin-ballpoint'), gapMm: 2.5 })
    const centres = [...markup.matchAll(/translate\((-?[\d.]+) 0\)/g)].map(([, x]) => Number(x))
    expect(centres[1]! - centres[0]!).toBeCloseTo(2.5 * PX_PER_MM, 6)
  })

  it('a dial points where it is set, on its own scale', () => {
    const turn = (max: number, set: number) =>
      numberAfter(
        renderToStaticMarkup(<DialDrawing dial={{ min: 0, max, normal: 4, step: 0.5 }} set={set} />),
        /rotate\((-?[\d.]+)\)" data-part="set"/,
      )
    expect(turn(9, 4.5)).toBeCloseTo(0, 6)
    expect(turn(9, 9)).toBeGreaterThan(turn(9, 3))
    expect(turn(5, 4)).toBeGreaterThan(turn(9, 4))
  })

  it('a stack has its layers, and a 9 is the mirror of a P', () => {
    const layers = (count: number) =>
      renderToStaticMarkup(<StackDrawing thicknessMm={0.3} layers={count} bladeMm={0.8} />).match(/data-part="layer"/g)
        ?.length
    expect([layers(2), layers(6)]).toEqual([2, 6])
    expect(renderToStaticMarkup(<BobbinDrawing runs="9" />)).toContain('scale(-1 1)')
    expect(renderToStaticMarkup(<BobbinDrawing runs="P" />)).not.toContain('scale(-1 1)')
  })
})

describe('a stitch is drawn to scale', () => {
  const stitch = (lengthMm: number, widthMm: number) => ({
    of: 'zigzag' as const,
    iso: '304' as const,
    lengthMm,
    widthMm,
    lock: 'none' as const,
  })
  const lines = (markup: string) => [
    ...markup.matchAll(/data-part="stitch" x1="([\d.]+)" y1="([\d.]+)" x2="([\d.]+)" y2="([\d.]+)"/g),
  ]
  it('twice the length is twice as far, twice the width twice as wide', () => {
    const [short, long, wide] = [stitch(2, 4), stitch(4, 4), stitch(2, 8)].map((each) =>
      lines(renderToStaticMarkup(<StitchDrawing stitch={each} />))[0]!
        .slice(1)
        .map(Number),
    )
    const across = ([x1, , x2]: number[]) => x2! - x1!
    const up = ([, y1, , y2]: number[]) => Math.abs(y2! - y1!)
    expect(across(long!) / across(short!)).toBeCloseTo(2, 6)
    expect(up(wide!) / up(short!)).toBeCloseTo(2, 6)
  })

  it('two rows for a twin, as far apart as its needles', () => {
    const markup = renderToStaticMarkup(<StitchDrawing stitch={stitch(2.5, 0)} gapMm={4} />)
    const rows = [...markup.matchAll(/translate\(0 (-?[\d.]+)\)/g)].map(([, y]) => Number(y))
    expect(rows[1]! - rows[0]!).toBeCloseTo(36, 6)
    expect(markup).toContain('in two rows 4 mm apart')
  })
})

describe('tags and marks', () => {
  it('are told apart without colour: no two points share letters and outline, no two states a shape', () => {
    const tags = (Object.keys(POINTS) as Point[]).map((point) =>
      renderToStaticMarkup(<NeedleTag point={point} sizeNm={80} />),
    )
    expect(new Set(tags).size).toBe(tags.length)
    const marks = (Object.keys(BAG_WORDS) as (keyof typeof BAG_WORDS)[]).map((state) =>
      renderToStaticMarkup(<BagMark state={state} />).replace(/text-\w+/g, ''),
    )
    expect(new Set(marks).size).toBe(marks.length)
  })
})

describe('the needles of a machine as bars', () => {
  it('are as long as their hours, and say them in words', () => {
    const bar = (key: string, hours: number, inside = false) => ({ key, name: key, hours, words: 'x', inside })
    const markup = renderToStaticMarkup(<NeedleBars lifeHours={8} bars={[bar('a', 2), bar('b', 4, true)]} />)
    const widths = [...markup.matchAll(/data-part="hours"[^>]* width="([\d.]+)"/g)].map(([, width]) => Number(width))
    expect(widths[1]! / widths[0]!).toBeCloseTo(2, 6)
    expect(markup).toContain('a 2.0, b 4.0; the room’s life is 8 hours')
  })
})
