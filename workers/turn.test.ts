import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { breachesOf } from '@/core/planner/breach'
import { planCourse } from '@/core/session/course-plan'
import { planSession } from '@/core/session/session-plan'
import { planSeats } from '@/core/session/plan'
import type { PlanQuestion } from '@/core/session/plan-question'
import type { PlanSeat } from '@/core/planner/problem'
import { planRoom } from '@/core/session/plan'
import { costed, mayTake } from '@/core/planner/seating'
import { SESSION_AT, session, sessionLearner } from '@/core/testing/sessions'
import { anyPlan } from '@/core/testing/plans'
import { loadSolver } from './solver'
import { problemOf } from '@/core/session/changeover'

const solve = await loadSolver()
/** Every way to seat as many as can be, with how many turns it honours and its minutes. */
function everyWay(question: PlanQuestion): { turns: number; minutes: number }[] {
  const ways: PlanSeat[][] = []
  let most = 0
  const places = question.machines.flatMap((machine) =>
    Array.from({ length: question.blocks }, (_, index) => ({ machine, block: index + 1 })),
  )
  const sit = (at: number, taken: PlanSeat[]): void => {
    if (taken.length + question.students.length - at < most) return
    if (at === question.students.length) {
      most = Math.max(most, taken.length)
      ways.push(taken)
      return
    }
    const student = question.students[at]!
    for (const { machine, block } of places) {
      if (taken.some((seat) => seat.machine === machine.id && seat.block === block)) continue
      if (mayTake(student, machine, block)) sit(at + 1, [...taken, { student: student.id, machine: machine.id, block }])
    }
    sit(at + 1, taken)
  }
  sit(0, [])
  return ways
    .filter(({ length }) => length === most)
    .map((seats) => ({
      turns: turnsOf(question, seats),
      minutes: costed(seats, problemOf(question)).minutes,
    }))
}
const turnsOf = (question: PlanQuestion, seats: readonly PlanSeat[]): number =>
  seats.reduce((sum, { student }) => sum + (question.students.find(({ id }) => id === student)!.leftOut ?? 0), 0)

const crowded = fc
  .tuple(
    anyPlan({ students: 6, machines: 2, blocks: 2, kits: 3 }, { students: 5, machines: 1, blocks: 1, kits: 1 }),
    fc.array(fc.nat(1), { minLength: 6, maxLength: 6 }),
  )
  .map(([question, before]): PlanQuestion => ({
    ...question,
    students: question.students.map((student, index) => ({ ...student, ...(before[index] && { leftOut: 1 }) })),
  }))

describe('whoever had no seat last time', () => {
  it('sits before anybody else, at the least minutes that this leaves, as trying every way shows', () => {
    let honoured = 0
    fc.assert(
      fc.property(crowded, (question) => {
        const ways = everyWay(question)
        const turns = Math.max(...ways.map((way) => way.turns))
        const least = Math.min(...ways.filter((way) => way.turns === turns).map(({ minutes }) => minutes))
        const plan = planSeats(question, solve, 20, () => performance.now() / 1000)
        expect(turnsOf(question, plan.seats)).toBe(turns)
        expect(plan).toMatchObject({ changeoverMinutes: least, boundMinutes: least, optimal: true })
        if (turns > 0 && turns < question.students.filter(({ leftOut }) => leftOut).length + 1) honoured += 1
      }),
      { numRuns: 60 },
    )
    expect(honoured).toBeGreaterThan(5)
  })

  it('sits before anybody else where pairs tie machines together, too', () =>
    fc.assert(
      fc.property(crowded, (question) => {
        const [a, b] = question.students.map(({ id }) => id)
        const asked: PlanQuestion = { ...question, pairs: [{ kind: 'apart', students: [a!, b!] }] }
        const plan = planRoom(asked, {}, solve, 20, () => performance.now() / 1000)
        expect(breachesOf(plan.seats, problemOf(asked))).toEqual([])
        // Nobody who waits could simply take the place of somebody whose turn it is not.
        for (const { student } of plan.unseated) {
          const waiting = asked.students.find(({ id }) => id === student)!
          if (!waiting.leftOut) continue
          for (const seat of plan.seats) {
            const sitting = asked.students.find(({ id }) => id === seat.student)!
            const machine = asked.machines.find(({ id }) => id === seat.machine)!
            if (sitting.leftOut || !mayTake(waiting, machine, seat.block)) continue
            const swapped = plan.seats.map((each) => (each === seat ? { ...seat, student } : each))
            expect(breachesOf(swapped, problemOf(asked))).not.toEqual([])
          }
        }
      }),
      { numRuns: 40 },
    ))

  it('is told, and so is whoever makes room for them', () => {
    const names = ['Ida', 'Jon', 'Kit', 'Lea']
    const facts = session({
      blocks: 1,
      machines: session().machines.slice(0, 3),
      learners: names.map((name) => sessionLearner(name, 2, name === 'Lea' ? { leftOutBefore: 1 } : {})),
    })
    const plan = planSession(
      { facts, pins: [], weights: {}, seconds: 10, now: SESSION_AT },
      solve,
      () => performance.now() / 1000,
    )
    expect(plan.seats.map(({ student }) => student)).toContain('of Lea')
    expect(plan.unseated).toHaveLength(1)
    const name = plan.unseated[0]!.student.replace('of ', '')
    expect(plan.unseated[0]!.because).toContain(
      `Lea had no seat last time and comes first; next time it is ${name}’s turn.`,
    )
  })

  it('is never the same one twice running through a course, where there is room for the others', () => {
    const learners = ['Ida', 'Jon', 'Kit', 'Lea', 'Max'].map((name) => sessionLearner(name, 2))
    const facts = session({ blocks: 1, machines: session().machines.slice(0, 3), learners })
    const weeks = [0, 1, 2, 3, 4].map((week) => ({
      sessionId: `week ${week}`,
      startsAt: new Date(Date.parse(SESSION_AT) + week * 7 * 24 * 3_600_000).toISOString(),
      request: { facts, pins: [], weights: {}, seconds: 5, now: SESSION_AT },
    }))
    const out = planCourse(
      weeks,
      solve,
      () => performance.now() / 1000,
      () => undefined,
    ).map(({ plan }) => plan.unseated.map(({ student }) => student))
    out.slice(1).forEach((now, index) => {
      expect(now).toHaveLength(2)
      expect(now.filter((student) => out[index]!.includes(student))).toEqual([])
    })
  })
})
