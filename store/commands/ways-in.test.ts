import { ofEveryVenue } from '@/store/site-wall'
import { v7 as uuid } from 'uuid'
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest'
import { MachinesFileSchema, type MachinesFile } from '@/core/exchange/machines-file'
import { Invalid } from '@/core/schema/invalid'
import { check } from '@/core/schema/validate'
import { ROLES, type Role } from '@/core/room/role'
import { ORDINARY_TRAITS } from '@/core/testing/ordinary-machine'
import type { Actor } from '../actor'
import { readCallsBetween, readOpenCalls, readOwnCalls } from '../calls/calls'
import { lapseCalls } from '../calls/open-call'
import type { Store } from '../connect'
import { readBook } from '../machine/book'
import { readMachine } from '../machine/machines'
import { readProject } from '../project/projects'
import { readMachinesFile } from '../machine/machines-file'
import { aProject, aStaffedVenue, freshStore } from '../testing/store'
import { runCommand } from './run'

/** The law of locks and the reach of a call along every way into a book: direct, corrected, corrected again, and by a file. */
let store: Store
let end: () => Promise<void>
const actors = {} as Record<Role, Actor>
const courseId = uuid()
let learner: ReturnType<typeof aProject>
let machineId: string
let number = 0

const run = (as: Role, name: string, body: object, commandId = uuid(), now?: Date) =>
  runCommand(store, actors[as], name, { commandId, body }, now)
const fault = (work: Promise<unknown>) =>
  work.then(
    () => 'landed' as const,
    (error: unknown) => (error instanceof Invalid ? error.fault : error),
  )
const log = async (as: Role, kind: string, body: object, at = new Date()): Promise<string> => {
  const id = uuid()
  await run(as, 'log', { machineId, happenedAt: at.toISOString(), kind, body }, id)
  return id
}
const locks = async () =>
  (await readMachine(store, actors.coordinator.siteId, machineId))!.state.locks.map(({ kind }) => kind)

beforeAll(async () => {
  ;({ store, end } = await freshStore())
  Object.assign(actors, await aStaffedVenue(store, 'room'))
  await run('coordinator', 'open-course', { courseId, name: 'Bags' })
})
beforeEach(async () => {
  machineId = uuid()
  number += 1
  await run('coordinator', 'add-machine', {
    machineId,
    name: `Stint ${number}`,
    number,
    place: { x: 10, y: 10 },
    traits: ORDINARY_TRAITS,
    source: 'manual',
  })
  learner = aProject(`Ida ${number}`)
  await run('coordinator', 'add-projects', { courseId, projects: [learner] })
  await run('coordinator', 'give-kits', { kits: [{ kitGivenId: uuid(), projectId: learner.projectId, machineId }] })
  actors.learner = { siteId: actors.coordinator.siteId, personId: learner.personId, role: 'learner' }
})
afterAll(() => end())

const ELECTRICAL = { kind: 'fault-opened', body: { fault: 'electrical' } }
const corrects = (id: string, replacement?: object) => ({
  corrects: id,
  because: 'a slip',
  ...(replacement && { replacement }),
})

describe('an electrical stop', () => {
  it.each(ROLES.filter((role) => role !== 'coordinator'))(
    'is not ended by a %s: directly, by correcting, by correcting a correction',
    async (role) => {
      const jam = await log('learner', 'fault-opened', { fault: 'jam' })
      const made = await log('coordinator', 'correction', corrects(jam, ELECTRICAL))
      expect(await locks()).toEqual(['electrical'])
      const tries: [string, object][] = [
        ['correction', corrects(jam)],
        ['correction', corrects(made)],
        ['correction', corrects(jam, { kind: 'fault-opened', body: { fault: 'noise' } })],
        ['serviced', { by: 'x', electrical: true }],
        ['released', { because: 'x' }],
        ['fault-cured', { fault: 'electrical', cure: 'x' }],
      ]
      for (const [kind, body] of tries) await fault(log(role, kind, body))
      expect(await locks()).toEqual(['electrical'])
    },
  )

  it('is ended by the coordinator who logs the repair, and whoever cannot is told so', async () => {
    await log('learner', 'fault-opened', { fault: 'electrical' })
    const refused = await fault(log('instructor', 'serviced', { by: 'x', electrical: true }))
    expect(refused).toMatchObject({
      code: 'locked',
      message: expect.stringContaining('Only a coordinator can') as string,
    })
    await log('coordinator', 'serviced', { by: 'a licensed repairer', electrical: true })
    expect(await locks()).toEqual([])
  })
})

describe('a red tag', () => {
  it('that was lifted and put back does not go by a helper’s correction of that', async () => {
    await log('helper', 'red-tagged', { because: 'smell' })
    const lifted = await log('instructor', 'red-tag-lifted', { because: 'aired' })
    const back = await log('instructor', 'correction', corrects(lifted))
    expect(await locks()).toEqual(['red-tag'])
    expect(await fault(log('helper', 'correction', corrects(back)))).toMatchObject({ code: 'locked' })
    expect(await locks()).toEqual(['red-tag'])
  })
})

describe('a seat at a machine that is stopped', () => {
  it('is given in no way until it runs again', async () => {
    const other = aProject(`Zita ${number}`)
    const { projectId } = other
    await run('coordinator', 'add-projects', { courseId, projects: [other] })
    const kits = [{ kitGivenId: uuid(), projectId, machineId }]
    const sitsAt = async () => (await readProject(store, actors.coordinator.siteId, projectId))?.given?.machineId
    const tag = await log('helper', 'red-tagged', { because: 'the belt slips' })
    const stopped = { code: 'stopped', path: 'machineId', message: expect.stringContaining('the belt slips') as string }
    const one = { projectId, machineId, needle: { point: 'universal', sizeNm: 80 } }
    expect(await fault(run('instructor', 'give-kit', one))).toMatchObject(stopped)
    expect(await fault(run('instructor', 'give-kits', { kits }))).toMatchObject(stopped)
    expect(await sitsAt()).toBeUndefined()
    await log('instructor', 'correction', corrects(tag))
    await run('instructor', 'give-kits', { kits })
    expect(await sitsAt()).toBe(machineId)
  })
})

describe('a file of machines', () => {
  const fileWith = async (line: Partial<MachinesFile['machines'][number]['book'][number]>): Promise<MachinesFile> => {
    const file = check(MachinesFileSchema, await readMachinesFile(store, actors.coordinator.siteId))
    return {
      ...file,
      machines: file.machines
        .filter((each) => each.machineId === machineId)
        .map((each) => ({
          ...each,
          book: [
            ...each.book,
            {
              eventId: uuid(),
              happenedAt: new Date().toISOString(),
              personId: actors.coordinator.personId,
              kind: 'noted' as const,
              body: { text: 'from the file' },
              ...line,
            },
          ],
        })),
    }
  }

  it('lifts no lock for an instructor, whoever it names: only a coordinator brings one in', async () => {
    await log('helper', 'red-tagged', { because: 'smell' })
    const file = await fileWith({ kind: 'red-tag-lifted', body: { because: 'x' } })
    for (const role of ['instructor', 'helper', 'learner'] as const)
      expect(await fault(run(role, 'import-machines', { file }))).toMatchObject({ code: 'not-allowed' })
    expect(await locks()).toEqual(['red-tag'])
  })

  it('is held to what its writers may write, to people who are named, and to a time that has been', async () => {
    const wrong: [Parameters<typeof fileWith>[0], string, string][] = [
      [{ personId: learner.personId, kind: 'cleaned', body: {} }, 'personId', 'A learner cannot write “cleaned”'],
      [{ personId: uuid() }, 'personId', 'Nobody of this id'],
      [{ happenedAt: new Date(Date.now() + 3_600_000).toISOString() }, 'happenedAt', 'in the future'],
    ]
    for (const [line, path, message] of wrong) {
      const file = await fileWith(line)
      const at = file.machines[0]!.book.length - 1
      expect(await fault(run('coordinator', 'import-machines', { file }))).toMatchObject({
        path: `file.machines.0.book.${at}.${path}`,
        message: expect.stringContaining(message) as string,
      })
    }
  })

  it('says beside each of its lines who brought it', async () => {
    const eventId = uuid()
    await run('coordinator', 'import-machines', { file: await fileWith({ eventId, personId: actors.helper.personId }) })
    const row = await ofEveryVenue(store)
      .selectFrom('machine_event')
      .select(['person_id', 'imported_by'])
      .where('event_id', '=', eventId)
      .executeTakeFirstOrThrow()
    expect(row).toEqual({ person_id: actors.helper.personId, imported_by: actors.coordinator.personId })
  })
})

describe('a needle of another system', () => {
  it('goes into no book: typed, tapped or corrected in', async () => {
    const needle = { system: 'long shank', point: 'universal', sizeNm: 90, condition: 'new' }
    expect(await fault(log('helper', 'needle-changed', { in: needle }))).toMatchObject({ path: 'body.in.system' })
    const note = await log('helper', 'noted', { text: 'x' })
    const corrected = log('helper', 'correction', corrects(note, { kind: 'needle-changed', body: { in: needle } }))
    expect(await fault(corrected)).toMatchObject({ path: 'body.replacement.body.in.system' })
    await log('helper', 'needle-changed', { in: { ...needle, system: '15x1' } })
  })
})

describe('chair time', () => {
  it('counts as much as the room says, whoever writes it, and keeps what held when it was sewn', async () => {
    await log('helper', 'needle-changed', {
      in: { system: '130/705 H', point: 'universal', sizeNm: 80, condition: 'new' },
    })
    const sew = () => log('helper', 'used', { use: { load: 'ordinary', chairMinutes: 60 }, finishedProject: false })
    const { readSite } = await import('../site/site')
    const { houseRules } = await readSite(store, actors.coordinator.siteId)
    await run('coordinator', 'change-house-rules', { rules: { ...houseRules, duty: 0.5 } })
    await sew()
    await run('coordinator', 'change-house-rules', { rules: { ...houseRules, duty: 0.2 } })
    await sew()
    const { fitting } = (await readMachine(store, actors.coordinator.siteId, machineId))!.state
    expect(fitting!.uses.map(({ duty }) => duty)).toEqual([0.5, 0.2])
  })
})

describe('a learner’s lines', () => {
  const check_ = (list: 'seat' | 'room') => ({ list, steps: [{ step: 'x', group: 'bobbin', result: 'pass' }] })
  it('are no room checks, lie within their turn, and are no more than a person writes in a minute', async () => {
    expect(await fault(log('learner', 'check-run', check_('room')))).toMatchObject({ path: 'body.list' })
    const long = new Date(Date.now() - 20 * 3_600_000)
    expect(await fault(log('learner', 'check-run', check_('seat'), long))).toMatchObject({ path: 'happenedAt' })
    const outcomes = []
    for (let index = 0; index < 22; index += 1) outcomes.push(await fault(log('learner', 'check-run', check_('seat'))))
    expect(outcomes.filter((each) => each === 'landed')).toHaveLength(20)
    expect(outcomes.at(-1)).toMatchObject({ code: 'too-many' })
    // Staff are not counted: they log a whole room.
    expect(await fault(log('helper', 'check-run', check_('seat')))).toBe('landed')
  })
})

describe('a call for help', () => {
  const open = () => readOpenCalls(store, actors.coordinator.siteId)
  const own = () => readOwnCalls(store, actors.coordinator.siteId, learner.personId, new Date())
  beforeEach(async () => {
    for (const { callId } of await open()) await run('helper', 'end-call', { callId })
  })

  it('comes of every line that hands something on, and of nothing else', async () => {
    const handed = { symptom: 'skipped', answers: [{ check: 'needle-condition', found: false }], outcome: 'handed-on' }
    await log('learner', 'fault-run', { ...handed, outcome: 'left' })
    expect(await open()).toEqual([])
    await log('learner', 'fault-run', handed)
    expect(await open()).toMatchObject([
      { who: learner.learner, machineId, about: 'help', found: { symptom: 'skipped', answers: handed.answers } },
    ])
    // A line that is corrected into one calls, too.
    await run('helper', 'end-call', { callId: (await open())[0]!.callId })
    const left = await log('learner', 'fault-run', { ...handed, outcome: 'left' })
    await log('learner', 'correction', corrects(left, { kind: 'fault-run', body: handed }))
    expect(await open()).toHaveLength(1)
  })

  it('comes of whatever stops the machine under a learner, along every way, and not of what comes too late', async () => {
    const seatCheck = { list: 'seat', steps: [{ step: 'no-touch', group: 'no-touch', result: 'fail' }] }
    const stops: [string, object, object][] = [
      ['fault-opened', { fault: 'electrical', seen: 'a smell' }, { symptom: 'electrical' }],
      ['needle-broke', { piecesFound: false }, { symptom: 'needle-breaks' }],
      ['check-run', seatCheck, { what: 'The check found what nobody may sew with' }],
    ]
    for (const [kind, body, found] of stops) {
      await log('learner', kind, body)
      expect(await open()).toMatchObject([{ who: learner.learner, machineId, about: 'help', found }])
      await run('helper', 'end-call', { callId: (await open())[0]!.callId })
      const left = await log('learner', 'fault-run', { symptom: 'skipped', answers: [], outcome: 'left' })
      await log('learner', 'correction', corrects(left, { kind, body }))
      expect(await open()).toMatchObject([{ found }])
      await run('helper', 'end-call', { callId: (await open())[0]!.callId })
    }
    // It waited on a device without a network, and whoever wrote it has long found somebody.
    const broke = {
      machineId,
      happenedAt: new Date().toISOString(),
      kind: 'needle-broke',
      body: { piecesFound: false },
    }
    await run('learner', 'log', broke, uuid(), new Date(Date.now() + 40 * 60_000))
    // Staff who stop a machine stand at it.
    await log('helper', 'needle-broke', { piecesFound: false })
    expect(await open()).toEqual([])
  })

  it('is one call where what stops the machine is handed on as well', async () => {
    await log('learner', 'fault-opened', { fault: 'electrical' })
    await log('learner', 'fault-run', { symptom: 'electrical', answers: [], outcome: 'handed-on' })
    expect(await open()).toMatchObject([{ found: { symptom: 'electrical' } }])
    expect(await open()).toHaveLength(1)
  })

  it('is one call however often it is made, seen once, gone to, ended; or taken back by its owner alone', async () => {
    await run('learner', 'call-staff', { machineId, found: {} })
    await run('learner', 'call-staff', { machineId, found: { what: 'still here' } })
    const [call] = await open()
    expect(call).toMatchObject({ found: { what: 'still here' } })
    await run('helper', 'see-calls', { callIds: [call!.callId] })
    await run('instructor', 'see-calls', { callIds: [call!.callId] })
    expect((await own())[0]!.seen).toMatchObject({ by: 'helper' })
    await run('instructor', 'go-to-call', { callId: call!.callId })
    expect((await own())[0]!.going).toMatchObject({ by: 'instructor' })
    expect(await fault(run('helper', 'take-call-back', { callId: call!.callId }))).toMatchObject({ code: 'not-found' })
    await run('learner', 'take-call-back', { callId: call!.callId })
    expect(await open()).toEqual([])
    expect((await own())[0]!.ended).toMatchObject({ how: 'taken-back' })
    expect(await fault(run('helper', 'go-to-call', { callId: call!.callId }))).toMatchObject({ code: 'ended' })
  })

  it('is a new one, on every screen again, where somebody has been and nobody said so, or where its day is over', async () => {
    const by = (minutes: number, column: 'going_at' | 'called_at') =>
      store
        .updateTable('help_call')
        .set({ [column]: new Date(Date.now() - minutes * 60_000) })
        .where('site_id', '=', actors.coordinator.siteId)
        .where('ended_at', 'is', null)
        .execute()
    await run('learner', 'call-staff', { machineId, found: {} })
    const [first] = await open()
    await run('instructor', 'go-to-call', { callId: first!.callId })
    await run('learner', 'call-staff', { machineId, found: { what: 'on your way' } })
    expect(await open()).toMatchObject([{ callId: first!.callId, going: {}, found: { what: 'on your way' } }])
    await by(4, 'going_at')
    await run('learner', 'call-staff', { machineId, found: {} })
    const [second, ...more] = await open()
    expect([second!.callId === first!.callId, second!.seen, second!.going, more]).toEqual([
      false,
      undefined,
      undefined,
      [],
    ])
    expect((await own()).map(({ ended }) => ended?.how)).toEqual([undefined, 'anew'])
    expect(await fault(run('helper', 'go-to-call', { callId: first!.callId }))).toMatchObject({ code: 'ended' })

    await by(7 * 60, 'called_at')
    await run('learner', 'call-staff', { machineId, found: {} })
    expect((await open()).map(({ callId }) => callId)).not.toContain(second!.callId)
    // Nobody went to it: it does not count as answered.
    const calls = await readCallsBetween(store, actors.coordinator.siteId, new Date(0), new Date())
    expect(calls.filter(({ answeredAt }) => !answeredAt)).toHaveLength(2)
    // By night those go that nobody calls anew; that somebody was hurt stays until staff say so.
    await log('learner', 'somebody-hurt', { what: 'a finger' })
    await by(7 * 60, 'called_at')
    expect(await lapseCalls(store, new Date())).toBe(1)
    expect(await open()).toMatchObject([{ about: 'hurt' }])
  })

  it('of somebody who is hurt stops the machine, stands first, and is not taken back', async () => {
    await run('learner', 'call-staff', { machineId, found: {} })
    await log('learner', 'somebody-hurt', { what: 'a finger' })
    const calls = await open()
    expect(calls.map(({ about }) => about)).toEqual(['hurt', 'help'])
    expect(await locks()).toEqual(['red-tag'])
    expect(await fault(run('learner', 'take-call-back', { callId: calls[0]!.callId }))).toMatchObject({
      code: 'not-found',
    })
  })

  it('comes from where its learner sits by now, whatever their page still shows, and is refused to nobody', async () => {
    const other = uuid()
    number += 1
    await run('coordinator', 'add-machine', {
      machineId: other,
      name: `Stint ${number}`,
      number,
      place: { x: 1, y: 1 },
      traits: {},
      source: 'manual',
    })
    await run('learner', 'call-staff', { machineId: other, found: {} })
    expect(await open()).toMatchObject([{ machineId, about: 'help' }])
    expect(await fault(run('learner', 'call-staff', { machineId: uuid(), found: {} }))).toMatchObject({
      code: 'not-found',
    })
    // Somebody else is given the machine: the one who sat there calls from no machine, and the first call is over.
    const next = aProject(`Bram ${number}`)
    await run('coordinator', 'add-projects', { courseId, projects: [next] })
    await run('coordinator', 'give-kits', { kits: [{ kitGivenId: uuid(), projectId: next.projectId, machineId }] })
    await run('learner', 'call-staff', { machineId, found: {} })
    const [call, ...others] = await open()
    expect([call!.about, Object.hasOwn(call!, 'machineId'), others]).toEqual(['help', false, []])
  })

  it('that somebody is hurt comes from no machine as well, stands first and beside, and stops nothing', async () => {
    await run('learner', 'call-staff', { found: { what: 'lost' } })
    await run('learner', 'call-staff', { hurt: true, found: { what: 'the iron' } })
    await run('learner', 'call-staff', { hurt: true, found: { what: 'the iron, a hand' } })
    expect((await open()).map(({ about, found, ...call }) => [about, found.what, call.machineId])).toEqual([
      ['hurt', 'the iron, a hand', undefined],
      ['help', 'lost', machineId],
    ])
    expect(await locks()).toEqual([])
    const own = await readOwnCalls(store, actors.coordinator.siteId, learner.personId, new Date())
    await run('helper', 'go-to-call', { callId: own[0]!.callId })
    for (const { callId } of await open()) await run('helper', 'end-call', { callId })
    expect(await open()).toEqual([])
    const wrong = { machineId, hurt: true, found: {} }
    expect(await fault(run('learner', 'call-staff', wrong))).toMatchObject({ path: 'hurt' })
  })
})

describe('a device whose clock is off', () => {
  const HOUR_MS = 3_600_000

  it.each([-26, -1, 1, 26])('by %s hours writes of the moment in which it was', async (hours) => {
    const device = () => new Date(Date.now() + hours * HOUR_MS).toISOString()
    const line = { machineId, happenedAt: device(), kind: 'turn-ended', body: { finished: false } }
    const commandId = uuid()
    const send = (sentAt: string) => runCommand(store, actors.learner, 'log', { commandId, sentAt, body: line })
    await send(device())
    // Sent again it is the same line.
    expect(await send(device())).toMatchObject({ landed: 'before' })
    const [kept] = await readBook(store, actors.coordinator.siteId, machineId)
    expect(Math.abs(Date.parse(kept!.happenedAt) - Date.now())).toBeLessThan(60_000)
  })

  it('stops the machine by a needle that broke after the change that it would have broken before', async () => {
    await log(
      'instructor',
      'needle-changed',
      { in: { system: '130/705 H', point: 'universal', sizeNm: 80, condition: 'new' } },
      new Date(Date.now() - 60_000),
    )
    const slow = new Date(Date.now() - HOUR_MS).toISOString()
    const body = { symptom: 'needle-breaks', answers: [], outcome: 'handed-on' }
    const line = { machineId, happenedAt: slow, kind: 'fault-run', body }
    await runCommand(store, actors.learner, 'log', { commandId: uuid(), sentAt: slow, body: line })
    expect(await locks()).not.toEqual([])
  })
})

describe('a line that waited on a device', () => {
  it('lands as whoever wrote it, and as nobody else who is signed in there by now', async () => {
    const written = (as: string) => ({
      commandId: uuid(),
      as,
      body: { machineId, happenedAt: new Date().toISOString(), kind: 'cleaned', body: {} },
    })
    const { instructor, helper } = actors
    expect(await fault(runCommand(store, instructor, 'log', written(helper.personId)))).toMatchObject({
      code: 'not-you',
    })
    const envelope = written(helper.personId)
    expect(await runCommand(store, helper, 'log', envelope)).toMatchObject({ landed: 'now' })
    expect(await runCommand(store, helper, 'log', envelope)).toMatchObject({ landed: 'before' })
  })
})

describe('a venue', () => {
  it('goes whole, with plans, calls, needs and pairs hanging on it', async () => {
    const { siteId } = actors.coordinator
    const sessionId = uuid()
    const facts = { startsAt: '2026-11-26T18:00:00.000Z', endsAt: '2026-11-26T20:00:00.000Z', blocks: 1 }
    await run('coordinator', 'add-sessions', { courseId, sessions: [{ sessionId, ...facts }] })
    const seats = [{ projectId: learner.projectId, machineId, block: 1 }]
    await run('coordinator', 'set-plan', { sessionId, basedOn: null, plan: { seats, leftOut: [] } })
    await run('coordinator', 'set-attendance', { sessionId, personId: learner.personId, comes: 'absent' })
    await run('coordinator', 'set-needs', { personId: learner.personId, needs: ['spaceAtLeft'] })
    await run('learner', 'call-staff', { machineId, found: {} })
    await ofEveryVenue(store).deleteFrom('site').where('site_id', '=', siteId).execute()
    for (const table of ['person', 'machine', 'session_plan', 'help_call', 'stock_move', 'command'] as const) {
      const left = await ofEveryVenue(store).selectFrom(table).select('site_id').where('site_id', '=', siteId).execute()
      expect([table, left]).toEqual([table, []])
    }
  })
})
