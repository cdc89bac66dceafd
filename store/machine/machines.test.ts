import { ofEveryVenue } from '@/store/site-wall'
import { v7 as uuid } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { codeOf } from '@/core/code/code'
import { UNSEEN } from '@/core/machine/fold'
import { needlesOf } from '@/core/machine/needle-history'
import type { Traits } from '@/core/knowledge/machine/trait'
import type { Actor } from '../actor'
import { runCommand } from '../commands/run'
import type { Store } from '../connect'
import { readSitters } from '../project/projects'
import { readIds } from '../site/ids'
import { aVenue, freshStore } from '../testing/store'
import { readBook, readNewest, rebuildStates } from './book'
import { readMachine, readRoom } from './machines'

let store: Store
let end: () => Promise<void>
let who: Actor
beforeAll(async () => {
  ;({ store, end } = await freshStore())
  who = await aVenue(store, 'room')
})
afterAll(() => end())

const run = (name: string, body: object, commandId = uuid()) => runCommand(store, who, name, { commandId, body })
const traits: Traits = {
  needleSystem: '130/705 H',
  needleNm: { min: 60, max: 110 },
  tensionDial: { min: 0, max: 9, normal: 4, step: 0.5 },
  stitches: ['straight'],
  maxWidthMm: 0,
  lengthMm: { min: 0, max: 4 },
  spoolPins: 1,
  feet: ['standard'],
  evenFeed: false,
  maxStackMm: 6,
  maxLeatherMm: 3,
  footPressure: 'fixed',
}
let number = 0
const addMachine = async () => {
  const machineId = uuid()
  number += 1
  await run('add-machine', {
    machineId,
    name: `M${number}`,
    number,
    place: { x: 1, y: 1 },
    traits,
    source: 'manual',
  })
  return machineId
}

describe('a trait that is learnt', () => {
  it('stands on the card and in the book, with who learnt it and where', async () => {
    const machineId = await addMachine()
    await run('set-trait', {
      machineId,
      trait: 'bobbinSize',
      value: { fillMm: 19.5, hubMm: 6.5, widthMm: 8.6 },
      source: 'tried',
    })
    const machine = await readMachine(store, who.siteId, machineId)
    expect(machine!.traits.bobbinSize).toEqual({ fillMm: 19.5, hubMm: 6.5, widthMm: 8.6 })
    const [line] = await readBook(store, who.siteId, machineId)
    expect(line).toMatchObject({
      kind: 'trait-learnt',
      personId: who.personId,
      body: { trait: 'bobbinSize', words: 'wound to, mm: 19.5; hub, mm: 6.5; width inside, mm: 8.6', source: 'tried' },
    })
  })

  it('that no dial can have is refused, and nothing is written', async () => {
    const machineId = await addMachine()
    const marks = { lowest: 5, highest: 1, step: 0.5, mmAtLowest: 0, mmAtHighest: 4 }
    await expect(
      run('set-trait', { machineId, trait: 'lengthMarks', value: marks, source: 'tried' }),
    ).rejects.toMatchObject({ path: 'value.highest' })
    expect(await readBook(store, who.siteId, machineId)).toEqual([])
  })
})

describe('a room', () => {
  it('shows every machine as it stands now, however often it was read before', async () => {
    const [first, second] = [await addMachine(), await addMachine()]
    const bobbins = async (machineId: string) =>
      (await readRoom(store, who.siteId)).find((each) => each.machineId === machineId)!.state.care.bobbinsSinceClean
    const wind = (machineId: string) =>
      run('log', { machineId, happenedAt: new Date().toISOString(), kind: 'bobbin-wound', body: { count: 1 } })
    for (let turn = 1; turn <= 4; turn += 1) {
      await wind(first)
      expect([await bobbins(first), await bobbins(second)]).toEqual([turn, 0])
    }
    // A write that is undone leaves nothing behind, in nobody's eyes.
    await store
      .transaction()
      .execute(async (tx) => {
        await tx
          .updateTable('machine_state')
          .set({ state: JSON.stringify(UNSEEN) })
          .where('machine_id', '=', first)
          .execute()
        throw new Error('undone')
      })
      .catch(() => undefined)
    expect(await bobbins(first)).toBe(4)
    const machine = await readMachine(store, who.siteId, first)
    const { needlesBefore: _, ...standing } = machine!.state
    expect((await readRoom(store, who.siteId)).find((each) => each.machineId === first)!.state).toEqual(standing)
  })
})

describe('a page of a long book', () => {
  it('holds the newest lines, whatever corrects them, and the needles that were in', async () => {
    const machineId = await addMachine()
    const start = Date.UTC(2026, 0, 1)
    const log = async (minute: number, kind: string, body: object) => {
      const commandId = uuid()
      await run(
        'log',
        { machineId, happenedAt: new Date(start + minute * 60_000).toISOString(), kind, body },
        commandId,
      )
      return commandId
    }
    const needle = (sizeNm: number) => ({ in: { system: '130/705 H', point: 'universal', sizeNm, condition: 'new' } })
    const ids: string[] = []
    for (const [index, sizeNm] of [70, 80, 90].entries()) {
      ids.push(await log(index * 10, 'needle-changed', needle(sizeNm)))
      ids.push(
        await log(index * 10 + 1, 'used', { use: { load: 'ordinary', motorMinutes: 30 }, finishedProject: false }),
      )
    }
    const newest = ids.at(-1)!
    const taken = await log(100, 'correction', { corrects: newest, because: 'slip' })
    const page = await readNewest(store, who.siteId, machineId, { limit: 1, kinds: ['used'] })
    expect(page.lines.map(({ eventId }) => eventId)).toEqual([newest])
    expect(page.around.map(({ eventId }) => eventId)).toEqual([taken])
    expect(page.older).toBe(true)
    const first = await readNewest(store, who.siteId, machineId, { limit: 1 })
    expect(first.lines.map(({ eventId }) => eventId)).toEqual([taken])
    expect(first.around.map(({ eventId }) => eventId)).toEqual([newest])
    const stays = needlesOf((await readMachine(store, who.siteId, machineId))!.state)
    expect(stays.map(({ needle: { sizeNm }, effectiveHours }) => [sizeNm, effectiveHours])).toEqual([
      [70, 0.5],
      [80, 0.5],
      [90, 0],
    ])
    expect((await readNewest(store, who.siteId, machineId, { limit: 7 })).older).toBe(false)
  })
})

describe('who sits where', () => {
  it('is the learner of the last kit given for each machine', async () => {
    const [first, second] = [await addMachine(), await addMachine()]
    const courseId = uuid()
    await run('open-course', { courseId, name: 'Bags', classCode: 'bagsbags' })
    const projects = ['Ida', 'Jon'].map((learner) => ({
      projectId: uuid(),
      personId: uuid(),
      enrolmentId: uuid(),
      learner,
      name: 'bag',
      fabric: { structure: 'woven', massGsm: 150 },
      layers: { seam: 2, crossing: 2 },
      operation: 'seam',
    }))
    await run('add-projects', { courseId, projects })
    const give = (index: number, machineId: string) =>
      run('give-kit', {
        projectId: projects[index]!.projectId,
        machineId,
        needle: { point: 'universal', sizeNm: 70 },
      })
    await give(0, first)
    await give(1, first)
    expect(await readSitters(store, who.siteId)).toEqual(new Map([[first, 'Jon']]))
    // Somebody who moves leaves their seat behind.
    await give(1, second)
    expect(await readSitters(store, who.siteId)).toEqual(
      new Map([
        [first, 'Ida'],
        [second, 'Jon'],
      ]),
    )
    const ids = await readIds(store, who.siteId, 'project')
    expect(ids.map((id) => codeOf('project', id))).toContain(codeOf('project', projects[0]!.projectId))
  })
})

describe('kept states of an older shape', () => {
  it('are folded anew from their books, and those that differed are named', async () => {
    const machineId = await addMachine()
    await run('log', {
      machineId,
      happenedAt: new Date().toISOString(),
      kind: 'bobbin-wound',
      body: { count: 3 },
    })
    await ofEveryVenue(store)
      .updateTable('machine_state')
      .set({ state: '{"stale":[],"failed":[],"locks":[]}' })
      .where('machine_id', '=', machineId)
      .execute()
    expect((await rebuildStates(store)).differed).toEqual([{ siteId: who.siteId, machineId }])
    expect((await rebuildStates(store)).differed).toEqual([])
    const machine = await readMachine(store, who.siteId, machineId)
    expect(machine!.state.care).toMatchObject({ bobbinsSinceClean: 3 })
    expect(machine!.state.stale).toEqual(UNSEEN.stale)
  })
})
