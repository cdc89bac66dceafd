import { renderToStaticMarkup } from 'react-dom/server'
import { describe, expect, it } from 'vitest'
import { SYMPTOMS } from '@/core/knowledge/fault/symptom'
import type { DrawnStitch } from '@/core/stitch/geometry'
import { DialCurve, type CurvePoint } from './dial-curve'
import { SewnFace, SewnSection } from './sewn-line'
import { StepPicture } from './step-picture'
import { MOMENTS, StitchForming } from './stitch-forming'
import { SymptomDrawing } from './symptom'

const stitch: DrawnStitch = {
  kind: 'straight',
  lengthMm: 2.5,
  widthMm: 0,
  topThreadMm: 0.2,
  bobbinThreadMm: 0.2,
  stackMm: 0.6,
  needleMm: 0.8,
  lockMm: 0,
  s: 0,
  skipped: 0,
}
const label = (markup: string) => /aria-label="([^"]+)"/.exec(markup)?.[1]
const count = (markup: string, pattern: RegExp) => [...markup.matchAll(pattern)].length

describe('a sewn line', () => {
  it('shows dots of the other thread on the face that it was drawn to, and says so', () => {
    const top = renderToStaticMarkup(<SewnFace face="top" stitch={{ ...stitch, s: 1 }} />)
    expect(label(top)).toBe('Top: dots of the bobbin thread')
    expect(count(top, /data-kind="dot" data-thread="bobbin"/g)).toBe(8)
    const under = renderToStaticMarkup(<SewnFace face="under" stitch={{ ...stitch, s: 1 }} />)
    expect(label(under)).toBe('Underside: its own thread alone')
    expect(count(under, /data-kind="dot"/g)).toBe(0)
  })

  it('turns dots into a line on top and into loops below', () => {
    expect(label(renderToStaticMarkup(<SewnFace face="top" stitch={{ ...stitch, s: 3 }} />))).toContain('lies along it')
    expect(label(renderToStaticMarkup(<SewnFace face="under" stitch={{ ...stitch, s: -3 }} />))).toContain('loops')
    expect(label(renderToStaticMarkup(<SewnFace face="under" nest stitch={stitch} />))).toContain('a nest')
    expect(label(renderToStaticMarkup(<SewnFace face="top" nest stitch={stitch} />))).toContain('its own')
  })

  it('has a hole for each stitch, and fewer when some are skipped', () => {
    const holes = (skipped: number) =>
      count(renderToStaticMarkup(<SewnFace face="top" stitch={{ ...stitch, skipped }} />), /data-kind="hole"/g)
    expect(holes(0)).toBe(8)
    expect(holes(0.25)).toBe(6)
  })

  it('moves the lock with the tension: the section says where it lies', () => {
    const where = (lockMm: number) => label(renderToStaticMarkup(<SewnSection stitch={{ ...stitch, lockMm }} />))
    expect(where(0)).toContain('in the middle')
    expect(where(0.2)).toContain('above the middle')
    expect(where(-0.2)).toContain('below the middle')
    expect(where(1)).toContain('on top')
    expect(where(-1)).toContain('underneath')
  })

  it('draws both threads so that they differ without colour: the bobbin’s is striped', () => {
    const markup = renderToStaticMarkup(<SewnSection stitch={stitch} />)
    const parts = markup.split('data-thread="bobbin"')
    expect(parts[1]).toContain('stroke-dasharray')
    expect(parts[0]).not.toContain('data-thread="top"')
  })
})

describe('how a stitch forms', () => {
  it('has words for every moment, and another picture for each', () => {
    const drawn = MOMENTS.map((_, moment) => renderToStaticMarkup(<StitchForming moment={moment} />))
    expect(new Set(drawn).size).toBe(MOMENTS.length)
    drawn.forEach((markup, moment) => expect(label(markup)).toContain(MOMENTS[moment]!.title))
  })
})

describe('a machine’s curve', () => {
  const dial = { min: 0, max: 9, normal: 4 }
  const point = (at: number, s: number, onTarget = false): CurvePoint => ({
    dial: at,
    s,
    needle: 'A',
    when: 'Thu 19 Nov, 18:40',
    onTarget,
  })
  const target = { score: 0, within: 0.5 }
  const draw = (points: CurvePoint[], fit?: Parameters<typeof DialCurve>[0]['fit']) =>
    renderToStaticMarkup(<DialCurve dial={dial} points={points} fit={fit} target={target} />)

  it('puts each swatch where its dial stood and what it scored', () => {
    const places = (markup: string) =>
      [...markup.matchAll(/translate\(([\d.]+) ([\d.]+)\)" data-part="swatch"/g)].map(([, x, y]) => [
        Number(x),
        Number(y),
      ])
    const [[x1, y1], [x2, y2]] = places(draw([point(3, -1), point(6, 1)])) as [[number, number], [number, number]]
    expect(x2).toBeGreaterThan(x1)
    // Up is the bobbin on top.
    expect(y2).toBeLessThan(y1)
    const [[left], [right]] = places(draw([point(0, 0), point(9, 0)])) as [[number, number], [number, number]]
    expect(right - left).toBeCloseTo(720 - 56 - 20, 5)
  })

  it('says where it is most likely right, and draws the line and the interval', () => {
    const markup = draw([point(4, 0, true)], { best: 3.7, slope: 0.8, interval: [3.2, 4.1] })
    expect(label(markup)).toBe('1 swatches; most likely right at 3.7, between 3.2 and 4.1')
    expect(markup).toContain('data-part="fit"')
    expect(markup).toContain('data-part="interval"')
    expect(draw([])).not.toContain('data-part="fit"')
  })
})

describe('pictures of symptoms', () => {
  it('are each their own', () => {
    const drawn = SYMPTOMS.map((symptom) => renderToStaticMarkup(<SymptomDrawing symptom={symptom} />))
    expect(new Set(drawn).size).toBe(SYMPTOMS.length)
  })
})

describe('the picture of a step', () => {
  it('is drawn for this machine, and is none where the trait it needs is not known', () => {
    const needle = (shankFlat: 'back' | 'left') =>
      renderToStaticMarkup(
        <StepPicture
          drawing="needle"
          drawn={{ traits: { shankFlat, eyeThreaded: 'front-to-back' }, set: undefined }}
        />,
      )
    expect(needle('back')).not.toBe(needle('left'))
    const none = { traits: {}, set: undefined }
    for (const drawing of ['bobbin', 'dial', 'spool'] as const)
      expect(renderToStaticMarkup(<StepPicture drawing={drawing} drawn={none} />)).toBe('')
    expect(renderToStaticMarkup(<StepPicture drawing={undefined} drawn={none} />)).toBe('')
    const foot = (drawing: 'foot-up' | 'foot-down') =>
      renderToStaticMarkup(<StepPicture drawing={drawing} drawn={none} />)
    expect(label(foot('foot-up'))).toBe('The presser foot is up')
    expect(label(foot('foot-down'))).toBe('The presser foot is down')
  })
})
