import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { anyHappening } from '../testing/histories'
import type { Happening } from './event'
import { eventWords } from './event'
import { settingsWords } from './kinds/settings'

const words = (happened: Happening) => {
  const { title, detail } = eventWords(happened)
  return `${title} | ${detail}`
}

describe('a line in words', () => {
  it('has a title and no gaps, whatever it tells of', () =>
    fc.assert(
      fc.property(anyHappening, (happened) => {
        const { title, detail } = eventWords(happened)
        expect(title.length).toBeGreaterThan(2)
        expect(`${title} ${detail}`).not.toMatch(/undefined|NaN|\[object|[{}]/)
        expect(detail === '' || /[.!?]$|\w|\)$/.test(detail)).toBe(true)
      }),
      { numRuns: 400 },
    ))

  it('says what a run of the finder came to, and what cured it', () => {
    const answers = [
      { check: 'tails-held' as const, found: false },
      { check: 'rethread-foot-up' as const, found: true },
    ]
    expect(
      words({
        kind: 'fault-run',
        body: { symptom: 'nest-at-start', answers, outcome: 'cured', cured: 'rethread-foot-up' },
      }),
    ).toBe(
      'A nest underneath at the start: cured | Threaded again with the foot up, so that the discs hold the thread. 2 things looked at.',
    )
    expect(words({ kind: 'fault-run', body: { symptom: 'jam', answers: [], outcome: 'service' } })).toContain(
      'for a technician',
    )
  })

  it('counts eighths of a bobbin screw, and says which way', () => {
    expect(words({ kind: 'bobbin-screw-turned', body: { eighths: -1 } })).toContain('one eighth looser')
    expect(words({ kind: 'bobbin-screw-turned', body: { eighths: 3, because: 'dial at its end' } })).toBe(
      'Bobbin screw 3 eighths tighter | dial at its end',
    )
  })

  it('says by what sewing time was told: the chair, the motor or a meter', () => {
    const used = (use: object, metered?: { stitches: number; starts: number }): Happening => ({
      kind: 'used',
      body: { use: { load: 'hard', ...use } as never, finishedProject: false, ...(metered && { metered }) },
    })
    expect(words(used({ chairMinutes: 80, duty: 0.25 }))).toContain('80 chair minutes, hard load')
    expect(words(used({ motorMinutes: 4 }, { stitches: 900, starts: 7 }))).toContain(
      '4 motor minutes by the run meter, 900 stitches in 7 starts, hard load',
    )
  })

  it('speaks of one thing as one, and of no figure that only the machine reads', () => {
    expect(
      words({ kind: 'used', body: { use: { load: 'ordinary', motorMinutes: 1 }, finishedProject: false } }),
    ).toContain('1 motor minute, ')
    expect(
      words({
        kind: 'swatch-stitched',
        body: { dial: 4, target: 'straight', top: 'own', under: 'dots', signs: [] } as never,
      }),
    ).not.toMatch(/score/i)
  })

  it('puts settings as a person says them', () => {
    expect(settingsWords({ dial: 4, lengthMm: 2.5, needlePosition: 'left' })).toBe(
      'dial 4, length 2.5 mm, needle position left',
    )
  })
})
