import { describe, expect, it } from 'vitest'
import { DEFAULT_HOUSE_RULES } from '../room/house-rules'
import { needlesFitted, reconcileNeedles } from '../stock/reconcile'
import type { BodyOf, Happening, MachineEvent } from './event'
import { foldMachine } from './fold'
import { standingOf } from './standing'

const HOUR = 3_600_000
const START = Date.parse('2026-11-26T08:00:00.000Z')
type Line = Happening | readonly [hours: number, happening: Happening]
const book = (...lines: Line[]): MachineEvent[] =>
  lines.map((line, index): MachineEvent => {
    const [hours, happening] = 'kind' in line ? [index, line] : line
    return {
      ...happening,
      eventId: `line ${String(index).padStart(2, '0')}`,
      happenedAt: new Date(START + hours * HOUR).toISOString(),
      personId: 'ada',
    }
  })
const after = (...lines: Parameters<typeof book>) => foldMachine(book(...lines))
const standing = (hours: number, ...lines: Parameters<typeof book>) =>
  standingOf(after(...lines), DEFAULT_HOUSE_RULES.needle, new Date(START + hours * HOUR).toISOString())

const NEEDLE = { system: '130/705 H', point: 'universal', sizeNm: 80, condition: 'new' } as const
const fitted: Happening = { kind: 'needle-changed', body: { in: NEEDLE } }
const found: Happening = { kind: 'pieces-found', body: {} }
const run = (outcome: 'cured' | 'handed-on'): Happening => ({
  kind: 'fault-run',
  body: { symptom: 'needle-breaks', answers: [], outcome },
})
const roomCheck = (fails: string[] = []): Happening => ({
  kind: 'check-run',
  body: {
    list: 'room',
    steps: ['room-cord', 'room-power', 'room-foot'].map((step) => ({
      step,
      group: 'settings',
      result: fails.includes(step) ? 'fail' : 'pass',
    })),
  },
})
type Step = BodyOf<'check-run'>['steps'][number]
const seatCheck = (fails: Record<string, 'no-touch' | 'settings' | 'threading'> = {}): Happening => ({
  kind: 'check-run',
  body: {
    list: 'seat',
    steps: (['settings', 'threading', 'needle', 'bobbin', 'raise', 'no-touch', 'line', 'swatch'] as const)
      .filter((group) => !(group in fails))
      .map((group): Step => ({ step: group, group, result: 'pass' }))
      .concat(Object.entries(fails).map(([step, group]): Step => ({ step, group, result: 'fail' }))),
  },
})
const used: Happening = { kind: 'used', body: { use: { load: 'ordinary', motorMinutes: 10 }, finishedProject: false } }

describe('a needle that is reported broken', () => {
  const WAYS: [string, Happening][] = [
    ['the quick button', { kind: 'needle-broke', body: { piecesFound: false } }],
    [
      'the needle change, by its reason',
      { kind: 'needle-changed', body: { out: { reason: 'broken', state: 'broken', wentTo: 'sharps' }, in: NEEDLE } },
    ],
    [
      'the needle change, by its state',
      { kind: 'needle-changed', body: { out: { reason: 'skipped', state: 'broken', wentTo: 'sharps' } } },
    ],
    ['the finder of a learner', run('handed-on')],
    ['the finder of staff', run('cured')],
  ]

  it.each(WAYS)('by %s stops the machine until every piece is found', (_, line) => {
    const state = after(fitted, line)
    expect(state.locks.map(({ kind }) => kind)).toEqual(['broken-needle'])
    expect(state.needlesBefore?.at(-1)?.broke).toBe(true)
    expect(state.fitting?.eventId).not.toBe('line 00')
    expect(after(fitted, line, found).locks).toEqual([])
  })

  it.each(WAYS)('by %s is off its shelf once, and lies in the sharps once its pieces are found', (_, line) => {
    const moves = [
      {
        moveId: 'm',
        item: { kind: 'needle', system: '130/705 H', point: 'universal', sizeNm: 80 },
        kind: 'counted',
        count: 9,
        happenedAt: '2026-11-01T00:00:00.000Z',
        personId: 'ada',
      } as const,
    ]
    const books = (events: MachineEvent[]) => [{ machineId: 'heron', events }]
    const again = line.kind === 'needle-changed' && line.body.in ? 1 : 0
    const lost = reconcileNeedles(moves, books(book(fitted, line)))[0]!
    expect(lost).toMatchObject({ inStock: 8 - again, inMachines: again, lost: 1, sharps: 0, short: 0 })
    const whole = reconcileNeedles(moves, books(book(fitted, line, found)))[0]!
    expect(whole).toMatchObject({ lost: 0, sharps: 1, short: 0 })
    expect(needlesFitted(books(book(fitted, line)))).toHaveLength(1 + again)
  })

  it('breaks once, though the finder speaks of the same break afterwards, with the next needle in already', () => {
    const broke: Happening = { kind: 'needle-broke', body: { piecesFound: false } }
    const state = after(fitted, broke, found, fitted, run('cured'))
    expect([state.locks, state.fitting?.eventId]).toEqual([[], 'line 03'])
    // Days later it is another break.
    expect(after(fitted, broke, found, fitted, [80, run('cured')]).locks).toHaveLength(1)
  })

  it('with every piece on the table stops nothing, and is checked whole', () => {
    const out = { reason: 'broken', state: 'broken', wentTo: 'sharps', piecesFound: true } as const
    const state = after(fitted, seatCheck(), { kind: 'needle-changed', body: { out, in: NEEDLE } })
    expect(state.locks).toEqual([])
    expect(state.stale).toContain('swatch')
  })
})

describe('a machine that nobody has looked at', () => {
  it('is never ready, whatever else is well', () => {
    const { standing: word, because } = standing(3, fitted, seatCheck())
    expect([word, because.at(-1)]).toEqual(['due', 'Room check first: nobody has looked it over yet'])
    expect(standing(3, fitted, seatCheck(), roomCheck())).toMatchObject({ standing: 'ready' })
  })

  it('is asked for a room check before each session, not in the middle of one', () => {
    const lines = [fitted, seatCheck(), roomCheck(), [3, used]] as const
    expect(standing(6, ...lines).standing).toBe('ready')
    expect(standing(20, ...lines).because).toEqual(['Room check first: it was used since the last one'])
    expect(standing(20, ...lines, [19, roomCheck()]).standing).toBe('ready')
    expect(standing(7 * 24, fitted, seatCheck(), roomCheck()).because[0]).toMatch(/the last one was 6 days ago/)
  })
})

describe('a check that fails', () => {
  it('stops the machine where the needle touches, and not before staff pass that very step again', () => {
    const state = after(fitted, roomCheck(), seatCheck({ 'no-touch': 'no-touch' }))
    expect(state.locks).toMatchObject([{ kind: 'failed-check', steps: ['no-touch'] }])
    expect(standing(4, fitted, roomCheck(), seatCheck({ 'no-touch': 'no-touch' })).standing).toBe('stopped')
    // A cure that was written down is no check, and another list is not this step.
    const cured: Happening = { kind: 'fault-run', body: { symptom: 'popping', answers: [], outcome: 'cured' } }
    expect(after(fitted, seatCheck({ 'no-touch': 'no-touch' }), cured, roomCheck()).locks).toHaveLength(1)
    expect(after(fitted, seatCheck({ 'no-touch': 'no-touch' }), cured, seatCheck()).locks).toEqual([])
  })

  it('stops it by the group, whatever the step is called', () => {
    expect(after(fitted, seatCheck({ 'some-step-of-a-file': 'no-touch' })).locks).toHaveLength(1)
  })

  it('with a milder fail beside it still stops', () => {
    expect(after(fitted, seatCheck({ 'length-mark': 'settings', 'no-touch': 'no-touch' })).locks).toHaveLength(1)
    expect(after(fitted, seatCheck({ 'length-mark': 'settings' })).locks).toEqual([])
  })

  it('of cord, plug and pedal is electrical: passing it again does not end the stop, a licensed repair does', () => {
    const frayed = after(fitted, roomCheck(['room-cord']))
    expect(frayed.locks.map(({ kind }) => kind)).toEqual(['electrical'])
    expect(after(fitted, roomCheck(['room-cord']), roomCheck()).locks).toHaveLength(1)
    const repaired: Happening = { kind: 'serviced', body: { by: 'a licensed repairer', electrical: true } }
    expect(after(fitted, roomCheck(['room-cord']), repaired).locks).toEqual([])
  })

  it('of the room check in small things leaves it due, and says what', () => {
    const { standing: word, because } = standing(3, fitted, seatCheck(), roomCheck(['room-foot']))
    expect([word, because]).toEqual(['due', ['The room check found: foot']])
  })
})

it('a machine at which somebody was hurt is stopped like one with a red tag', () => {
  const state = after(fitted, { kind: 'somebody-hurt', body: { what: 'a finger' } })
  expect(state.locks).toMatchObject([{ kind: 'red-tag', because: expect.stringContaining('a finger') as string }])
  expect(
    after(fitted, { kind: 'somebody-hurt', body: {} }, { kind: 'red-tag-lifted', body: { because: 'x' } }).locks,
  ).toEqual([])
})
