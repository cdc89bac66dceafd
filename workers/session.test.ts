import { beforeAll, describe, expect, it } from 'vitest'
import { foldMachine } from '@/core/machine/fold'
import { benchList } from '@/core/session/bench-list'
import { planCourse } from '@/core/session/course-plan'
import { planSession, type PlannedSession, type SessionRequest } from '@/core/session/session-plan'
import { sessionNeeds } from '@/core/session/needs'
import type { Solve } from '@/core/planner/problem'
import { sessionQuestion, type SessionFacts } from '@/core/session/room-question'
import { breachWords, byHandFigures, moveOptions, moveSeat, sheetFigures } from '@/core/session/sheet'
import { itemKey } from '@/core/stock/item'
import { session, SESSION_AT, sessionLearner, sessionMachine, shelf } from '@/core/testing/sessions'
import { loadSolver } from './solver'

let solve: Solve
beforeAll(async () => {
  solve = await loadSolver()
})
const clock = () => performance.now() / 1000
const request = (facts: SessionFacts, more: Partial<SessionRequest> = {}): SessionRequest => ({
  facts,
  pins: [],
  weights: {},
  seconds: 10,
  now: SESSION_AT,
  ...more,
})
const plan = (facts: SessionFacts, more: Partial<SessionRequest> = {}): PlannedSession =>
  planSession(request(facts, more), solve, clock)
const seatOf = ({ seats }: PlannedSession, name: string) => seats.find(({ student }) => student === `of ${name}`)

describe('a session', () => {
  it('seats everybody whom machines can take, batches by kit and says so with proof', () => {
    const { seats, optimal, changeoverMinutes, byHandMinutes, unseated, help } = plan(session())
    expect(seats).toHaveLength(6)
    expect([unseated, help]).toEqual([[], []])
    expect(optimal).toBe(true)
    expect(changeoverMinutes).toBeLessThanOrEqual(byHandMinutes)
    for (const cloth of [0, 1, 2]) {
      const own = ['Ida', 'Jon', 'Kit', 'Lea', 'Max', 'Nia'].filter((_, index) => index % 3 === cloth)
      expect(new Set(own.map((name) => seatOf({ seats } as PlannedSession, name)!.machine)).size).toBe(1)
    }
  })

  it('sits beginners near the instructor, spares what has sewn most, and closes early, where that costs no changeover', () => {
    const away = (name: string, instructorMetres: number, motorMinutesSinceService = 0) => {
      const machine = sessionMachine(name)
      const { state } = machine
      return { ...machine, instructorMetres, state: { ...state, care: { ...state.care, motorMinutesSinceService } } }
    }
    const ids = (facts: SessionFacts, more?: Partial<SessionRequest>) =>
      plan(facts, more).seats.map(({ student, machine, block }) => `${student} ${machine} ${block}`)
    const beginner = sessionLearner('Ida', 0)
    const practised = sessionLearner('Jon', 0, { signOffs: [{ skill: 'tension', machineKind: 'mechanical' }] })
    const one = session({ machines: [away('Heron', 9), away('Curlew', 2)], learners: [beginner] })
    expect(ids(one)).toEqual(['of Ida Curlew 1'])
    // What is near is the room's to say.
    const wide = { ...one, room: { ...one.room, rules: { ...one.room.rules, numbers: { nearMetres: 10 } } } }
    const far = (facts: SessionFacts) =>
      sessionQuestion(facts, SESSION_AT)
        .question.machines.filter((machine) => machine.far)
        .map(({ id }) => id)
    expect([far(one), far(wide)]).toEqual([['Heron'], []])
    expect(ids({ ...one, machines: [away('Heron', 1, 900), away('Curlew', 1, 10)], learners: [practised] })).toEqual([
      'of Jon Curlew 1',
    ])
    const last = { student: 'of Jon', machine: 'Heron', block: 2 }
    const kept = { ...one, machines: [away('Heron', 1)], learners: [practised] }
    expect([ids(kept), ids(kept, { pins: [last] })]).toEqual([['of Jon Heron 1'], ['of Jon Heron 2']])
  })

  it('keeps pins, late comers, access needs and pairs', () => {
    const machines = [sessionMachine('Heron'), sessionMachine('Curlew'), sessionMachine('Knot')]
    const low = { ...machines[2]!, traits: { ...machines[2]!.traits, tableHeightAdjusts: true } }
    const facts = session({
      machines: [machines[0]!, machines[1]!, low],
      learners: [
        sessionLearner('Ida', 0, { needs: ['tableHeightAdjusts'] }),
        sessionLearner('Jon', 1, { fromBlock: 2 }),
        sessionLearner('Kit', 2),
        sessionLearner('Lea', 2),
      ],
      pairs: [{ kind: 'together', people: ['Kit', 'Lea'] }],
    })
    const pins = [{ student: 'of Kit', machine: 'Heron', block: 1 }]
    const found = plan(facts, { pins })
    expect(found.seats).toHaveLength(4)
    expect(seatOf(found, 'Ida')!.machine).toBe('Knot')
    expect(seatOf(found, 'Jon')!.block).toBe(2)
    expect(seatOf(found, 'Kit')).toEqual(pins[0])
    expect(seatOf(found, 'Lea')!.block).toBe(1)
  })

  it('says why somebody has no seat, and finds the one change that seats them', () => {
    const crowd = session({ blocks: 1, learners: ['Ida', 'Jon', 'Kit', 'Lea'].map((name) => sessionLearner(name, 2)) })
    const told: { stage: string; seats: number; help: number }[] = []
    planSession(request(crowd), solve, clock, ({ seats, help: found }, stage) =>
      told.push({ stage, seats: seats.length, help: found.length }),
    )
    // The plan is told before anything that would help is tried.
    expect(told.at(-1)).toEqual({ stage: 'planned', seats: plan(crowd).seats.length, help: 0 })
    const { unseated, help } = plan(crowd)
    expect(unseated).toHaveLength(1)
    expect(unseated[0]!.because).toContain('Heron, Curlew, Knot could take it')
    expect(help[0]).toMatchObject({ words: 'one more block', seats: 1 })

    const locked = foldMachine([
      {
        kind: 'red-tagged',
        body: { because: 'The belt is torn' },
        eventId: '1',
        happenedAt: '2026-11-20T10:00:00.000Z',
        personId: 'p',
      },
    ])
    const alone = session({
      machines: [{ ...sessionMachine('Heron'), state: locked }],
      learners: [sessionLearner('Ida', 2)],
    })
    const stopped = plan(alone)
    expect(stopped.unseated[0]!.because).toMatch(/^No machine can take it\. Heron: .*The belt is torn/)
    expect(stopped.help).toEqual([{ words: 'Heron back in service', seats: 1, minutes: expect.any(Number) as number }])
  })

  it('does not put in more needles than the shelf holds, and names the pack that would help', () => {
    const facts = session({
      blocks: 1,
      learners: ['Ida', 'Jon'].map((name) => sessionLearner(name, 2)),
    })
    const { kits } = sessionQuestion(facts, SESSION_AT)
    const { point, sizeNm } = kits.get('of Ida')!.get('Heron')!.needle
    const thread = kits.get('of Ida')!.get('Heron')!.topThread
    const stock = { needles: [{ point, sizeNm, count: 1 }], threads: [thread] }
    const short = plan({
      ...facts,
      room: { ...facts.room, stock },
      onHand: [
        shelf({ kind: 'needle', system: '130/705 H', point, sizeNm }, 1),
        shelf({ kind: 'thread', ...thread }, 9),
      ],
    })
    expect(short.seats).toHaveLength(1)
    expect(short.help.map(({ words }) => words).join()).toMatch(/a pack of 5 universal/)
  })

  it('lets staff stay with as many as there are staff', () => {
    const thick = (name: string) =>
      sessionLearner(name, 0, {
        fabric: { structure: 'woven', massGsm: 420, thicknessMm: 0.8, traits: ['denim'] },
        layers: { seam: 2, crossing: 4 },
      })
    const facts = session({ blocks: 1, learners: [thick('Ida'), thick('Jon')] })
    const cautions = sessionQuestion(facts, SESSION_AT).kits.get('of Ida')!.get('Heron')!.cautions
    expect(cautions).toContain('staff-only')
    expect(plan({ ...facts, staffAtHand: 1 }).seats).toHaveLength(1)
    expect(plan({ ...facts, staffAtHand: 1 }).help[0]!.words).toMatch(/one more (member of staff|block)/)
    expect(plan({ ...facts, staffAtHand: 2 }).seats).toHaveLength(2)
  })

  it('planned anew when a machine drops out keeps who sits there and moves as few as can be', () => {
    const facts = session({ machines: ['Heron', 'Curlew', 'Knot', 'Snipe'].map((name) => sessionMachine(name)) })
    const before = plan(facts)
    const out = seatOf(before, 'Ida')!.machine
    const block = 2
    const after = plan({ ...facts, leftOut: [out] }, { underWay: { block, seats: before.seats } })
    expect(after.seats).toHaveLength(6)
    for (const seat of before.seats) {
      const now = after.seats.find(({ student }) => student === seat.student)!
      if (seat.block < block) expect(now).toEqual(seat)
      else if (seat.machine === out) expect(now.machine).not.toBe(out)
      else expect(now).toEqual(seat)
    }
  })

  it('planned anew after somebody has gone home keeps what they did in its place', () => {
    const facts = session()
    const before = plan(facts)
    const gone = before.seats.find(({ block }) => block === 1)!
    const stayed = facts.learners.filter(({ projectId }) => projectId !== gone.student)
    const after = plan({ ...facts, learners: stayed }, { underWay: { block: 2, seats: before.seats } })
    expect(after.seats).toContainEqual(gone)
    expect(after.seats).toHaveLength(before.seats.length)
  })
})

describe('a run sheet', () => {
  it('tells what a move costs, who changes places, and what it breaks', () => {
    const facts = session({ pairs: [{ kind: 'apart', people: ['Ida', 'Jon'] }] })
    const { question } = sessionQuestion(facts, SESSION_AT)
    const { seats } = plan(facts)
    const before = sheetFigures(question, seats)
    expect(before.breaches).toEqual([])
    const options = moveOptions(question, seats, 'of Ida')
    expect(options).toHaveLength(5)
    for (const { machine, block, minutes, breaks, swapsWith } of options) {
      const moved = moveSeat(seats, 'of Ida', { machine, block })
      const after = sheetFigures(question, moved)
      expect(after.minutes - before.minutes).toBe(minutes)
      expect(moved).toHaveLength(seats.length)
      expect(after.breaches).toHaveLength(breaks.length)
      if (swapsWith)
        expect(moved.find(({ student }) => student === swapsWith)).toMatchObject(
          (({ machine: at, block: when }) => ({ machine: at, block: when }))(
            seats.find(({ student }) => student === 'of Ida')!,
          ),
        )
      for (const breach of breaks)
        expect(
          breachWords(
            breach,
            (id) => id.slice(3),
            () => undefined,
          ),
        ).toContain('Ida')
    }
    expect(sheetFigures(question, moveSeat(seats, 'of Ida', undefined)).unseated).toEqual(['of Ida'])
    expect(byHandFigures(question).seated).toBe(6)
  })
})

const SESSION = '019a0000-0000-7000-8000-00000000000a'

describe('a bench list', () => {
  it('asks for what the book does not say yet, and for nothing that was done since the last session', () => {
    const facts = session({ learners: [sessionLearner('Ida', 2)] })
    const seats = plan(facts).seats
    const { kits } = sessionQuestion(facts, SESSION_AT)
    const list = (each: SessionFacts) => benchList(each, seats, kits, SESSION, '2026-11-20T00:00:00.000Z', SESSION_AT)
    const [stop, ...others] = list(facts)
    expect(others).toEqual([])
    const titles = stop!.tasks.map(({ title }) => title)
    expect(titles.some((title) => title.startsWith('Fit universal'))).toBe(true)
    expect(titles.some((title) => /^Wind (a bobbin|\d bobbins) of 27 tex/.test(title))).toBe(true)
    expect(titles).toContain('Lay out Ida’s bag')

    const written = stop!.tasks.flatMap(({ event }, index) =>
      event ? [{ ...event, eventId: String(index), happenedAt: '2026-11-25T10:00:00.000Z', personId: 'p' }] : [],
    )
    const done = facts.machines.map((machine) =>
      machine.machineId === stop!.machineId ? { ...machine, state: foldMachine(written) } : machine,
    )
    const left = list({ ...facts, machines: done })[0]!.tasks
    expect(left.filter(({ event }) => event?.kind === 'bobbin-wound' || event?.kind === 'laid-out')).toEqual([])
    expect(left.filter(({ event }) => event?.kind === 'needle-changed' || event?.kind === 'set-up')).toEqual([])
    // Done for this session, it is not done for another.
    const other = '019a0000-0000-7000-8000-00000000000b'
    const later = benchList({ ...facts, machines: done }, seats, kits, other, '2026-11-26T00:00:00.000Z', SESSION_AT)
    expect(later[0]!.tasks.some(({ event }) => event?.kind === 'laid-out')).toBe(true)
  })
})

describe('a course', () => {
  it('carries needles, shelves and places from session to session, and says when the shelf is bare', () => {
    const base = session({ blocks: 1, learners: [sessionLearner('Ida', 2)] })
    const { kits } = sessionQuestion(base, SESSION_AT)
    const { needle, topThread } = kits.get('of Ida')!.get('Heron')!
    const item = { kind: 'needle' as const, system: needle.system, point: needle.point, sizeNm: needle.sizeNm }
    const facts = {
      ...base,
      blockMinutes: 60 * 24,
      room: { ...base.room, stock: { needles: [{ ...item, count: 2 }], threads: [topThread] } },
      onHand: [shelf(item, 2), shelf({ kind: 'thread', ...topThread }, 3)],
    }
    const weeks = [0, 1, 2, 3, 4].map((week) => ({
      sessionId: `week ${week + 1}`,
      startsAt: new Date(new Date(SESSION_AT).getTime() + week * 7 * 24 * 3_600_000).toISOString(),
      request: request(facts),
    }))
    const told: string[] = []
    const course = planCourse(weeks, solve, clock, ({ sessionId, plan: { help } }, stage) =>
      told.push(`${sessionId} ${stage}${help.length > 0 ? ' with help' : ''}`),
    )
    // Nobody waits for what would help: it comes once every week is planned, for the one in which somebody has no seat.
    expect(told).toEqual([...weeks.map(({ sessionId }) => `${sessionId} planned`), 'week 5 helped with help'])
    const used = course.map(({ needs }) => needs.find((need) => itemKey(need.item) === itemKey(item))?.count ?? 0)
    // A day and night of sewing takes 3.6 of a needle's 8 hours: each lasts two sessions, and two needles last four.
    expect(used).toEqual([1, 0, 1, 0, 0])
    expect(course[2]!.left).toContainEqual({ item, count: 0 })
    expect(course.map(({ plan: each }) => each.seats.length)).toEqual([1, 1, 1, 1, 0])
    expect(course[4]!.plan.help[0]!.words).toMatch(/^a pack of 5 universal/)
    expect(course.slice(1, 3).map(({ plan: each }) => seatOf(each, 'Ida')!.machine)).toEqual([
      seatOf(course[0]!.plan, 'Ida')!.machine,
      seatOf(course[0]!.plan, 'Ida')!.machine,
    ])
  })

  it('takes in hand at once what comes back, and uses up what does not', () => {
    const facts = session()
    const { question, kits } = sessionQuestion(facts, SESSION_AT)
    const { seats } = plan(facts)
    const needs = sessionNeeds(facts, question, kits, seats)
    const fitted = needs.filter(({ usedUp }) => usedUp).reduce((sum, { count }) => sum + count, 0)
    expect(fitted).toBe(sheetFigures(question, seats).needles)
    for (const { item, count, usedUp } of needs)
      if (item.kind === 'thread') expect([usedUp, count <= 3]).toEqual([false, true])
  })
})
