import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { CARE } from '../knowledge/care/care'
import { computeKit } from '../kit/kit'
import type { MachineEvent, Happening } from '../machine/event'
import { eventBody } from '../machine/event'
import { foldMachine } from '../machine/fold'
import { kitMachine } from '../kit/kit-machine'
import { standingOf } from '../machine/standing'
import type { Traits } from '../knowledge/machine/trait'
import { DEFAULT_HOUSE_RULES } from '../room/house-rules'
import { check } from '../schema/validate'
import { anyHistory } from '../testing/histories'
import { ORDINARY_TRAITS } from '../testing/ordinary-machine'
import { beforeClass, driftOf } from './before-class'
import { careOf } from './care'

const DAY = 24 * 3_600_000
const START = Date.UTC(2026, 0, 1, 18)
const at = (day: number) => new Date(START + day * DAY).toISOString()
let count = 0
const line = (day: number, happening: Happening): MachineEvent => ({
  ...happening,
  eventId: `01900000-0000-7000-9000-${String((count += 1)).padStart(12, '0')}`,
  happenedAt: at(day),
  personId: 'p',
})
const sewn = (day: number, minutes = 30, linty = false) =>
  line(day, {
    kind: 'used',
    body: { use: { load: 'ordinary', motorMinutes: minutes }, finishedProject: false, ...(linty && { linty }) },
  })
const bobbins = (day: number, wound: number) => line(day, { kind: 'bobbin-wound', body: { count: wound } })
const traits: Traits = { ...ORDINARY_TRAITS, oiling: 'race-and-arm' }
const care = (events: MachineEvent[], day: number, more: Traits = traits) =>
  Object.fromEntries(careOf(foldMachine(events), more, undefined, at(day)).map((due) => [due.job, due.status]))

describe('care falls due', () => {
  it('by bobbins or days of use, whichever comes first, and is done by one line', () => {
    expect(care([bobbins(0, 3)], 0)).toMatchObject({ clean: 'soon', 'oil-race': 'soon' })
    expect(care([bobbins(0, 4)], 0)).toMatchObject({ clean: 'due', 'oil-race': 'due' })
    expect(care([sewn(0)], 0)).toMatchObject({ clean: 'due', 'room-check': 'due' })
    expect(care([sewn(0), sewn(7)], 7)).toMatchObject({ clean: 'late' })
    expect(care([sewn(0), line(0, { kind: 'cleaned', body: {} })], 0)).toMatchObject({
      clean: 'well',
      'oil-race': 'due',
    })
    expect(care([sewn(0), line(0, { kind: 'oiled', body: {} })], 0)).toMatchObject({ clean: 'due', 'oil-race': 'well' })
  })

  it('by a day of use once a class, at whatever hour it is held, and twice after two', () =>
    fc.assert(
      fc.property(fc.nat(23), fc.integer({ min: 1, max: 7 }), fc.integer({ min: 1, max: 30 }), (hour, hours, days) => {
        const class_ = (day: number) => Array.from({ length: hours }, (_, past) => sewn(day + (hour + past) / 24))
        expect(care(class_(0), 1)).toMatchObject({ clean: 'due', 'oil-race': 'due', 'room-check': 'due' })
        expect(care([...class_(0), ...class_(days)], days + 1)).toMatchObject({ clean: 'late', 'oil-race': 'late' })
        const cleaned = line((hour + hours / 2) / 24, { kind: 'cleaned', body: {} })
        const between = [...class_(0), cleaned].sort((a, b) => a.happenedAt.localeCompare(b.happenedAt))
        expect(care(between, 1).clean).not.toBe('late')
      }),
    ))

  it('at once after lint-shedding cloth', () => {
    const events = [sewn(0), line(0, { kind: 'cleaned', body: {} })]
    expect(care(events, 0)).toMatchObject({ clean: 'well' })
    const fleece = foldMachine([...events, sewn(0, 5, true), line(0, { kind: 'oiled', body: {} })])
    expect(careOf(fleece, traits, { cleanEveryDays: 9 }, at(0)).find(({ job }) => job === 'clean')).toMatchObject({
      status: 'due',
      because: 'after lint-shedding cloth, at once',
    })
  })

  it('by the calendar and by motor hours', () => {
    expect(care([sewn(0)], 24)).toMatchObject({ 'oil-arm': 'soon' })
    expect(care([sewn(0)], 31)).toMatchObject({ 'oil-arm': 'due', service: 'well' })
    expect(care([sewn(0, 199 * 60)], 1)).toMatchObject({ service: 'soon' })
    expect(care([sewn(0, 201 * 60)], 1)).toMatchObject({ service: 'due' })
    expect(care([sewn(0)], 366)).toMatchObject({ service: 'due' })
    const test = line(0, { kind: 'electrical-test', body: { passed: true, by: 'licensed', nextDue: at(100) } })
    expect([care([test], 10), care([test], 80), care([test], 100)].map((each) => each['electrical-test'])).toEqual([
      'well',
      'soon',
      'due',
    ])
  })

  it('never asks for oil where the manual wants none, or where nobody knows', () => {
    for (const oiling of ['never', 'ask'] as const)
      expect(care([bobbins(0, 9)], 0, { ...traits, oiling })).not.toHaveProperty('oil-race')
    const { oiling: _, ...unknown } = traits
    expect(care([bobbins(0, 9)], 0, unknown)).not.toHaveProperty('oil-race')
  })

  it('has a way of doing and a caution for every job', () => {
    for (const { give } of CARE) expect([give.how.length > 20, give.caution.length > 10]).toEqual([true, true])
  })
})

describe('before class', () => {
  const known = kitMachine(traits)
  const machine = 'machine' in known ? known.machine : undefined
  const { kits } = computeKit({
    fabric: { structure: 'woven', massGsm: 55, traits: ['sheer'] },
    layers: { seam: 2, crossing: 2 },
    operation: 'seam',
    ...(machine && { machine }),
  })
  const kit = kits[0]!
  const tasks = (events: MachineEvent[], day: number, forKit = kit) =>
    beforeClass({ traits, state: foldMachine(events) }, forKit, DEFAULT_HOUSE_RULES, at(day))

  it('asks for the kit’s needle, thread, foot and dial, and for nothing once they are there', () => {
    const first = tasks([], 0)
    expect(first.map(({ id }) => id)).toEqual(['needle', 'set-up', 'room-check', 'check'])
    const done = first.flatMap(({ event }) => (event ? [line(0, event)] : []))
    expect(tasks(done, 0).map(({ id }) => id)).toEqual(['check'])
  })

  it('sets back what stands off its baseline, but leaves the dial and the foot to the kit', () => {
    const events = [
      line(0, { kind: 'baseline-set', body: { settings: { dial: 4, lengthMm: 2.5, foot: 'standard' } } }),
      line(0, { kind: 'found-off', body: { settings: { dial: 7, lengthMm: 4 } } }),
    ]
    expect(driftOf(foldMachine(events))).toEqual({ dial: 4, lengthMm: 2.5 })
    expect(tasks(events, 0)[0]).toMatchObject({ id: 'restore', title: 'Set back: length 2.5 mm' })
    expect(driftOf(foldMachine([...events, line(1, { kind: 'restored', body: {} })]))).toEqual({})
  })

  it('ends: doing every task of a random machine leaves only what a person has to look at', () =>
    fc.assert(
      fc.property(anyHistory, fc.boolean(), (history, seated) => {
        const last = Math.max(START, ...history.map(({ happenedAt }) => Date.parse(happenedAt)))
        const now = new Date(last + 1000).toISOString()
        const run = (events: MachineEvent[]) =>
          beforeClass({ traits, state: foldMachine(events) }, seated ? kit : undefined, DEFAULT_HOUSE_RULES, now)
        const done = run(history).flatMap(({ event }, index): MachineEvent[] => {
          if (!event) return []
          check(eventBody(event.kind), event.body)
          return [{ ...event, eventId: `02${index}`, happenedAt: now, personId: 'p' }]
        })
        for (const { event, leadsTo, id } of run([...history, ...done]))
          expect([id, event === undefined, leadsTo]).toEqual([id, true, expect.any(String)])
      }),
      { numRuns: 300 },
    ))
})

describe('what waits for a technician', () => {
  const looked = (day: number, symptom: 'skipped' | 'popping') =>
    line(day, { kind: 'fault-run', body: { symptom, answers: [], outcome: 'service' } })
  const service = (events: MachineEvent[]) =>
    careOf(foldMachine(events), traits, undefined, at(30)).find(({ job }) => job === 'service')!
  const because = (events: MachineEvent[]) =>
    standingOf(foldMachine(events), DEFAULT_HOUSE_RULES.needle, at(30)).because.join('; ')

  it('stands at the machine and in its care, by name and once, until one was there', () => {
    const asked = [looked(0, 'skipped'), looked(1, 'skipped'), looked(2, 'popping')]
    expect(because(asked).match(/For a technician: [^;]*/g)).toEqual([
      'For a technician: Skipped stitches',
      'For a technician: A bang or pop at each stitch',
    ])
    expect(service(asked)).toMatchObject({
      status: 'due',
      because: 'for skipped stitches, a bang or pop at each stitch',
    })
    const electrician = line(3, { kind: 'serviced', body: { by: 'licensed', electrical: true } })
    expect(because([...asked, electrician])).toContain('Skipped stitches')
    const there = line(4, { kind: 'serviced', body: { by: 'a technician', electrical: false } })
    expect(because([...asked, there])).not.toContain('technician')
    expect(service([...asked, there]).status).not.toBe('due')
  })

  it('is a fault of the timing, too, whoever wrote it down: that is a technician’s alone', () => {
    const timing = line(0, { kind: 'fault-opened', body: { fault: 'timing', seen: 'Bram hit a zip' } })
    expect(because([timing])).toContain('For a technician: timing, Bram hit a zip')
    // The words of somebody go no further than their room.
    expect(service([timing])).toMatchObject({ status: 'due', because: 'for timing' })
    expect(service([timing, { ...timing, eventId: 'again' }]).because).toBe('for timing')
    expect(because([timing, { ...timing, eventId: 'again' }]).match(/For a technician/g)).toHaveLength(1)
    expect(service([line(0, { kind: 'fault-opened', body: { fault: 'jam' } })]).status).not.toBe('due')
  })

  it('ends one by one where staff find out themselves, as any fault does', () => {
    const open = (events: MachineEvent[]) => foldMachine(events).faults.map(({ eventId }) => eventId)
    const asked = [
      looked(0, 'skipped'),
      looked(1, 'popping'),
      line(2, { kind: 'fault-opened', body: { fault: 'other' } }),
    ]
    const [first, second, third] = open(asked)
    const cured = (opened?: string) =>
      line(3, { kind: 'fault-cured', body: { fault: 'other', cure: 'a new needle', ...(opened && { opened }) } })
    expect(open([...asked, cured(second)])).toEqual([first, third])
    expect(open([...asked, cured()])).toEqual([])
  })
})

describe('a lock', () => {
  const standing = (events: MachineEvent[]) =>
    standingOf(foldMachine(events), DEFAULT_HOUSE_RULES.needle, at(30)).standing
  it('of an electrical symptom ends with a licensed repair, and with nothing else', () => {
    const shock = line(0, { kind: 'fault-opened', body: { fault: 'electrical', seen: 'a smell' } })
    const others: Happening[] = [
      { kind: 'fault-cured', body: { fault: 'electrical', cure: 'went away' } },
      { kind: 'red-tag-lifted', body: { because: 'looks fine' } },
      { kind: 'serviced', body: { by: 'somebody', electrical: false } },
      { kind: 'released', body: { because: 'looks fine' } },
    ]
    expect(standing([shock])).toBe('stopped')
    expect(standing([shock, ...others.map((each) => line(1, each))])).toBe('stopped')
    expect(standing([shock, line(2, { kind: 'serviced', body: { by: 'licensed', electrical: true } })])).not.toBe(
      'stopped',
    )
    expect(standing([line(0, { kind: 'electrical-test', body: { passed: false, by: 'x' } })])).toBe('stopped')
  })

  it('of an overdue electrical test ends with the test, not with patience', () => {
    const test = (day: number, due: number) =>
      line(day, { kind: 'electrical-test', body: { passed: true, by: 'licensed', nextDue: at(due) } })
    expect(standing([test(0, 31)])).not.toBe('stopped')
    expect(standing([test(0, 29)])).toBe('stopped')
    expect(standing([test(0, 29), test(29.5, 400)])).not.toBe('stopped')
  })

  it('of a broken needle ends when every piece is found, or staff release it', () => {
    const broke = line(0, { kind: 'needle-broke', body: { piecesFound: false } })
    expect(standing([broke])).toBe('stopped')
    expect(standing([broke, line(1, { kind: 'pieces-found', body: {} })])).toBe('due')
    expect(standing([broke, line(1, { kind: 'released', body: { because: 'case opened' } })])).toBe('due')
  })
})
