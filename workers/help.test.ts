import { beforeAll, describe, expect, it } from 'vitest'
import { planSession, type PlannedSession, type SessionRequest } from '@/core/session/session-plan'
import type { Solve } from '@/core/planner/problem'
import { sessionQuestion, type SessionFacts } from '@/core/session/room-question'
import { session, SESSION_AT, sessionLearner, sessionMachine, shelf } from '@/core/testing/sessions'
import { loadSolver } from './solver'

let solve: Solve
beforeAll(async () => {
  solve = await loadSolver()
})
const plan = (facts: SessionFacts, more: Partial<SessionRequest> = {}): PlannedSession =>
  planSession(
    { facts, pins: [], weights: {}, seconds: 10, now: SESSION_AT, ...more },
    solve,
    () => performance.now() / 1000,
  )
const words = ({ help }: PlannedSession) => help.map((each) => each.words)
const kitOf = (facts: SessionFacts, project: string, machine: string) =>
  sessionQuestion(facts, SESSION_AT).kits.get(project)!.get(machine)!

describe('the one change that would seat more', () => {
  it('is a foot, where a machine lacks it and nobody else has one', () => {
    const moved = sessionLearner('Ida', 2, { operation: 'free-motion' })
    const heron = sessionMachine('Heron')
    const withFoot = { ...heron, traits: { ...heron.traits, feet: ['standard' as const, 'darning' as const] } }
    const whole = session({ machines: [withFoot], learners: [moved] })
    const { foot } = kitOf(whole, 'of Ida', 'Heron')
    const found = plan({
      ...whole,
      machines: [{ ...heron, traits: { ...heron.traits, feet: ['standard', 'zigzag'] } }],
    })
    expect([plan(whole).seats.length, found.seats.length]).toEqual([1, 0])
    expect(words(found)).toContain(`a ${foot} foot for Heron`)
    expect(found.unseated[0]!.because).toMatch(/^No machine can take it\. Heron: /)
  })

  it('is to sign somebody off, where the machine that is free asks for it', () => {
    const alone = session({
      machines: [sessionMachine('Turnstone', 'industrial-straight')],
      learners: [sessionLearner('Ida', 2)],
    })
    const found = plan(alone)
    expect(found.seats).toEqual([])
    expect(words(found)).toContain('Ida signed off for a machine of the kind industrial')
    const signed = {
      ...alone,
      learners: [sessionLearner('Ida', 2, { signOffs: [{ skill: 'tension', machineKind: 'industrial' }] })],
    }
    expect(plan(signed).seats).toHaveLength(1)
  })

  it('is one more spool, where two want the same thread at once', () => {
    const facts = session({ blocks: 1, learners: [sessionLearner('Ida', 2), sessionLearner('Jon', 2)] })
    const { needle, topThread } = kitOf(facts, 'of Ida', 'Heron')
    const { point, sizeNm } = needle
    const short = {
      ...facts,
      room: { ...facts.room, stock: { needles: [{ point, sizeNm, count: 9 }], threads: [topThread] } },
      onHand: [
        shelf({ kind: 'needle', system: '130/705 H', point, sizeNm }, 9),
        shelf({ kind: 'thread', ...topThread }, 1),
      ],
    }
    const found = plan(short)
    expect(found.seats).toHaveLength(1)
    expect(words(found).join()).toMatch(/one more .*polyester/)
    expect(found.unseated[0]!.because).toMatch(/Of .* there is 1\./)
    const [one, two] = [1, 2].map((count) =>
      plan({ ...short, onHand: [short.onHand[0]!, shelf({ kind: 'thread', ...topThread }, count)] }),
    )
    expect([one!.seats.length, two!.seats.length]).toEqual([1, 2])
  })

  it('really seats as many more as it says, and is told only where somebody has no seat', () => {
    const crowd = session({
      blocks: 1,
      learners: ['Ida', 'Jon', 'Kit', 'Lea', 'Max'].map((name) => sessionLearner(name, 2)),
    })
    const found = plan(crowd)
    const block = found.help.find((each) => each.words === 'one more block')!
    expect(plan({ ...crowd, blocks: 2 }).seats.length - found.seats.length).toBe(block.seats)
    expect(plan({ ...crowd, blocks: 2 }).help).toEqual([])
  })
})

describe('a plan around pins', () => {
  it('keeps each pin, even where another place would be better', () => {
    const facts = session()
    for (const machine of ['Heron', 'Curlew', 'Knot'])
      for (const block of [1, 2]) {
        const pin = { student: 'of Lea', machine, block }
        const { seats, unseated } = plan(facts, { pins: [pin] })
        expect(seats).toContainEqual(pin)
        expect(unseated).toEqual([])
      }
  })

  it('says so when what is pinned can no longer be', () => {
    const facts = session({ leftOut: ['Heron'] })
    const { seats } = plan(facts, { pins: [{ student: 'of Ida', machine: 'Heron', block: 1 }] })
    expect(seats.some(({ machine }) => machine === 'Heron')).toBe(false)
  })

  it('of everybody leaves nothing to plan, and costs what those seats cost', () => {
    const facts = session()
    const free = plan(facts)
    const pinned = plan(facts, { pins: free.seats })
    expect(pinned.seats).toHaveLength(free.seats.length)
    for (const seat of free.seats) expect(pinned.seats).toContainEqual(seat)
    expect(pinned.changeoverMinutes).toBe(free.changeoverMinutes)
  })
})

describe('what is told on the way', () => {
  it('gets better and never worse, and ends with the answer', () => {
    const told: PlannedSession[] = []
    const facts = session({
      machines: ['Heron', 'Curlew', 'Knot', 'Snipe'].map((name) => sessionMachine(name)),
      learners: Array.from({ length: 8 }, (_, index) => sessionLearner(`learner ${index}`, index)),
    })
    const answer = planSession(
      { facts, pins: [], weights: {}, seconds: 10, now: SESSION_AT },
      solve,
      () => performance.now() / 1000,
      (each) => told.push(each),
    )
    expect(told.length).toBeGreaterThan(0)
    const minutes = [...told, answer].map(({ changeoverMinutes }) => changeoverMinutes)
    expect(minutes).toEqual([...minutes].sort((a, b) => b - a))
    expect(answer.optimal).toBe(true)
    for (const each of told) expect(each.boundMinutes).toBeLessThanOrEqual(answer.changeoverMinutes)
  })
})
