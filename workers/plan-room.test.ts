import fc from 'fast-check'
import { beforeAll, describe, expect, it } from 'vitest'
import { breachesOf } from '@/core/planner/breach'
import type { PlanQuestion } from '@/core/session/plan-question'
import type { PlanPair, PlanSeat, Solve } from '@/core/planner/problem'
import { seatWithin } from '@/core/planner/plan-room'
import { planRoom, type RoomPlan } from '@/core/session/plan'
import { costed, mayTake } from '@/core/planner/seating'
import { PLAN_WEIGHTS, softCost } from '@/core/planner/soft-aims'
import { anyChance, randomPlan } from '@/core/testing/plans'
import { loadSolver } from './solver'
import { problemOf } from '@/core/session/changeover'

let solve: Solve
beforeAll(async () => {
  solve = await loadSolver()
})
const clock = () => performance.now() / 1000
const plan = (question: PlanQuestion, tell?: (plan: RoomPlan) => void): RoomPlan =>
  planRoom(question, {}, solve, 15, clock, tell)
const breaches = (question: PlanQuestion, seats: readonly PlanSeat[]) => breachesOf(seats, problemOf(question))

/** A small class with everything that a room may ask of a plan. */
const anyRoom = fc
  .record({
    chance: anyChance,
    students: fc.integer({ min: 2, max: 5 }),
    machines: fc.integer({ min: 1, max: 3 }),
    blocks: fc.integer({ min: 1, max: 2 }),
    pair: fc.constantFrom<'together' | 'apart' | undefined>('together', 'apart', undefined),
    feet: fc.integer({ min: 0, max: 3 }),
    packs: fc.integer({ min: 0, max: 3 }),
    late: fc.boolean(),
    only: fc.boolean(),
    worn: fc.boolean(),
    held: fc.boolean(),
  })
  .map(({ chance, pair, feet, packs, late, only, worn, held, ...size }): PlanQuestion => {
    const base = randomPlan(chance, { ...size, kits: 3 })
    const uses = (of: (kit: PlanQuestion['kits'][number]) => boolean) => {
      const each = Object.fromEntries(base.kits.filter(of).map(({ id }) => [id, 1]))
      return Object.fromEntries(base.machines.map((machine) => [machine.id, each]))
    }
    return {
      ...base,
      machines: base.machines.map((machine, at) =>
        at === 0 ? { ...machine, holds: { ...machine.holds, worn } } : machine,
      ),
      students: base.students.map((student, at) => ({
        ...student,
        ...(late && at === 0 && { fromBlock: 2 }),
        ...(only && at === 1 && { machines: ['machine0'] }),
        ...(held && at === 2 && { holdsPlace: { machine: 'machine0', block: 1 } }),
      })),
      ...(pair && { pairs: [{ kind: pair, students: ['student0', 'student1'] } satisfies PlanPair] }),
      limits: [
        { id: 'foot', words: 'walking feet', most: feet, per: 'block', uses: uses(({ foot }) => foot === 'walking') },
        {
          id: 'needle',
          words: 'needles',
          most: packs,
          per: 'fit',
          uses: uses(({ needle }) => needle !== 'universal-80'),
        },
      ],
    }
  })

/** The best of all plans, by trying every one: most seats, then fewest moves, then least minutes. */
function tryAll(question: PlanQuestion): readonly [seats: number, moves: number, minutes: number] {
  const { students, machines, blocks } = question
  let best: readonly [number, number, number] = [-1, 0, 0]
  const seats: PlanSeat[] = []
  const go = (who: number, moves: number): void => {
    if (seats.length + students.length - who < best[0]) return
    if (who === students.length) {
      if (breaches(question, seats).length > 0) return
      const now = [seats.length, moves, costed(seats, problemOf(question)).minutes] as const
      const wins =
        now[0] > best[0] || (now[0] === best[0] && (now[1] < best[1] || (now[1] === best[1] && now[2] < best[2])))
      if (wins) best = now
      return
    }
    const student = students[who]!
    for (const machine of machines)
      for (let block = 1; block <= blocks; block += 1) {
        if (!mayTake(student, machine, block)) continue
        if (seats.some((seat) => seat.machine === machine.id && seat.block === block)) continue
        const place = student.holdsPlace
        seats.push({ student: student.id, machine: machine.id, block })
        go(who + 1, moves + (place && (place.machine !== machine.id || place.block !== block) ? 1 : 0))
        seats.pop()
      }
    go(who + 1, moves)
  }
  go(0, 0)
  return best
}

describe('a plan for a room', () => {
  it('is the best of all that keep its pairs, limits, late comers and places held, as trying them all shows', () =>
    fc.assert(
      fc.property(anyRoom, (question) => {
        const answer = plan(question)
        expect(breaches(question, answer.seats)).toEqual([])
        expect([answer.seats.length, answer.moves, answer.changeoverMinutes]).toEqual(tryAll(question))
        expect(answer.optimal).toBe(true)
        expect(answer.boundMinutes).toBe(answer.changeoverMinutes)
      }),
      { numRuns: 150 },
    ))

  it('has a plan at once that breaks no rule, and every plan that it tells of on the way breaks none either', () =>
    fc.assert(
      fc.property(anyRoom, (question) => {
        expect(breaches(question, seatWithin(problemOf(question)))).toEqual([])
        const told: RoomPlan[] = []
        const last = plan(question, (each) => told.push(each))
        for (const { seats, boundMinutes, changeoverMinutes } of told) {
          expect(breaches(question, seats)).toEqual([])
          expect(seats.length).toBeLessThanOrEqual(last.seats.length)
          expect(boundMinutes).toBeLessThanOrEqual(changeoverMinutes)
          if (seats.length === last.seats.length && last.moves === 0)
            expect(boundMinutes).toBeLessThanOrEqual(last.changeoverMinutes)
        }
      }),
      { numRuns: 60 },
    ))

  it('comes nearer to the soft aims without a minute more', () => {
    const kit = { id: 'a', needle: 'n', thread: 't', foot: 'f' }
    const machine = (id: string, complex: boolean) => ({ id, can: ['a'], holds: kit, complex })
    const question: PlanQuestion = {
      blocks: 1,
      machines: [machine('quilter', true), machine('plain', false), machine('spare', false)],
      kits: [kit],
      students: [
        { id: 'ida', kit: 'a', beginner: true },
        { id: 'jon', kit: 'a', lastMachine: 'quilter' },
      ],
    }
    const { seats, changeoverMinutes, softCost: soft } = plan(question)
    expect(changeoverMinutes).toBe(0)
    expect(seats.find(({ student }) => student === 'jon')!.machine).toBe('quilter')
    expect(seats.find(({ student }) => student === 'ida')!.machine).not.toBe('quilter')
    expect(soft).toBe(0)
    const worse = [
      { student: 'ida', machine: 'quilter', block: 1 },
      { student: 'jon', machine: 'plain', block: 1 },
    ]
    expect(softCost(worse, problemOf(question), PLAN_WEIGHTS)).toBe(7)
  })

  it('changes a worn needle for its like with a line sewn, and knows kits by what they are called on a machine', () => {
    const kit = { id: 'a', needle: 'n', thread: 't', foot: 'f' }
    const students = [{ id: 'ida', kit: 'a' }]
    const on = (machine: Partial<PlanQuestion['machines'][number]>) =>
      plan({ blocks: 1, kits: [kit], students, machines: [{ id: 'm', can: ['a'], holds: kit, ...machine }] })
    expect(on({ holds: { ...kit, worn: true } }).changes[0]).toMatchObject({
      minutes: 4,
      parts: ['needle', 'quickLine'],
    })
    expect(on({ own: { a: { ...kit, needle: 'long n' } } }).changes[0]!.parts).toEqual(['needle', 'tensionTest'])
    expect(on({ holds: { ...kit, pressure: 'low', cloth: 'knit' } }).changeoverMinutes).toBe(0)
  })
})
