import { describe, expect, it } from 'vitest'
import { UNSEEN } from '../machine/fold'
import type { HelpCall } from '../people/help-call'
import { blockAt, callsBesides, liveSession, openSeats, seamsNear } from './live-room'

const machine = (name: string, number: number, state = UNSEEN) => ({ machineId: name, name, number, state })
const project = (learner: string, machineId?: string, givenAt = new Date('2026-03-05T17:50:00Z')) => ({
  projectId: `${learner}’s bag`,
  personId: learner,
  learner,
  name: 'a bag',
  ...(machineId && { given: { machineId, givenAt } }),
})
const meeting = {
  sessionId: 'thursday',
  course: 'Camp Kit',
  startsAt: new Date('2026-03-05T18:00:00Z'),
  endsAt: new Date('2026-03-05T20:00:00Z'),
  blocks: 2,
  seats: [
    { projectId: 'Ada’s bag', machineId: 'Knot', block: 1 },
    { projectId: 'Bo’s bag', machineId: 'Heron', block: 1 },
    { projectId: 'Ada’s bag', machineId: 'Knot', block: 2 },
    { projectId: 'Cy’s bag', machineId: 'Heron', block: 2 },
  ],
}
const call = (who: string, machineId: string, about: HelpCall['about']): HelpCall => ({
  callId: `${who} ${about}`,
  machineId,
  machine: machineId,
  number: 1,
  personId: who,
  who,
  about,
  found: {},
  calledAt: '2026-03-05T18:20:00.000Z',
})
const facts = {
  machines: [machine('Heron', 1), machine('Knot', 2), machine('Plover', 3)],
  projects: [project('Ada', 'Knot'), project('Bo', 'Heron'), project('Cy')],
  calls: [],
}
const at = (time: string) => new Date(`2026-03-05T${time}:00Z`)

it('is near a seam from ten minutes before it until ten minutes after it, and near none before its first block and after its last', () => {
  const near = (time: string) => seamsNear(liveSession(meeting, facts, at(time)), at(time))
  expect(['17:55', '18:05', '18:49', '18:50', '18:59', '19:00', '19:10', '19:11', '19:55', '20:05'].map(near)).toEqual([
    [],
    [],
    [],
    [2],
    [2],
    [2],
    [2],
    [],
    [],
    [],
  ])
})

describe('a session that is on', () => {
  it('is in the block that the clock says, before the first in the first and after the last in the last', () => {
    expect(['17:40', '18:00', '18:59', '19:00', '20:20'].map((time) => blockAt(meeting, at(time)))).toEqual([
      1, 1, 1, 2, 2,
    ])
  })

  it('has everybody of this block, machine by machine, and says who comes next where that is somebody else', () => {
    const live = liveSession(meeting, facts, at('18:30'))
    expect(live.seats.map(({ machine: name, who, step }) => [name, who, step])).toEqual([
      ['Heron', 'Bo', 'check'],
      ['Knot', 'Ada', 'check'],
    ])
    expect(live.next.map(({ machine: name, who }) => [name, who])).toEqual([['Heron', 'Cy']])
    expect(live.blockEndsAt).toBe('2026-03-05T19:00:00.000Z')
    expect(liveSession(meeting, facts, at('19:30')).next).toEqual([])
    expect(liveSession(meeting, facts, at('19:30')).seats.find(({ who }) => who === 'Cy')?.step).toBe('bag')
  })

  it('says who is hurt before who asks, and why nobody sews on a machine', () => {
    const lock = { kind: 'red-tag', because: 'smells hot', since: '2026-03-05T18:10:00.000Z', eventId: 'x' } as const
    const { seats } = liveSession(
      meeting,
      {
        ...facts,
        machines: [machine('Heron', 1, { ...UNSEEN, locks: [lock] })],
        calls: [call('Bo', 'Heron', 'help'), call('Bo', 'Heron', 'hurt'), call('Ada', 'Heron', 'help')],
      },
      at('18:30'),
    )
    expect(seats).toMatchObject([{ who: 'Bo', stopped: 'smells hot', call: { callId: 'Bo hurt' } }])
  })

  it('is stopped where a test is overdue, as the room says it is', () => {
    const care = { ...UNSEEN.care, electricalTest: { at: '2025-01-01', passed: true, nextDue: '2026-01-01' } }
    const machines = [machine('Heron', 1, { ...UNSEEN, care })]
    expect(liveSession(meeting, { ...facts, machines }, at('18:30')).seats[0]!.stopped).toContain('2026-01-01')
  })

  it('leaves a place at a machine that is put away, or of a bag that is, out', () => {
    expect(liveSession(meeting, { ...facts, machines: [machine('Knot', 2)] }, at('18:30')).seats).toHaveLength(1)
    expect(liveSession(meeting, { ...facts, projects: [] }, at('18:30')).seats).toEqual([])
  })
})

describe('a room with no session on', () => {
  it('has whoever was given a machine last and not long ago, and nobody twice', () => {
    const projects = [
      project('Ada', 'Knot'),
      project('Bo', 'Knot', at('18:20')),
      project('Cy', 'Plover', new Date('2026-03-04T18:00:00Z')),
    ]
    const open = openSeats({ ...facts, projects }, [], at('18:30'))
    expect(open.map(({ machine: name, who }) => [name, who])).toEqual([['Knot', 'Bo']])
    const session = liveSession(meeting, facts, at('18:30'))
    expect(openSeats(facts, [session], at('18:30'))).toEqual([])
  })
})

describe('a call that no seat shows', () => {
  const seats = liveSession(meeting, facts, at('18:10')).seats
  const { machineId: _, machine: __, number: ___, ...nowhere } = call('Dee', 'Knot', 'hurt')
  const besides = (...calls: HelpCall[]) => callsBesides(seats, calls).map(({ callId, machine }) => [callId, machine])

  it('is told besides the seats: from no machine, from one at which somebody else sits, and of staff', () => {
    expect(besides(call('Ada', 'Knot', 'help'), call('Bo', 'Heron', 'hurt'))).toEqual([])
    expect(besides(call('Ada', 'Heron', 'help'), nowhere, call('Tobias', 'Plover', 'hurt'))).toEqual([
      ['Dee hurt', undefined],
      ['Tobias hurt', { name: 'Plover', number: 1 }],
      ['Ada help', { name: 'Heron', number: 1 }],
    ])
  })

  it('is no visit, which nobody made', () => {
    expect(besides(call('Dee', 'Plover', 'visit'))).toEqual([])
  })
})
