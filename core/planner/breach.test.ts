import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { anyPlan } from '../testing/plans'
import { breachesOf } from './breach'
import { fittedIn, problemOf } from '../session/changeover'
import type { PlanQuestion } from '../session/plan-question'
import type { PlanLimit, PlanPair, PlanSeat } from './problem'
import { improve, mostSeats } from './seating'

const anyQuestion = anyPlan({ students: 8, machines: 4, blocks: 3, kits: 4 })
const kitsOf = (question: PlanQuestion) => new Map(question.kits.map((kit) => [kit.id, kit]))
const breaches = (question: PlanQuestion, seats: readonly PlanSeat[]) => breachesOf(seats, problemOf(question))
const kinds = (question: PlanQuestion, seats: readonly PlanSeat[]) => breaches(question, seats).map(({ kind }) => kind)
/** Every kit takes one of it on every machine. */
const limitOf = (question: PlanQuestion, per: PlanLimit['per'], most: number): PlanLimit => {
  const every = Object.fromEntries(question.kits.map(({ id }) => [id, 1]))
  const uses = Object.fromEntries(question.machines.map(({ id }) => [id, every]))
  return { id: per, words: 'feet', most, per, uses }
}
const seatsOf = (question: PlanQuestion): readonly PlanSeat[] =>
  improve(mostSeats(problemOf(question)), problemOf(question)).seats

describe('a plan that can be carried out', () => {
  it('breaks no rule, and neither does any part of it', () =>
    fc.assert(
      fc.property(anyQuestion, fc.array(fc.boolean(), { minLength: 12, maxLength: 12 }), (question, keep) => {
        const seats = seatsOf(question)
        expect(breaches(question, seats)).toEqual([])
        expect(
          breaches(
            question,
            seats.filter((_, index) => keep[index % keep.length]),
          ),
        ).toEqual([])
      }),
    ))
})

describe('a rule that is broken', () => {
  it('is two at one place, one at two places, a machine that cannot, a block that is none', () =>
    fc.assert(
      fc.property(anyQuestion, (question) => {
        const seats = seatsOf(question)
        fc.pre(seats.length > 1)
        const [one, other] = [seats[0]!, seats[1]!]
        const { machine, block } = other
        const onTop = [...seats.slice(1), { ...one, machine, block }]
        expect(breaches(question, onTop)).toContainEqual({
          kind: 'taken',
          students: expect.arrayContaining([one.student, other.student]) as string[],
          block,
        })
        expect(breaches(question, [...seats, { ...one, block: one.block }])).toContainEqual(
          expect.objectContaining({ kind: 'twice', students: [one.student] }),
        )
        const { kit } = question.students.find(({ id }) => id === one.student)!
        const unable = question.machines.find(({ can }) => !can.includes(kit))
        if (unable) expect(kinds(question, [{ ...one, machine: unable.id }])).toEqual(['cannot'])
        expect(kinds(question, [{ ...one, block: question.blocks + 1 }])).toEqual(['cannot'])
        expect(kinds(question, [{ ...one, student: 'a stranger' }])).toEqual(['cannot'])
        expect(kinds(question, [{ ...one, machine: 'a machine that left' }])).toEqual(['cannot'])
      }),
    ))

  it('of somebody who cannot sit there says whether they come later, the machine is out, or it cannot make it', () => {
    const question: PlanQuestion = {
      blocks: 2,
      kits: [{ id: 'k', needle: 'n', thread: 't', foot: 'f' }],
      machines: [
        { id: 'heron', can: ['k'], holds: { needle: null, thread: null, foot: null } },
        { id: 'curlew', can: [], holds: { needle: null, thread: null, foot: null } },
      ],
      students: [{ id: 'ida', kit: 'k', fromBlock: 2 }],
    }
    const why = (machine: string, block: number) => breaches(question, [{ student: 'ida', machine, block }])[0]?.because
    expect([why('heron', 2), why('heron', 1), why('knot', 2), why('curlew', 2)]).toEqual([
      undefined,
      'late',
      'out',
      'unable',
    ])
  })

  it('is a pair that sits together or apart against what was said', () => {
    const pair = (kind: PlanPair['kind']): PlanQuestion => ({
      blocks: 2,
      kits: [{ id: 'k', needle: 'n', thread: 't', foot: 'f' }],
      machines: ['heron', 'curlew'].map((id) => ({
        id,
        can: ['k'],
        holds: { needle: null, thread: null, foot: null },
      })),
      students: ['ida', 'jon'].map((id) => ({ id, kit: 'k' })),
      pairs: [{ kind, students: ['ida', 'jon'] }],
    })
    const sit = (...blocks: (number | undefined)[]): PlanSeat[] =>
      blocks.flatMap((block, index) =>
        block === undefined ? [] : [{ student: ['ida', 'jon'][index]!, machine: ['heron', 'curlew'][index]!, block }],
      )
    const same = sit(1, 1)
    const other = sit(1, 2)
    const alone = sit(1, undefined)
    expect([same, other, alone, []].map((seats) => kinds(pair('together'), seats))).toEqual([
      [],
      ['together'],
      ['together'],
      [],
    ])
    expect([same, other, alone, []].map((seats) => kinds(pair('apart'), seats))).toEqual([['apart'], [], [], []])
    expect(breaches(pair('apart'), sit(2, 2))[0]!.block).toBe(2)
  })

  it('is one foot in two machines at once, and not one after the other', () =>
    fc.assert(
      fc.property(anyQuestion, fc.integer({ min: 0, max: 3 }), (question, most) => {
        const limit = limitOf(question, 'block', most)
        const seats = seatsOf(question)
        const found = breaches({ ...question, limits: [limit] }, seats)
        const crowded = Array.from({ length: question.blocks }, (_, index) => index + 1).filter(
          (block) => seats.filter((seat) => seat.block === block).length > most,
        )
        expect(found.map(({ block }) => block!).sort()).toEqual(crowded)
        for (const { block, students } of found)
          expect(students.length).toBe(seats.filter((seat) => seat.block === block).length)
      }),
    ))

  it('is more needles put in than there are, counted where a needle really changes', () =>
    fc.assert(
      fc.property(anyQuestion, fc.integer({ min: 0, max: 4 }), (question, most) => {
        const limit = limitOf(question, 'fit', most)
        const seats = seatsOf(question)
        const fitted = fittedIn(seats, question)
        const found = breaches({ ...question, limits: [limit] }, seats)
        expect(found.map(({ kind }) => kind)).toEqual(fitted.length > most ? ['limit'] : [])
        // A machine that holds the right needle already takes none.
        const held = { ...question, machines: question.machines.map((each) => ({ ...each })) }
        for (const { machine, student, block } of fitted) {
          const kit = kitsOf(question).get(held.students.find(({ id }) => id === student)!.kit)!
          const before = seats.filter((seat) => seat.machine === machine && seat.block < block).at(-1)
          const from = before
            ? kitsOf(question).get(held.students.find(({ id }) => id === before.student)!.kit)!
            : held.machines.find(({ id }) => id === machine)!.holds
          expect(from.needle).not.toBe(kit.needle)
        }
      }),
    ))
})
