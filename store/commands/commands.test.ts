import { ofEveryVenue } from '@/store/site-wall'
import { spawnSync } from 'node:child_process'
import { v7 as uuid } from 'uuid'
import fc from 'fast-check'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { foldMachine } from '@/core/machine/fold'
import { anyHistoryInTheRoom } from '@/core/testing/histories'
import type { Actor } from '../actor'
import type { Store } from '../connect'
import { readBook } from '../machine/book'
import { readMachine } from '../machine/machines'
import { migrate } from '../migrate'
import { readProjects, seatOf } from '../project/projects'
import { Refused } from '../refused'
import { learnerSignIn } from '../site/people'
import { aVenue, freshStore } from '../testing/store'
import { runCommand } from './run'

let store: Store
let url: string
let end: () => Promise<void>
let coordinator: Actor
let other: Actor

beforeAll(async () => {
  ;({ store, url, end } = await freshStore())
  const made = (code: string) => aVenue(store, code)
  coordinator = await made('first')
  other = await made('second')
})
afterAll(() => end())

const run = (name: string, body: object, who = coordinator, commandId = uuid(), now?: Date) =>
  runCommand(store, who, name, { commandId, body }, now)
const fault = async (work: Promise<unknown>) =>
  work.then(
    () => {
      throw new Error('it was not refused')
    },
    (error: unknown) => ({ status: error instanceof Refused ? error.status : 400, ...(error as Refused).fault }),
  )
let machines = 0
const addMachine = async (traits: object = {}, who = coordinator): Promise<string> => {
  const machineId = uuid()
  machines += 1
  await run(
    'add-machine',
    { machineId, name: `M${machines}`, number: machines, place: { x: 10, y: 10 }, traits, source: 'manual' },
    who,
  )
  return machineId
}
const log = (machineId: string, kind: string, body: object, who = coordinator, commandId = uuid(), at = new Date()) =>
  run('log', { machineId, happenedAt: at.toISOString(), kind, body }, who, commandId)
const stateOf = async (machineId: string) => (await readMachine(store, coordinator.siteId, machineId))!.state
const needle = (sizeNm = 80) => ({ in: { system: '130/705 H', point: 'universal', sizeNm, condition: 'new' } })

describe('a write', () => {
  it('lands once however often it is sent, and at the same time too', async () => {
    const machineId = await addMachine()
    const commandId = uuid()
    const at = new Date()
    const landed = await Promise.all(
      Array.from({ length: 5 }, () => log(machineId, 'needle-changed', needle(), coordinator, commandId, at)),
    )
    expect(landed.map((each) => each.landed).sort()).toEqual(['before', 'before', 'before', 'before', 'now'])
    expect(await readBook(store, coordinator.siteId, machineId)).toHaveLength(1)
    expect(await fault(log(machineId, 'needle-changed', needle(90), coordinator, commandId, at))).toMatchObject({
      status: 409,
      code: 'id-taken',
    })
  })

  it('of two people at one machine at once lands twice, in order', async () => {
    const machineId = await addMachine()
    await Promise.all(
      Array.from({ length: 8 }, (_, i) =>
        log(machineId, 'used', { use: { load: 'ordinary', motorMinutes: i }, finishedProject: false }),
      ),
    )
    const lines = await readBook(store, coordinator.siteId, machineId)
    expect(lines).toHaveLength(8)
    expect(await stateOf(machineId)).toEqual(foldMachine(lines))
  })

  it.each([
    ['log', { kind: 'needle-changed', body: {} }, 400, 'body', '"out"'],
    [
      'log',
      { kind: 'needle-changed', body: { in: { ...needle().in, sizeNm: 'fat' } } },
      400,
      'body.in.sizeNm',
      'one of 60, 65, 70',
    ],
    ['log', { kind: 'dance', body: {} }, 400, 'kind', 'needle-changed'],
    ['log', { kind: 'noted', body: { text: 'bad \u0000 letter' } }, 400, '', 'cannot be kept'],
    [
      'log',
      { kind: 'noted', body: { text: 'x' }, happenedAt: '2999-01-01T00:00:00.000Z' },
      400,
      'happenedAt',
      'future',
    ],
    [
      'log',
      { kind: 'correction', body: { corrects: uuid(), because: 'x' } },
      404,
      'body.corrects',
      'line in this book',
    ],
  ])('that is wrong is refused with its path: %s %j', async (name, more, status, path, message) => {
    const machineId = await addMachine()
    const said = await fault(run(name, { machineId, happenedAt: new Date().toISOString(), ...more }))
    expect(said.status).toBe(status)
    expect(said.path).toBe(path)
    expect(said.message).toContain(message)
    expect(await readBook(store, coordinator.siteId, machineId)).toHaveLength(0)
  })

  it('for another venue’s machine finds nothing', async () => {
    const machineId = await addMachine()
    expect(await fault(log(machineId, 'noted', { text: 'hello' }, other))).toMatchObject({
      status: 404,
      path: 'machineId',
    })
  })

  it('that takes a name or number again says which', async () => {
    await addMachine()
    const body = {
      machineId: uuid(),
      name: 'fresh',
      number: machines,
      place: { x: 1, y: 1 },
      traits: {},
      source: 'manual',
    }
    expect(await fault(run('add-machine', body))).toMatchObject({ status: 409, path: 'number' })
    expect(
      await fault(
        run('add-machine', { ...body, number: 999, traits: { tensionDial: { min: 0, max: 9, normal: 12, step: 1 } } }),
      ),
    ).toMatchObject({
      status: 400,
      path: 'traits.tensionDial.normal',
    })
    expect(await fault(run('add-machine', { ...body, number: 999, traits: { wheels: 4 } }))).toMatchObject({
      path: 'traits.wheels',
    })
  })
})

describe('the kept state', () => {
  it('is what the fold of the book says, for random books in any order of arrival', () =>
    fc.assert(
      fc.asyncProperty(anyHistoryInTheRoom, async (history) => {
        const machineId = await addMachine()
        const ids = new Map(history.map((line) => [line.eventId, uuid()]))
        for (const line of history) {
          const body = line.kind === 'correction' ? { ...line.body, corrects: ids.get(line.body.corrects) } : line.body
          await run(
            'log',
            { machineId, happenedAt: line.happenedAt, kind: line.kind, body },
            coordinator,
            ids.get(line.eventId),
          )
        }
        const lines = await readBook(store, coordinator.siteId, machineId)
        expect(lines).toHaveLength(history.length)
        expect(await stateOf(machineId)).toEqual(JSON.parse(JSON.stringify(foldMachine(lines))))
      }),
      { numRuns: 25 },
    ))

  it('is rebuilt to the letter', async () => {
    const machineId = await addMachine()
    await log(machineId, 'needle-changed', needle())
    await ofEveryVenue(store)
      .updateTable('machine_state')
      .set({ state: '{"stale":[],"failed":[],"locks":[]}' })
      .where('machine_id', '=', machineId)
      .execute()
    const rebuilt = () =>
      spawnSync('bin/rebuild', { encoding: 'utf8', env: { ...process.env, DATABASE_URL: url } }).stdout.split('\n')
    expect(rebuilt()).toContain(`  venue ${coordinator.siteId} machine ${machineId}`)
    expect((await stateOf(machineId)).fitting?.needle.sizeNm).toBe(80)
    expect(rebuilt()[0]).toMatch(/^\d+ books folded again, 0 machines/)
  })

  it('takes undo as a correction, and a book cannot be rewritten behind its back', async () => {
    const machineId = await addMachine()
    const commandId = uuid()
    await log(machineId, 'needle-changed', needle(), coordinator, commandId)
    await log(machineId, 'correction', { corrects: commandId, because: 'undone' })
    expect((await stateOf(machineId)).fitting).toBeUndefined()
    await expect(ofEveryVenue(store).updateTable('machine_event').set({ kind: 'noted' }).execute()).rejects.toThrow(
      'append-only',
    )
  })
})

describe('who may', () => {
  it('write: a helper logs needles but lifts no red tag, and corrects only what they could write', async () => {
    const machineId = await addMachine()
    const personId = uuid()
    await run('invite-person', {
      personId,
      invitationId: uuid(),
      name: 'Hal',
      role: 'helper',
      code: 'abcd-efgh-jkmn',
    })
    const helper: Actor = { ...coordinator, personId, role: 'helper' }
    const tag = uuid()
    const smell = uuid()
    await log(machineId, 'red-tagged', { because: 'smell' }, helper, smell)
    expect(await fault(log(machineId, 'correction', { corrects: smell, because: 'x' }, helper))).toMatchObject({
      status: 403,
    })
    await log(machineId, 'red-tag-lifted', { because: 'repaired' }, coordinator, tag)
    expect(await fault(log(machineId, 'red-tag-lifted', { because: 'x' }, helper))).toMatchObject({ status: 403 })
    expect(await fault(log(machineId, 'correction', { corrects: tag, because: 'x' }, helper))).toMatchObject({
      status: 403,
    })
    const sneaky = {
      corrects: (await readBook(store, coordinator.siteId, machineId))[0]!.eventId,
      because: 'x',
      replacement: { kind: 'red-tag-lifted', body: { because: 'x' } },
    }
    expect(await fault(log(machineId, 'correction', sneaky, helper))).toMatchObject({ status: 403 })
  })

  it('sit: a learner writes for the machine of their own seat only, and takes back only their own lines', async () => {
    const traits = { ...KIT_TRAITS }
    const [mine, theirs] = [await addMachine(traits), await addMachine(traits)]
    const courseId = uuid()
    await run('open-course', { courseId, name: 'Thursdays', classCode: 'thursday' })
    const project = (learner: string) => ({
      projectId: uuid(),
      courseId,
      personId: uuid(),
      enrolmentId: uuid(),
      learner,
      name: 'a pouch',
      fabric: { structure: 'woven', massGsm: 150 },
      layers: { seam: 2, crossing: 2 },
      operation: 'seam',
    })
    const own = project('Mo')
    await run('add-project', own)
    expect(
      await fault(
        run('give-kit', { projectId: own.projectId, machineId: mine, needle: { point: 'jeans', sizeNm: 110 } }),
      ),
    ).toMatchObject({ status: 409, path: 'needle' })
    await run('give-kit', { projectId: own.projectId, machineId: mine, needle: { point: 'universal', sizeNm: 70 } })
    expect((await seatOf(store, coordinator.siteId, own.personId))?.given?.kit.needle).toMatchObject({
      point: 'universal',
      sizeNm: 70,
    })

    const learner: Actor = { ...coordinator, personId: own.personId, role: 'learner' }
    const swatch = { dial: 4, target: 'straight', top: 'own', under: 'own', done: [] }
    const [byLearner, byStaff] = [uuid(), uuid()]
    await log(mine, 'swatch-stitched', swatch, learner, byLearner)
    await log(mine, 'swatch-stitched', swatch, coordinator, byStaff)
    expect(await fault(log(theirs, 'swatch-stitched', swatch, learner))).toMatchObject({
      status: 403,
      code: 'not-yours',
    })
    expect(await fault(log(mine, 'needle-changed', needle(), learner))).toMatchObject({
      status: 403,
      code: 'not-allowed',
    })
    expect(await fault(log(mine, 'correction', { corrects: byStaff, because: 'x' }, learner))).toMatchObject({
      status: 403,
    })
    await log(mine, 'correction', { corrects: byLearner, because: 'looked again' }, learner)

    await run('add-project', { ...project('mo '), name: 'a second pouch' })
    const [first, second] = (await readProjects(store, coordinator.siteId)).filter(
      ({ courseId: each }) => each === courseId,
    )
    expect(second!.personId).toBe(first!.personId)
  })

  it('enter: a learner by class code and first name, in any case, always the same sign-in', async () => {
    const entries = await Promise.all(
      ['Mo', 'mo', ' MO '].map((name) => learnerSignIn(store, ' FIRST-thursday ', name)),
    )
    expect(new Set(entries).size).toBe(1)
    expect(entries[0]).toBeDefined()
    expect(await learnerSignIn(store, 'first-thursday', 'Nobody')).toBeUndefined()
    expect(await learnerSignIn(store, 'second-thursday', 'Mo')).toBeUndefined()
  })
})

it('migrations run once, and again do nothing', async () => expect(await migrate(store)).toEqual([]))

const KIT_TRAITS = {
  needleSystem: '130/705 H',
  needleNm: { min: 60, max: 110 },
  tensionDial: { min: 0, max: 9, normal: 4, step: 0.5 },
  stitches: ['straight', 'zigzag'],
  maxWidthMm: 5,
  lengthMm: { min: 0, max: 4 },
  spoolPins: 1,
  feet: ['standard'],
  evenFeed: false,
  maxStackMm: 6,
  maxLeatherMm: 2,
  footPressure: 'fixed',
} as const
