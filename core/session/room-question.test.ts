import { describe, expect, it } from 'vitest'
import { foldMachine } from '../machine/fold'
import type { Happening } from '../machine/event'
import { itemKey } from '../stock/item'
import { session, SESSION_AT, sessionLearner, sessionMachine, shelf } from '../testing/sessions'
import { sessionQuestion, STAFF_LIMIT, type SessionFacts } from './room-question'

const ask = (facts: SessionFacts) => sessionQuestion(facts, SESSION_AT)
const written = (name: string, ...lines: Happening[]) => ({
  ...sessionMachine(name),
  state: foldMachine(
    lines.map((line, index) => ({
      ...line,
      eventId: String(index),
      happenedAt: `2026-11-2${index}T10:00:00.000Z`,
      personId: 'ada',
    })),
  ),
})
const machineOf = (facts: SessionFacts, id: string) => ask(facts).question.machines.find((each) => each.id === id)!

describe('who may sit where', () => {
  it('is nobody at a machine that is stopped or left out, and the reason is the book’s own', () => {
    const tagged = written('Heron', { kind: 'red-tagged', body: { because: 'The belt is torn' } })
    const { question, stopped } = ask(
      session({ machines: [tagged, sessionMachine('Curlew'), sessionMachine('Knot')], leftOut: ['Knot'] }),
    )
    expect(question.machines.map(({ id }) => id)).toEqual(['Curlew'])
    expect(Object.fromEntries(stopped)).toEqual({
      Heron: 'The belt is torn',
      Knot: 'It is left out this session',
    })
  })

  it('is somebody with an access need only where the machine meets it', () => {
    const low = { ...sessionMachine('Knot'), traits: { ...sessionMachine('Knot').traits, tableHeightAdjusts: true } }
    const { question, whyNot } = ask(
      session({
        machines: [sessionMachine('Heron'), low],
        learners: [sessionLearner('Ida', 0, { needs: ['tableHeightAdjusts'] }), sessionLearner('Jon', 0)],
      }),
    )
    expect(question.students.map(({ machines }) => machines)).toEqual([['Knot'], ['Heron', 'Knot']])
    expect(whyNot.get('of Ida')!.get('Heron')).toMatch(/^Ida needs /)
    expect(whyNot.get('of Jon')!.size).toBe(0)
  })

  it('is at an industrial machine only somebody who is signed off for one', () => {
    const fast = sessionMachine('Turnstone', 'industrial-straight')
    const learners = [
      sessionLearner('Ida', 2),
      sessionLearner('Jon', 2, { signOffs: [{ skill: 'tension', machineKind: 'industrial' }] }),
    ]
    const { whyNot, question } = ask(session({ machines: [fast], learners }))
    expect(whyNot.get('of Ida')!.get('Turnstone')).toMatch(/not signed off/)
    expect(whyNot.get('of Jon')!.has('Turnstone')).toBe(false)
    expect(question.students.map(({ beginner }) => beginner ?? false)).toEqual([true, false])
  })

  it('is nobody at a machine of which a kit’s traits are not known, and the question to answer is named', () => {
    const { stitches: _, ...traits } = sessionMachine('Heron').traits
    const { whyNot } = ask(
      session({ machines: [{ ...sessionMachine('Heron'), traits }], learners: [sessionLearner('Ida', 0)] }),
    )
    expect(whyNot.get('of Ida')!.get('Heron')).toMatch(/^Not known yet: .*stitch/)
  })
})

describe('what a machine holds', () => {
  const needle = { system: '130/705 H', point: 'universal', sizeNm: 80 } as const
  const holds = (...lines: Happening[]) => machineOf(session({ machines: [written('Heron', ...lines)] }), 'Heron').holds

  it('is what its book says, and a needle that nobody knows counts as none', () => {
    expect(holds().needle).toBeNull()
    const known = holds({ kind: 'needle-changed', body: { in: { ...needle, condition: 'new' } } })
    expect(known.needle).toBe(itemKey({ kind: 'needle', system: '130/705 H', point: 'universal', sizeNm: 80 }))
    expect(known.worn).toBeUndefined()
    expect(holds({ kind: 'needle-changed', body: { in: { ...needle, condition: 'unverified' } } }).needle).toBeNull()
  })

  it('is a worn needle when what is left of it would not last the session', () => {
    const after = (motorMinutes: number) =>
      holds(
        { kind: 'needle-changed', body: { in: { ...needle, condition: 'new' } } },
        { kind: 'used', body: { use: { load: 'ordinary', motorMinutes }, finishedProject: false } },
      ).worn
    // Two hours at a beginner's duty take about a third of an hour off eight.
    expect([after(60), after(7.5 * 60), after(7.9 * 60), after(9 * 60)]).toEqual([undefined, undefined, true, true])
  })
})

describe('of what there is only so much', () => {
  it('is counted what somebody keeps on a shelf, and of staff one to each who needs somebody beside them', () => {
    const facts = session()
    const limits = (more: Partial<SessionFacts>) =>
      (ask({ ...facts, ...more }).question.limits ?? []).map(({ id, most }) => [id, most])
    expect(limits({})).toEqual([])
    const { needle, topThread } = ask(facts).kits.get('of Ida')!.get('Heron')!
    const item = { kind: 'needle' as const, system: needle.system, point: needle.point, sizeNm: needle.sizeNm }
    const stock = { needles: [{ point: needle.point, sizeNm: needle.sizeNm, count: 1 }], threads: [topThread] }
    const counted = limits({ room: { ...facts.room, stock }, onHand: [shelf(item, 1)] })
    expect(counted).toContainEqual([itemKey(item), 1])
    const thick = sessionLearner('Ida', 0, {
      fabric: { structure: 'woven', massGsm: 420, thicknessMm: 0.8, traits: ['denim'] },
      layers: { seam: 2, crossing: 4 },
    })
    expect(
      limits({ learners: [thick, { ...thick, projectId: 'another', personId: 'Jon' }], staffAtHand: 1 }),
    ).toContainEqual([STAFF_LIMIT, 1])
  })
})

describe('who sits with whom', () => {
  it('is as the room says, and nobody who makes two things sews both at once', () => {
    const facts = session({
      learners: [
        sessionLearner('Ida', 0),
        sessionLearner('Ida', 2, { projectId: 'second of Ida' }),
        sessionLearner('Jon', 0),
      ],
      pairs: [{ kind: 'apart', people: ['Ida', 'Jon'] }],
    })
    expect(ask(facts).question.pairs).toEqual([
      { kind: 'apart', students: ['of Ida', 'of Jon'] },
      { kind: 'apart', students: ['second of Ida', 'of Jon'] },
      { kind: 'apart', students: ['of Ida', 'second of Ida'] },
    ])
    const together = ask({ ...facts, pairs: [{ kind: 'together', people: ['Ida', 'Jon'] }] }).question.pairs!
    expect(together[0]).toEqual({ kind: 'together', students: ['of Ida', 'of Jon'] })
  })
})

describe('kits', () => {
  it('that are the same everywhere have one name to the planner, and others have their own', () => {
    const { question } = ask(
      session({ learners: ['Ida', 'Jon', 'Kit'].map((name, index) => sessionLearner(name, index === 2 ? 1 : 0)) }),
    )
    const [ida, jon, kit] = question.students.map(({ kit: name }) => name)
    expect(ida).toBe(jon)
    expect(kit).not.toBe(ida)
    expect(question.kits).toHaveLength(2)
  })
})
