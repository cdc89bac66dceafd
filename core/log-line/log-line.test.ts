import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { eventBody, PLAIN_KINDS, type PlainKind } from '../machine/event'
import { foldMachine, UNSEEN } from '../machine/fold'
import { check } from '../schema/validate'
import { readLogLine, saidAs, TYPABLE_KINDS, type LineContext, type LineMachine } from './log-line'

const state = foldMachine([
  {
    kind: 'needle-changed',
    body: { in: { system: '130/705 H', point: 'universal', sizeNm: 80, condition: 'new' } },
    eventId: '01900000-0000-7000-9000-000000000001',
    happenedAt: '2026-01-01T18:00:00.000Z',
    personId: 'p',
  },
])
const machine = (name: string, number: number, more: Partial<LineMachine> = {}): LineMachine => ({
  machineId: `m${number}`,
  name,
  number,
  code: `M00000${number}`,
  traits: { needleSystem: '130/705 H', tensionDial: { min: 0, max: 9, normal: 4, step: 0.5 } },
  state,
  ...more,
})
const context: LineContext = {
  machines: [machine('Heron', 1), machine('Knot', 4), machine('Snipe', 9, { state: UNSEEN })],
  may: () => true,
}
const read = (text: string, more: Partial<LineContext> = {}) => readLogLine(text, { ...context, ...more })
const body = (text: string) => {
  const { fault, happening, machine: on } = read(text)
  if (fault) throw new Error(`${fault.from}–${fault.to} ${fault.message}`)
  return { on: on?.name, ...happening }
}

describe('a typed line', () => {
  it.each([
    [
      'heron needle ballpoint 80 blunt',
      'Heron',
      'needle-changed',
      {
        in: { system: '130/705 H', point: 'ballpoint', sizeNm: 80, condition: 'new' },
        out: { reason: 'due', state: 'blunt', wentTo: 'sharps' },
      },
    ],
    [
      'snipe needle jeans 16',
      'Snipe',
      'needle-changed',
      { in: { system: '130/705 H', point: 'jeans', sizeNm: 100, condition: 'new' } },
    ],
    [
      '4 needle bent universal 90/14 part-used',
      'Knot',
      'needle-changed',
      {
        in: { system: '130/705 H', point: 'universal', sizeNm: 90, condition: 'part-used' },
        out: { reason: 'bent', state: 'bent', wentTo: 'sharps' },
      },
    ],
    ['her cleaned lots of fluff', 'Heron', 'cleaned', { found: 'lots of fluff' }],
    ['M000004 oiled arm', 'Knot', 'oiled', { where: 'arm' }],
    [
      'knot sewn chair minutes 45 hard',
      'Knot',
      'used',
      { use: { load: 'hard', chairMinutes: 45 }, finishedProject: false },
    ],
    ['knot sewn 20', 'Knot', 'used', { use: { load: 'ordinary', motorMinutes: 20 }, finishedProject: false }],
    ['heron bobbin 3', 'Heron', 'bobbin-wound', { count: 3 }],
    ['heron note "the lid falls off"', 'Heron', 'noted', { text: 'the lid falls off' }],
    [
      'heron electrical test passed the county tester next due 2027-12-10',
      'Heron',
      'electrical-test',
      { passed: true, by: 'the county tester', nextDue: '2027-12-10T00:00:00.000Z' },
    ],
    ['heron red tag smells of burning', 'Heron', 'red-tagged', { because: 'smells of burning' }],
    ['heron fault electrical a small shock', 'Heron', 'fault-opened', { fault: 'electrical', seen: 'a small shock' }],
    [
      'heron swatch dots 4.5',
      'Heron',
      'swatch-stitched',
      { dial: 4.5, target: 'straight', top: 'dots', under: 'own', done: [] },
    ],
    ['heron set dial 5 walking', 'Heron', 'set-up', { dial: 5, foot: 'walking' }],
  ])('%s', (text, on, kind, expected) => {
    expect(body(text)).toEqual({ on, kind, body: expected })
    check(eventBody(kind as PlainKind), expected)
  })

  it.each([
    ['zebra needle', 0, 5, 'No machine is called “zebra”'],
    ['heron dances', 6, 12, '“dances” is nothing that happens'],
    ['heron needle ballpoint 85', 23, 25, 'is no needle size'],
    ['heron needle ballpoint', 22, 22, 'Still needs needle size'],
    ['heron oiled very much', 12, 16, '“very” says nothing of oiled'],
    ['heron cleaned 7', 14, 15, 'has no place for the number 7'],
    ['heron red tag', 13, 13, 'Still needs the reason'],
  ])('%s: points at the word', (text, from, to, message) => {
    const { fault, happening } = read(text)
    expect(happening).toBeUndefined()
    expect(fault).toMatchObject({ from, to })
    expect(fault!.message).toContain(message)
  })

  it('says of a day that no calendar has that it is none', () => {
    expect(read('heron electrical test passed somebody 2027-02-30').fault?.message).toBe(
      '2027-02-30 is no day of the calendar',
    )
  })

  it('offers what could come next', () => {
    expect(read('').next).toEqual(['heron', 'knot', 'snipe'])
    expect(read('kn')).toMatchObject({ next: ['knot'] })
    expect(read('heron ').next).toContain('needle')
    expect(read('heron nee')).toMatchObject({ next: ['needle'] })
    expect(read('heron needle ballpoint 80 ').next).toEqual(expect.arrayContaining(['blunt', 'popping', 'part used']))
    expect(read('heron needle ballpoint 80 blu').next).toContain('blunt')
    expect(read('cleaned', { here: 'm4' })).toMatchObject({ machine: { name: 'Knot' }, happening: { kind: 'cleaned' } })
  })

  it('offers and reads nothing that a person may not write', () => {
    const mayNot = { may: (kind: string) => kind !== 'red-tagged' }
    expect(read('heron ', mayNot).next).not.toContain('red tag')
    expect(read('heron red tag smell', mayNot).fault).toBeDefined()
  })

  it('says what takes a stop off again, in whichever words, and never stops it once more', () => {
    for (const words of ['red tag off', 'tag off', 'red-tag lifted', 'untag']) {
      const { happening, next } = read(`heron ${words} looked at the cord`)
      expect([words, happening?.kind ?? next]).toEqual([words, 'red-tag-lifted'])
    }
    // Nor for somebody who may not: half of it is not read as something else.
    const helper = read('heron red tag off', { may: (kind) => kind !== 'red-tag-lifted' })
    expect(helper.happening).toBeUndefined()
    expect(helper.fault!.message).toContain('not yours to write')
  })

  it('finds a machine without its accents and emoji', () => {
    const machines = [machine('Héron 🪡', 1), machine('Avocet', 2)]
    for (const name of ['heron', 'HÉRON', 'her'])
      expect(read(`${name} cleaned`, { machines }).machine?.name).toBe('Héron 🪡')
  })

  it('can be written for every kind but those that hold a list of steps or name another line', () => {
    const never = PLAIN_KINDS.filter((kind) => !TYPABLE_KINDS.includes(kind))
    expect(never).toEqual(['check-run', 'fault-run', 'redacted'])
    for (const kind of TYPABLE_KINDS) expect(read(`heron ${saidAs(kind)} `).machine?.name).toBe('Heron')
  })

  it('is a line of the book or says what is wrong, whatever is typed', () =>
    fc.assert(
      fc.property(
        fc.constantFrom(...TYPABLE_KINDS),
        fc.array(
          fc.oneof(
            fc.constantFrom(
              'ballpoint',
              '80',
              'blunt',
              '3',
              'walking',
              'slides',
              'hard',
              'dial',
              'own',
              'yes',
              'electrical',
              'race',
            ),
            fc.string({ maxLength: 8 }),
          ),
          { maxLength: 5 },
        ),
        (kind, words) => {
          const { fault, happening, next } = read(`heron ${saidAs(kind)} ${words.join(' ')}`)
          // A word that is only begun is neither right nor wrong yet.
          expect(fault !== undefined || happening !== undefined || next.length > 0).toBe(true)
          if (!happening) return
          // What no grammar can know, such as a length above any limit, is still the schema's to refuse.
          try {
            check(eventBody(happening.kind), happening.body)
          } catch (error) {
            expect(String(error)).toMatch(/at least|at most|above|whole number|exactly one|written as|without repeats/)
          }
        },
      ),
      { numRuns: 1500 },
    ))
})
