import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { anyPlan } from '../testing/plans'
import type { Breach } from '../planner/breach'
import type { PlanQuestion } from './plan-question'
import type { PlanSeat } from '../planner/problem'
import { improve, mostSeats } from '../planner/seating'
import { breachWords, byHandFigures, moveOptions, moveSeat, placeKey, sheetFigures } from './sheet'
import { problemOf } from './changeover'

const anySheet = anyPlan({ students: 7, machines: 4, blocks: 3, kits: 4 }).map((question) => {
  return { question, seats: improve(mostSeats(problemOf(question)), problemOf(question)).seats }
})
const sorted = (seats: readonly PlanSeat[]) =>
  seats.map(({ student, machine, block }) => `${student} ${machine} ${block}`).sort()

describe('a move on the run sheet', () => {
  it('changes places with whoever sits there, and moving back puts everything as it was', () =>
    fc.assert(
      fc.property(anySheet, fc.nat(30), ({ question, seats }, pick) => {
        fc.pre(seats.length > 0)
        const own = seats[pick % seats.length]!
        for (const { machine, block, swapsWith } of moveOptions(question, seats, own.student)) {
          const moved = moveSeat(seats, own.student, { machine, block })
          expect(moved).toHaveLength(seats.length)
          expect(moved).toContainEqual({ student: own.student, machine, block })
          if (swapsWith) expect(moved).toContainEqual({ ...own, student: swapsWith })
          expect(sorted(moveSeat(moved, own.student, own))).toEqual(sorted(seats))
        }
      }),
    ))

  it('says beforehand what the sheet says afterwards', () =>
    fc.assert(
      fc.property(anySheet, fc.nat(30), ({ question, seats }, pick) => {
        fc.pre(seats.length > 0)
        const { student } = seats[pick % seats.length]!
        const now = sheetFigures(question, seats)
        const options = moveOptions(question, seats, student)
        expect(options).toHaveLength(question.machines.length * question.blocks - 1)
        for (const { machine, block, minutes, breaks } of options) {
          const then = sheetFigures(question, moveSeat(seats, student, { machine, block }))
          expect(then.minutes).toBe(now.minutes + minutes)
          expect(then.breaches).toEqual(breaks)
        }
      }),
    ))

  it('of somebody without a seat puts out whoever sat there', () => {
    const seats = [{ student: 'ida', machine: 'heron', block: 1 }]
    expect(moveSeat(seats, 'jon', { machine: 'heron', block: 1 })).toEqual([
      { student: 'jon', machine: 'heron', block: 1 },
    ])
    expect(moveSeat(seats, 'ida', undefined)).toEqual([])
  })
})

describe('the figures of a run sheet', () => {
  it('add up: minutes are those of its changes, and whoever has no seat is named', () =>
    fc.assert(
      fc.property(anySheet, ({ question, seats }) => {
        const { minutes, changes, unseated, needles } = sheetFigures(question, seats)
        expect([...changes.values()].reduce((sum, change) => sum + change.minutes, 0)).toBe(minutes)
        for (const [key, { machine, block }] of changes) expect(key).toBe(placeKey(machine, block))
        expect(needles).toBe([...changes.values()].filter(({ parts }) => parts.includes('needle')).length)
        expect(sorted(seats)).toHaveLength(question.students.length - unseated.length)
        expect(byHandFigures(question).seated).toBeLessThanOrEqual(seats.length)
      }),
    ))

  it('leave out people and machines that are gone, and say that they cannot sit there', () => {
    const question: PlanQuestion = {
      blocks: 1,
      kits: [{ id: 'k', needle: 'n', thread: 't', foot: 'f' }],
      machines: [{ id: 'heron', can: ['k'], holds: { needle: null, thread: null, foot: null } }],
      students: [{ id: 'ida', kit: 'k' }],
    }
    const gone = sheetFigures(question, [
      { student: 'ida', machine: 'heron', block: 1 },
      { student: 'jon', machine: 'curlew', block: 1 },
    ])
    expect([gone.minutes, gone.needles]).toEqual([11, 1])
    expect(gone.breaches).toEqual([{ kind: 'cannot', because: 'out', students: ['jon'], block: 1 }])
  })
})

describe('a broken rule in words', () => {
  const words = (breach: Breach, why?: string) =>
    breachWords(
      breach,
      (id) => id[0]!.toUpperCase() + id.slice(1),
      () => why,
    )
  it('names the people, and says what is wrong in one sentence', () => {
    expect(words({ kind: 'cannot', students: ['ida'] }, 'no walking foot.')).toBe('Ida: no walking foot.')
    expect(words({ kind: 'cannot', students: ['ida'] }, 'Ida is not signed off for it')).toBe(
      'Ida is not signed off for it.',
    )
    expect(words({ kind: 'cannot', students: ['ida'], block: 1, because: 'late' })).toBe(
      'Ida: not there yet in block 1.',
    )
    expect(words({ kind: 'cannot', students: ['ida'], block: 1, because: 'out' })).toBe(
      'Ida: the machine takes no part.',
    )
    expect(words({ kind: 'taken', students: ['ida', 'jon'], block: 1 })).toBe('Ida and Jon sit at one machine at once.')
    expect(words({ kind: 'twice', students: ['ida'] })).toBe('Ida has two places.')
    expect(words({ kind: 'apart', students: ['ida', 'jon'], block: 2 })).toBe(
      'Ida and Jon sit apart, and not in block 2.',
    )
    expect(words({ kind: 'together', students: ['ida', 'jon'] })).toContain('sit in one block')
    const limit = { id: 'f', words: 'walking feet', most: 1, per: 'block', uses: {} } as const
    expect(words({ kind: 'limit', students: ['ida', 'jon'], block: 1, limit })).toBe(
      'Ida, Jon: of walking feet there is one, in block 1.',
    )
    expect(words({ kind: 'limit', students: ['ida'], limit: { ...limit, most: 2 } })).toBe(
      'Ida: of walking feet there are 2.',
    )
  })

  it('says of two things of one person that nobody sews both at once', () => {
    const both = breachWords(
      { kind: 'apart', students: ['bag', 'hat'], block: 1 },
      () => 'Ida',
      () => undefined,
    )
    expect(both).toBe('Ida cannot sew two things in block 1.')
  })
})
