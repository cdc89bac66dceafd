import { describe, expect, it } from 'vitest'
import { CHECKS, type FaultCheck } from '../knowledge/fault/fault-check'
import type { Symptom } from '../knowledge/fault/symptom'
import { findFault, type FaultAnswer, type KnownOfFault } from './fault'

/** What happened, what the room knows, and what it turned out to be. Told as people tell them; none is anybody's. */
const STORIES: readonly (readonly [string, Symptom, KnownOfFault, FaultCheck])[] = [
  ['a beginner lets go of the tails', 'nest-at-start', {}, 'tails-held'],
  ['threaded by a friend with the foot down', 'nest-at-start', { threadedFootDown: true }, 'rethread-foot-up'],
  ['the foot was still up', 'nest-at-start', { footUp: true }, 'foot-down'],
  ['began with the lever half-way down', 'nest-at-start', { threadedFootDown: false }, 'take-up'],
  ['a collar point, from its very edge', 'nest-at-start', {}, 'start-inset'],
  ['loops on a towel, threaded in a hurry', 'loops-under', {}, 'rethread-foot-up'],
  ['the thread slipped out of the lever', 'loops-under', { threadedFootDown: false }, 'take-up'],
  ['somebody played with the dial', 'loops-under', { threadedFootDown: false }, 'dial-at-normal'],
  ['a machine that sewed fleece all week', 'loops-under', { threadedFootDown: false, bobbinsSinceClean: 14 }, 'lint'],
  ['dots of the bobbin on top after a dial was turned', 'bobbin-on-top', {}, 'dial-at-normal'],
  ['the bobbin went in beside its spring', 'bobbin-on-top', {}, 'bobbin-seated'],
  ['a thin bobbin thread from another project', 'bobbin-on-top', {}, 'thread-quality'],
  ['the thread caught behind a guide', 'bobbin-on-top', { threadedFootDown: true }, 'rethread-foot-up'],
  [
    'nine hours of denim',
    'skipped',
    { needleHours: 9, fabricStructure: 'woven', needlePoint: 'jeans' },
    'needle-condition',
  ],
  [
    'jersey with the needle that was in',
    'skipped',
    { needlePoint: 'universal', fabricStructure: 'knit', needleHours: 3 },
    'needle-fits',
  ],
  [
    'changed two minutes ago, the wrong way round',
    'skipped',
    { needleHours: 0.05, needlePoint: 'universal', fabricStructure: 'woven' },
    'needle-seated',
  ],
  ['changed just now for one that is too fine', 'skipped', { needleHours: 0.1 }, 'needle-fits'],
  ['it hit a pin ten minutes ago', 'skipped', { needleHours: 1, recentStrike: true }, 'needle-condition'],
  [
    'it hit a pin, and the needle was changed since',
    'skipped',
    { needleHours: 0.3, recentStrike: true },
    'plate-and-foot',
  ],
  [
    'threaded with the foot down, skips now and then',
    'skipped',
    { threadedFootDown: true, needleHours: 3 },
    'rethread-foot-up',
  ],
  [
    'a twin on a plate that is too narrow',
    'skipped',
    { needlePoint: 'twin-stretch', fabricStructure: 'knit' },
    'plate-and-foot',
  ],
  ['a spool from an attic', 'thread-breaks', { threadAgeYears: 25 }, 'thread-quality'],
  ['topstitch thread in an ordinary eye', 'thread-breaks', {}, 'needle-fits'],
  ['a nick in the spool', 'thread-breaks', {}, 'spool-path'],
  ['a burr after a strike', 'thread-breaks', { recentStrike: true }, 'plate-and-foot'],
  ['rethreaded by somebody new', 'thread-breaks', { threadedFootDown: true }, 'rethread-foot-up'],
  ['pulled the cloth from behind', 'needle-breaks', {}, 'feed-dogs'],
  ['over a zip at full speed', 'needle-breaks', {}, 'needle-fits'],
  ['a piece of it is still in the case', 'needle-breaks', {}, 'needle-fragment'],
  ['a wing needle under a straight foot', 'needle-breaks', { needlePoint: 'wing' }, 'plate-and-foot'],
  ['chiffon, from the edge', 'swallowed', {}, 'start-inset'],
  ['chiffon over the zigzag plate', 'swallowed', {}, 'plate-and-foot'],
  ['a dial left at seven', 'puckers', {}, 'dial-at-normal'],
  ['a long stitch on voile', 'puckers', {}, 'length-not-zero'],
  ['velvet that crept', 'creep', {}, 'even-feed'],
  ['a twin hem that rose', 'tunnelling', {}, 'stabiliser'],
  ['a nest wound round the hook', 'jam', {}, 'lint'],
  ['the wheel stands after a break', 'jam', { recentStrike: true }, 'needle-fragment'],
  ['left the winder pushed in', 'needle-stands-still', {}, 'winder-engaged'],
  ['a bang at each stitch, nine hours', 'popping', { needleHours: 9 }, 'needle-condition'],
  [
    'the straight plate of the last class is still on',
    'popping',
    { straightPlateBefore: true, needleHours: 3 },
    'plate-and-foot',
  ],
  ['a bang with a needle put in just now', 'popping', { needleHours: 0.02 }, 'needle-seated'],
  ['thread round the pin', 'crash-at-start', {}, 'spool-path'],
  ['the bobbin the wrong way', 'crash-at-start', {}, 'bobbin-seated'],
  ['the last stitch was not finished', 'will-not-release', {}, 'take-up'],
  ['a soft bobbin wound too fast', 'untidy', {}, 'bobbin-wound'],
  ['cheap thread', 'untidy', {}, 'thread-quality'],
  ['dogs left down by the darning class', 'will-not-feed', {}, 'feed-dogs'],
  ['the case is not home', 'bobbin-loose', {}, 'bobbin-seated'],
  ['the pedal’s plug hangs out', 'will-not-start', {}, 'power'],
  ['the buttonhole lever is down', 'will-not-start', {}, 'foot-down'],
  ['cut the tail to nothing', 'unthreads', {}, 'tails-held'],
  ['a twig of needle in the clamp', 'needle-will-not-go-up', {}, 'needle-fragment'],
  ['wound over its mark', 'bobbin-thread-breaks', {}, 'bobbin-wound'],
  ['a width dial that somebody moved', 'wrong-stitch', {}, 'length-not-zero'],
  ['a knit skirt that opened at the hip', 'seam-undone', { fabricStructure: 'knit' }, 'stitch-suits'],
  ['no three back', 'seam-undone', {}, 'ends-locked'],
]

/** Asks as the finder does, and answers as the story goes; how many checks it took. */
function told(symptom: Symptom, known: KnownOfFault, truth: FaultCheck): number {
  const answers: FaultAnswer[] = []
  for (;;) {
    const { checks } = findFault({ symptom, known, answers })
    const next = checks[0]
    if (!next) return Infinity
    if (next.check === truth) return answers.length + 1
    answers.push({ check: next.check, found: false })
  }
}

describe('fifty stories', () => {
  const counts = STORIES.map(([story, symptom, known, truth]) => ({ story, took: told(symptom, known, truth) }))

  it('end within three checks in nine of ten', () => {
    expect(STORIES.length).toBeGreaterThanOrEqual(50)
    const late = counts.filter(({ took }) => took > 3).map(({ story, took }) => `${story}: ${took}`)
    expect(late.length, late.join('; ')).toBeLessThanOrEqual(STORIES.length / 10)
  })

  it('are found in the end, every one', () => {
    expect(counts.filter(({ took }) => took === Infinity)).toEqual([])
  })
})

describe('what happened just now weighs most', () => {
  const order = (symptom: Symptom, known: KnownOfFault) =>
    findFault({ symptom, known }).checks.map(({ check }) => check)
  it.each(['skipped', 'thread-breaks', 'popping'] as const)(
    'a needle put in just now: seated, then right at all (%s)',
    (symptom) => {
      const checks = order(symptom, { needleHours: 0.1 })
      expect(checks[0]).toBe('needle-seated')
      expect(checks[1]).toBe('needle-fits')
    },
  )

  it.each([0.1, 1, 5, 9])('a strike: the needle, then plate and hook, at %s hours as well', (needleHours) => {
    for (const symptom of ['skipped', 'popping'] as const) {
      const checks = order(symptom, { needleHours, recentStrike: true })
      expect(checks.slice(0, 2)).toEqual(['needle-condition', 'plate-and-foot'])
      expect(findFault({ symptom, known: { recentStrike: true } }).checks[0]!.caution).toMatch(/^Stop sewing/)
    }
  })

  it.each(['twin-universal', 'twin-stretch', 'wing'])('a %s: plate and foot first', (needlePoint) => {
    for (const symptom of ['skipped', 'thread-breaks', 'popping', 'crash-at-start'] as const)
      expect([symptom, order(symptom, { needlePoint })[0]]).toEqual([symptom, 'plate-and-foot'])
    // After a break every piece comes before anything else, always.
    expect(order('needle-breaks', { needlePoint }).slice(0, 2)).toEqual(['needle-fragment', 'plate-and-foot'])
  })

  it('a strike says nothing of what no needle does', () => {
    const nest = findFault({ symptom: 'nest-at-start', known: { recentStrike: true } }).checks[0]!
    expect([nest.check, nest.caution]).toEqual(['tails-held', undefined])
    const other = findFault({ symptom: 'wrong-stitch', known: { recentStrike: true } }).checks[0]!
    expect(other.check).toBe('length-not-zero')
  })

  it('a straight-plate job before: plate and foot first', () => {
    for (const symptom of ['skipped', 'popping', 'thread-breaks'] as const)
      expect(order(symptom, { straightPlateBefore: true })[0]).toBe('plate-and-foot')
  })
})

describe('each check', () => {
  it.each([
    'nest-at-start',
    'loops-under',
    'skipped',
    'thread-breaks',
    'bobbin-on-top',
    'untidy',
    'crash-at-start',
  ] as const)('of %s includes threading again with the foot up', (symptom) =>
    expect(findFault({ symptom }).checks.map(({ check }) => check)).toContain('rethread-foot-up'),
  )

  it('of an untidy seam includes the bobbin, wound and seated; of a wrong stitch never the tension dial', () => {
    const untidy = findFault({ symptom: 'untidy' }).checks.map(({ check }) => check)
    expect(untidy).toEqual(expect.arrayContaining(['bobbin-wound', 'bobbin-seated']))
    expect(findFault({ symptom: 'wrong-stitch' }).checks.map(({ check }) => check)).not.toContain('dial-at-normal')
    const undone = findFault({ symptom: 'seam-undone' }).checks.map(({ check }) => check)
    expect(undone.slice(0, 3)).toEqual(['ends-locked', 'stitch-suits', 'dial-at-normal'])
  })

  it('of a machine that will not start: switch, plug, pedal, speed, then the lever', () => {
    const { checks } = findFault({ symptom: 'will-not-start' })
    expect(checks.map(({ check }) => check).slice(0, 2)).toEqual(['power', 'foot-down'])
    const how = checks[0]!.how.toLowerCase()
    const places = ['switch', 'plug', 'pedal', 'speed', 'lever'].map((word) => how.indexOf(word))
    expect(places).toEqual([...places].sort((a, b) => a - b))
    expect(places).not.toContain(-1)
  })

  it('says how, and what to take care of: a jam is never forced', () => {
    for (const { check, how, caution } of findFault({ symptom: 'jam' }).checks) {
      if (check !== 'service') expect(how).toBe(CHECKS[check].how)
      expect(caution).toMatch(/^Power off\. Do not force the wheel/)
    }
    expect(findFault({ symptom: 'popping' }).checks[0]!.caution).toMatch(/^Stop sewing/)
    expect(
      findFault({ symptom: 'untidy' }).checks.find(({ check }) => check === 'thread-quality')!.caution,
    ).toBeUndefined()
  })

  it('ends with a technician, who is told what was tried', () => {
    const answers = [
      { check: 'needle-condition', found: false },
      { check: 'rethread-foot-up', found: true },
    ] as const
    const last = findFault({ symptom: 'skipped', answers }).checks.at(-1)!
    expect(last.check).toBe('service')
    expect(last.how).toContain('the needle itself; thread again, foot up (found, and not cured)')
  })
})
