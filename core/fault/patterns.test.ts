import { describe, expect, it } from 'vitest'
import { curesOf, faultPatterns, type PastRun } from './patterns'

const run = (machineId: string, symptom: PastRun['symptom'], cured?: PastRun['cured'], day = 1): PastRun => ({
  machineId,
  symptom,
  outcome: cured ? 'cured' : 'service',
  ...(cured && { cured }),
  cloth: 'knit',
  happenedAt: new Date(Date.UTC(2026, 0, day)).toISOString(),
})

describe('what comes back', () => {
  it('is told by machine and symptom, the most frequent first, as a sentence with what to teach', () => {
    const [first, second, ...rest] = faultPatterns([
      run('heron', 'nest-at-start', 'rethread-foot-up'),
      run('heron', 'nest-at-start', 'rethread-foot-up', 3),
      run('heron', 'nest-at-start', 'rethread-foot-up', 2),
      run('knot', 'skipped', 'needle-condition'),
      run('knot', 'skipped'),
      run('plover', 'jam', 'lint'),
    ])
    expect(rest).toEqual([])
    expect(first).toMatchObject({
      machineId: 'heron',
      count: 3,
      sentence: 'a nest underneath at the start, three times, each time cured by: thread again, foot up.',
      teach: 'Teach threading with the foot up.',
      cloths: ['knit'],
      lastAt: '2026-01-03T00:00:00.000Z',
    })
    expect(second).toMatchObject({
      machineId: 'knot',
      sentence: 'skipped stitches, twice, once cured by: the needle itself.',
    })
    // One of two is no pattern to teach from.
    expect(second!.teach).toBeUndefined()
  })

  it('comes in the order of how often, then of how lately, whatever the order of the runs', () => {
    const runs = [
      run('seldom', 'jam', undefined, 9),
      run('seldom', 'jam', undefined, 2),
      run('often', 'jam', undefined, 1),
      run('often', 'jam', undefined, 3),
      run('often', 'jam', undefined, 2),
      run('earlier', 'jam', undefined, 4),
      run('earlier', 'jam', undefined, 5),
      run('once', 'jam', 'lint', 10),
    ]
    for (const told of [runs, [...runs].reverse()])
      expect(faultPatterns(told).map(({ machineId }) => machineId)).toEqual(['often', 'seldom', 'earlier'])
    expect(faultPatterns(runs, 3).map(({ machineId }) => machineId)).toEqual(['often'])
  })

  it('names what cured most first, and each cloth once', () => {
    const [only] = faultPatterns([
      { ...run('heron', 'jam', 'lint'), cloth: 'woven' },
      run('heron', 'jam', 'needle-condition'),
      run('heron', 'jam', 'needle-condition'),
      { ...run('heron', 'jam', 'needle-condition'), cloth: 'denim' },
    ])
    expect(only).toMatchObject({
      cured: [
        { check: 'needle-condition', count: 3 },
        { check: 'lint', count: 1 },
      ],
      cloths: ['denim', 'knit', 'woven'],
      sentence: expect.stringContaining('three times cured by') as string,
      teach: expect.stringContaining('Its needles wear out sooner') as string,
    })
  })

  it('says so when nothing at the table cured it', () => {
    expect(faultPatterns([run('a', 'jam'), run('a', 'jam')])[0]!.sentence).toContain('never cured at the table')
    expect(faultPatterns([])).toEqual([])
  })

  it('feeds the finder with what cured a symptom here', () => {
    const runs = [run('a', 'jam', 'lint'), run('b', 'jam', 'lint'), run('b', 'skipped', 'needle-fits'), run('b', 'jam')]
    expect(curesOf(runs, 'jam')).toEqual({ lint: 2 })
    expect(curesOf(runs, 'puckers')).toEqual({})
  })
})
