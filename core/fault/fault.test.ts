import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { CAUSES, OWN_CURES, SEW_AGAIN_SECONDS } from '../knowledge/fault/fault'
import { CHECKS, FAULT_CHECKS, type FaultCheck } from '../knowledge/fault/fault-check'
import { EVIDENCE } from '../knowledge/fault/fault-evidence'
import { SYMPTOM_WORDS, SYMPTOMS, type Symptom } from '../knowledge/fault/symptom'
import { findFault, type FaultQuestion, type KnownOfFault } from './fault'

const names = (question: FaultQuestion) => findFault(question).checks.map(({ check }) => check)
const chance = (question: FaultQuestion, check: FaultCheck) =>
  findFault(question).checks.find((each) => each.check === check)?.chance ?? 0

const anyKnown: fc.Arbitrary<KnownOfFault> = fc.record(
  {
    needleHours: fc.double({ min: 0, max: 20, noNaN: true }),
    bobbinsSinceClean: fc.nat(20),
    threadedFootDown: fc.boolean(),
    needlePoint: fc.constantFrom('universal', 'ballpoint', 'leather'),
    fabricStructure: fc.constantFrom('woven', 'knit', 'leather'),
    threadAgeYears: fc.nat(40),
    recentStrike: fc.boolean(),
  },
  { requiredKeys: [] },
)
const anySymptom = fc.constantFrom(...SYMPTOMS)
const anyAnswers = fc.uniqueArray(fc.record({ check: fc.constantFrom(...FAULT_CHECKS), found: fc.boolean() }), {
  selector: ({ check }) => check,
  maxLength: 6,
})

describe('what to look at next', () => {
  it('is a list of chances, best first, whatever is known', () =>
    fc.assert(
      fc.property(anySymptom, anyKnown, anyAnswers, (symptom, known, answers) => {
        const { stop, checks, because } = findFault({ symptom, known, answers })
        expect(stop).toBe(symptom === 'electrical')
        const total = checks.reduce((sum, each) => sum + each.chance, 0)
        expect(total).toBeLessThanOrEqual(1 + 1e-9)
        for (const each of checks) {
          expect(each.chance).toBeGreaterThanOrEqual(0)
          expect(each).toMatchObject({ remedy: CHECKS[each.check].remedy, seconds: CHECKS[each.check].seconds })
          // A caution that is there says something.
          if ('caution' in each) expect(each.caution).toMatch(/\w/)
        }
        const gone = answers.filter(({ found }) => !found).map(({ check }) => check)
        expect(checks.map(({ check }) => check).filter((check) => gone.includes(check))).toEqual([])
        for (const sentence of because) expect(sentence).not.toMatch(/[{}]|undefined/)
      }),
    ))

  it('offers nothing for anything electrical', () => {
    expect(findFault({ symptom: 'electrical', known: { needleHours: 9 } })).toMatchObject({ stop: true, checks: [] })
  })

  it('begins with the cheap and the common', () => {
    expect(names({ symptom: 'loops-under' })[0]).toBe('rethread-foot-up')
    expect(names({ symptom: 'nest-at-start' })[0]).toBe('tails-held')
    expect(names({ symptom: 'needle-stands-still' })[0]).toBe('winder-engaged')
    expect(names({ symptom: 'will-not-feed' })[0]).toBe('feed-dogs')
    expect(names({ symptom: 'bobbin-loose' })[0]).toBe('bobbin-seated')
    expect(names({ symptom: 'crash-at-start' })[0]).toBe('spool-path')
  })

  it('is every piece of the needle first after a break, until that is answered', () => {
    expect(names({ symptom: 'needle-breaks' })[0]).toBe('needle-fragment')
    expect(names({ symptom: 'needle-breaks', known: { recentStrike: true } })[0]).toBe('needle-fragment')
    expect(names({ symptom: 'needle-breaks', answers: [{ check: 'needle-fragment', found: false }] })[0]).not.toBe(
      'needle-fragment',
    )
  })

  it('asks for the pieces of a needle only where one broke, and not again once they were looked for', () => {
    const named = (symptom: Symptom) =>
      CAUSES[symptom as keyof typeof CAUSES].some(({ check }) => check === 'needle-fragment')
    for (const symptom of SYMPTOMS.filter((each) => each !== 'electrical' && each !== 'needle-breaks'))
      expect([symptom, names({ symptom }).includes('needle-fragment')]).toEqual([symptom, named(symptom)])
    const looked = findFault({ symptom: 'needle-breaks', answers: [{ check: 'needle-fragment', found: true }] })
    const other = findFault({ symptom: 'needle-breaks', answers: [{ check: 'needle-condition', found: false }] })
    expect(looked.checks.map(({ check }) => check)).not.toContain('needle-fragment')
    expect(other.checks[0]!.check).toBe('needle-fragment')
  })

  it('comes in the order of chance over the time it takes, a line sewn again counted in', () => {
    for (const symptom of SYMPTOMS.filter((each) => each !== 'electrical' && each !== 'needle-breaks')) {
      const worths = findFault({ symptom })
        .checks.filter(({ check }) => check !== 'service')
        .map(({ chance, seconds }) => chance / (seconds + SEW_AGAIN_SECONDS))
      expect([symptom, worths]).toEqual([symptom, [...worths].sort((a, b) => b - a)])
    }
  })

  it('speaks of a strike only where a strike can be the cause, and only beside the first thing to look at', () => {
    const struck = findFault({ symptom: 'skipped', known: { recentStrike: true } })
    const cautions = struck.checks.map(({ caution }) => caution ?? '')
    const without = findFault({ symptom: 'skipped' }).checks
    for (const { check, caution } of struck.checks.slice(1))
      expect([check, caution]).toEqual([check, without.find((each) => each.check === check)!.caution])
    expect(cautions[0]).not.toBe(without.find(({ check }) => check === struck.checks[0]!.check)!.caution ?? '')
    expect(findFault({ symptom: 'electrical' }).because.join(' ')).toContain('unplug')
  })

  it('asks a technician with all that was looked at, and without where nothing was', () => {
    const service = (answers: FaultQuestion['answers']) =>
      findFault({ symptom: 'skipped', ...(answers && { answers }) }).checks.find(({ check }) => check === 'service')!
    expect(service(undefined).how).not.toContain('Say what was looked at')
    expect(service([{ check: 'lint', found: false }]).how).toContain('Say what was looked at: ')
  })

  it('weighs a room’s own cures by how often that check was it before, so that two causes of one check share them', () => {
    for (const symptom of SYMPTOMS.filter((each) => each !== 'electrical')) {
      const first = findFault({ symptom }).checks.find(({ check }) => check !== 'needle-fragment')!
      const learnt = findFault({ symptom, cures: { [first.check]: 40 } })
      const chance = learnt.checks.find(({ check }) => check === first.check)!.chance
      expect([symptom, chance > 0.6, chance <= 1]).toEqual([symptom, true, true])
    }
  })

  it('counts each cure of a room once, whether one cause or several ask for its check', () => {
    for (const symptom of SYMPTOMS.filter((each) => each !== 'electrical'))
      for (const check of new Set(CAUSES[symptom].map((each) => each.check))) {
        const before = chance({ symptom }, check)
        expect([symptom, check, chance({ symptom, cures: { [check]: 5 } }, check)]).toEqual([
          symptom,
          check,
          expect.closeTo((before * OWN_CURES + 5) / (OWN_CURES + 5), 9),
        ])
      }
  })

  it('tells what was done just now, but of a break nothing that whoever broke it does not know', () => {
    const { because } = findFault({ symptom: 'needle-breaks', known: { straightPlateBefore: true } })
    expect(because).toEqual(['The kit before this one had the straight-stitch plate or foot on.'])
    expect(findFault({ symptom: 'needle-breaks' }).because).toEqual([])
    expect(findFault({ symptom: 'jam', known: { recentStrike: true } }).because).toContain(
      'It struck something and now stands: a piece may lie in the race.',
    )
  })

  it('tells nothing of what cannot be the cause of what is seen', () => {
    const known = { bobbinsSinceClean: 12, needleHours: 9 }
    for (const symptom of SYMPTOMS.filter((each) => each !== 'electrical')) {
      const checks = CAUSES[symptom].map(({ check }) => check)
      const said = findFault({ symptom, known }).because.join(' ')
      if (!checks.includes('lint')) expect([symptom, said]).toEqual([symptom, expect.not.stringContaining('bobbins')])
      if (!checks.includes('needle-condition'))
        expect([symptom, said]).toEqual([symptom, expect.not.stringContaining('hours')])
    }
  })

  it('warns of a symptom beside the first thing to look at, and beside each where it holds for all', () => {
    const stopped = findFault({ symptom: 'popping' }).checks
    expect(stopped[0]!.caution).toContain('a needle that touches breaks and flies')
    for (const { caution } of stopped.slice(1)) expect(caution ?? '').not.toContain('a needle that touches')
    // What holds for the whole machine stands beside everything that is looked at.
    for (const { caution } of findFault({ symptom: 'jam' }).checks) expect(caution).toContain('Do not force the wheel')
  })

  it('ends with the technician when everything else found nothing', () => {
    for (const symptom of SYMPTOMS.filter((each) => each !== 'electrical')) {
      const answers = FAULT_CHECKS.filter((check) => check !== 'service').map((check) => ({ check, found: false }))
      expect([symptom, names({ symptom, answers })]).toEqual([symptom, ['service']])
    }
  })

  it('leans on what the book knows', () => {
    expect(names({ symptom: 'skipped', known: { needleHours: 9.5 } })[0]).toBe('needle-condition')
    expect(
      names({ symptom: 'skipped', known: { needlePoint: 'universal', fabricStructure: 'knit', needleHours: 0 } })[0],
    ).toBe('needle-fits')
    const dirty = { symptom: 'bobbin-on-top', known: { bobbinsSinceClean: 12 } } as const
    expect(chance(dirty, 'lint')).toBeGreaterThan(chance({ symptom: 'bobbin-on-top' }, 'lint'))
    const up = { symptom: 'loops-under', known: { threadedFootDown: false } } as const
    expect(names(up)[0]).not.toBe('rethread-foot-up')
    expect(findFault(dirty).because).toEqual(['12 bobbins since it was cleaned.'])
  })

  it('believes an answer: what was found comes to the top, and what found nothing lifts the rest', () => {
    const found = { symptom: 'skipped', answers: [{ check: 'needle-seated', found: true }] } as const
    expect(names(found)[0]).toBe('needle-seated')
    expect(chance(found, 'needle-seated')).toBeGreaterThan(0.6)
    const not = { symptom: 'skipped', answers: [{ check: 'needle-condition', found: false }] } as const
    expect(chance(not, 'needle-fits')).toBeGreaterThan(chance({ symptom: 'skipped' }, 'needle-fits'))
  })

  it('learns from the room’s own cures, and forgets nothing the field knows', () => {
    const symptom = 'loops-under'
    const own = { symptom, cures: { lint: 12 } } as const
    expect(chance(own, 'lint')).toBeGreaterThan(chance({ symptom }, 'lint') * 3)
    expect(chance(own, 'rethread-foot-up')).toBeGreaterThan(0.1)
    expect(names({ symptom, cures: { 'take-up': 30 } })[0]).toBe('take-up')
  })
})

describe('what is known of faults', () => {
  it('has words for every symptom, causes for every one but the electrical, and likelihoods within bounds', () => {
    expect(Object.keys(SYMPTOM_WORDS).sort()).toEqual([...SYMPTOMS].sort())
    expect([...Object.keys(CAUSES), 'electrical'].sort()).toEqual([...SYMPTOMS].sort())
    for (const { give } of EVIDENCE)
      for (const likelihood of [give.withIt, give.without]) {
        expect(likelihood).toBeGreaterThanOrEqual(0.02)
        expect(likelihood).toBeLessThanOrEqual(0.98)
      }
    const causes = new Set(Object.values(CAUSES).flatMap((list) => list.map(({ cause }) => cause)))
    for (const { give } of EVIDENCE) expect(give.causes.some((cause) => causes.has(cause))).toBe(true)
  })

  it('lets no learner open covers, and leaves timing to the technician', () => {
    for (const check of ['lint', 'foot-pressure', 'plate-and-foot', 'needle-fragment'] as const)
      expect([check, CHECKS[check].who]).toEqual([check, 'staff'])
    expect(CHECKS.service.who).toBe('technician')
    const symptom: Symptom = 'skipped'
    expect(findFault({ symptom }).checks.find(({ check }) => check === 'service')!.who).toBe('technician')
  })
})
