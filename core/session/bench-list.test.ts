import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { ARCHETYPES } from '../knowledge/machine/archetype'
import type { MachineEvent } from '../machine/event'
import { foldMachine } from '../machine/fold'
import { session, SESSION_AT, sessionLearner, sessionMachine } from '../testing/sessions'
import { benchList, seamList, seamSoFar, type BenchStop } from './bench-list'
import type { PlanSeat } from '../planner/problem'
import { kitAt, sessionQuestion, type SessionFacts } from './room-question'

const BEFORE = '2026-11-20T00:00:00.000Z'
const DONE_AT = '2026-11-26T17:00:00.000Z'
const NAMES = ['Ida', 'Jon', 'Kit', 'Lea']

/** Some people at some machines of any kinds, each where their kit can be made. */
const anySession = fc
  .record({
    kinds: fc.array(fc.constantFrom(...ARCHETYPES.map(({ id }) => id)), { minLength: 1, maxLength: 3 }),
    cloths: fc.array(fc.nat(2), { minLength: 1, maxLength: NAMES.length }),
    places: fc.array(fc.nat(11), { minLength: NAMES.length, maxLength: NAMES.length }),
  })
  .map(({ kinds, cloths, places }) => {
    const facts = session({
      machines: kinds.map((kind, index) => sessionMachine(`machine ${index}`, kind)),
      learners: cloths.map((cloth, index) =>
        sessionLearner(NAMES[index]!, cloth, { signOffs: [{ skill: 'tension', machineKind: 'industrial' }] }),
      ),
    })
    const { kits } = sessionQuestion(facts, SESSION_AT)
    const seats: PlanSeat[] = []
    facts.learners.forEach(({ projectId }, index) => {
      const machine = facts.machines[places[index]! % kinds.length]!.machineId
      const block = 1 + seats.filter((seat) => seat.machine === machine).length
      if (kits.get(projectId)!.has(machine)) seats.push({ student: projectId, machine, block })
    })
    return { facts, seats, kits }
  })
type Room = typeof anySession extends fc.Arbitrary<infer Value> ? Value : never
const [THURSDAY, TUESDAY] = ['019a0000-0000-7000-8000-00000000000a', '019a0000-0000-7000-8000-00000000000b'] as const
const listOf = ({ facts, seats, kits }: Room, sessionId: string = THURSDAY, since = BEFORE): BenchStop[] =>
  benchList(facts, seats, kits, sessionId, since, SESSION_AT)

/** Every tick of the list once, each as the line that it writes in its machine's book. */
const worked = (room: Room, books: Map<string, MachineEvent[]>): Room => {
  for (const { machineId, tasks } of listOf(room))
    for (const { event } of tasks)
      if (event) {
        const book = books.get(machineId) ?? []
        books.set(machineId, book)
        const eventId = `${machineId} ${String(book.length).padStart(3, '0')}`
        book.push({ ...event, eventId, happenedAt: DONE_AT, personId: 'ada' })
      }
  const machines: SessionFacts['machines'] = room.facts.machines.map((machine) => ({
    ...machine,
    state: foldMachine(books.get(machine.machineId) ?? []),
  }))
  return { ...room, facts: { ...room.facts, machines } }
}
const ticks = (room: Room) =>
  listOf(room).flatMap(({ machineId, tasks }) =>
    tasks.flatMap(({ event, title }) => (event ? [`${machineId}: ${title}`] : [])),
  )

describe('a bench list', () => {
  it('worked to its end leaves nothing to tick, whatever machines and people', () =>
    fc.assert(
      fc.property(anySession, (room) => {
        const books = new Map<string, MachineEvent[]>()
        const once = worked(room, books)
        // Four bobbins wound are four bobbins: by then lint and oil may have fallen due, and nothing else.
        for (const tick of ticks(once)) expect(tick).toMatch(/Lint out|drop of oil/)
        const twice = worked(once, books)
        expect(ticks(twice)).toEqual([])
        // Whoever ticks a list again writes nothing more.
        const lines = [...books.values()].flat().length
        worked(twice, books)
        expect([...books.values()].flat()).toHaveLength(lines)
      }),
    ))

  it('stops at the machines where somebody sits, in walking order, and for whoever sits there first', () =>
    fc.assert(
      fc.property(anySession, (room) => {
        const stops = listOf(room)
        expect(stops.map(({ machineId }) => machineId)).toEqual(
          room.facts.machines
            .map(({ machineId }) => machineId)
            .filter((id) => room.seats.some(({ machine }) => machine === id)),
        )
        for (const { machineId, first, tasks } of stops) {
          const own = room.seats.filter(({ machine }) => machine === machineId)
          expect(own.find(({ block }) => block === 1)!.student).toBe(first.projectId)
          expect(tasks.filter(({ event }) => event?.kind === 'laid-out')).toHaveLength(own.length)
          expect(new Set(tasks.map(({ id }) => id)).size).toBe(tasks.length)
        }
      }),
    ))

  it('worked for Thursday is worked for Thursday, though Tuesday before it is planned too and still asks', () =>
    fc.assert(
      fc.property(anySession, (room) => {
        const done = worked(room, new Map())
        const ready = (sessionId: string, since: string) =>
          listOf(done, sessionId, since).flatMap(({ tasks }) =>
            tasks.filter(({ event }) => event?.kind === 'laid-out' || event?.kind === 'bobbin-wound'),
          )
        // A session that ended meanwhile changes nothing for what was ticked for this one.
        expect(ready(THURSDAY, '2026-11-26T17:30:00.000Z')).toEqual([])
        expect(ready(TUESDAY, BEFORE).filter(({ event }) => event?.kind === 'laid-out')).toHaveLength(room.seats.length)
      }),
    ))

  it('asks again for bobbins and things to lay out when they were for a session before', () =>
    fc.assert(
      fc.property(anySession, (room) => {
        const done = worked(room, new Map())
        const kinds = listOf(done, TUESDAY, '2026-11-26T17:30:00.000Z').flatMap(({ tasks }) =>
          tasks.flatMap(({ event }) => (event ? [event.kind] : [])),
        )
        expect(kinds.filter((kind) => kind === 'laid-out')).toHaveLength(room.seats.length)
        expect(kinds.filter((kind) => kind === 'needle-changed' || kind === 'set-up')).toEqual([])
      }),
    ))
})

describe('the seam between two blocks', () => {
  const seamOf = ({ facts, seats }: Room, block = 2) => seamList(facts, seats, block, SESSION_AT)

  it('has a stop for everybody who sits down, and each tick brings the machine nearer to ready', () =>
    fc.assert(
      fc.property(anySession, (room) => {
        const stops = seamOf(room)
        const sits = room.seats.filter(({ block }) => block === 2)
        expect(stops.map(({ first }) => first.projectId).sort()).toEqual(sits.map(({ student }) => student).sort())
        for (const { tasks, ready } of stops) {
          expect(ready).toBe(tasks.length === 0)
          expect(tasks.every(({ event, how }) => event && how && how.length > 0)).toBe(true)
        }
        const machines = room.facts.machines.map((machine) => ({
          ...machine,
          state: foldMachine(
            (stops.find(({ machineId }) => machineId === machine.machineId)?.tasks ?? []).map(({ event }, index) => ({
              ...event!,
              eventId: `${machine.machineId} ${index}`,
              happenedAt: DONE_AT,
              personId: 'ada',
            })),
          ),
        }))
        expect(seamOf({ ...room, facts: { ...room.facts, machines } }).every(({ ready }) => ready)).toBe(true)
      }),
    ))

  it('counts what its list counts, and asks of each machine what the plan asks of it for whoever comes', () =>
    fc.assert(
      fc.property(anySession, (room) => {
        const stops = seamOf(room)
        const open = stops.filter(({ ready }) => !ready).map(({ machineId }) => machineId)
        expect(seamSoFar(room.facts, room.seats, 2, SESSION_AT)).toEqual(
          stops.length === 0 ? undefined : { toBlock: 2, of: stops.length, ready: stops.length - open.length, open },
        )
        for (const learner of room.facts.learners)
          for (const machine of room.facts.machines)
            expect(kitAt(learner, machine, room.facts.room)).toEqual(
              room.kits.get(learner.projectId)!.get(machine.machineId),
            )
      }),
    ))

  it('says that somebody may change the needle themselves only where they were seen to, on such a machine', () => {
    const seamFor = (skill: 'needle-change' | 'tension', machineKind: 'mechanical' | 'industrial') => {
      const facts = session({
        machines: [sessionMachine('Heron')],
        learners: [sessionLearner('Ida', 2, { signOffs: [{ skill, machineKind }] })],
      })
      const { kits } = sessionQuestion(facts, SESSION_AT)
      return seamOf({ facts, kits, seats: [{ student: 'of Ida', machine: 'Heron', block: 2 }] })[0]!.themselves
    }
    expect(seamFor('needle-change', 'mechanical')).toBe(true)
    expect(seamFor('needle-change', 'industrial')).toBe(false)
    expect(seamFor('tension', 'mechanical')).toBe(false)
  })
})
