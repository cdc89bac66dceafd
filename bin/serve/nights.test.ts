import { mkdtempSync, readdirSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { v7 as uuid } from 'uuid'
import type { Letter } from '@/core/people/letters'
import { undoneWords } from '@/core/room/night-work'
import { ORDINARY_TRAITS } from '@/core/testing/ordinary-machine'
import { readOpenCalls } from '@/store/calls/calls'
import { runCommand } from '@/store/commands/run'
import { createSite } from '@/store/site/create-site'
import { mailServerAt } from '@/store/mail-server'
import { noteNightWork, readNightWork } from '@/store/site/night-work'
import { aProject, aStaffedVenue, aVenue, freshStore } from '@/store/testing/store'
import { startInbox } from '@/stand-ins/inbox'
import { everyNight, startNights } from './nights'

const HOUR_MS = 3_600_000
/** An hour of some day as the server's own clock says it. */
const at = (day: number, hour: number) => new Date(2027, 2, day, hour)
const folder = mkdtempSync(join(tmpdir(), 'orthodex-nights-'))
afterAll(() => rmSync(folder, { recursive: true, force: true }))

describe('every night', () => {
  beforeEach(() => void vi.useFakeTimers())
  afterEach(() => void vi.useRealTimers())

  it('each work is done once, after three, by the clock that hangs there', async () => {
    vi.setSystemTime(at(5, 1))
    const ran: number[] = []
    const stop = everyNight(
      { tidying: (now) => Promise.resolve(void ran.push(now.getDate() * 100 + now.getHours())) },
      () => Promise.resolve(),
    )
    await vi.advanceTimersByTimeAsync(50 * HOUR_MS)
    expect(ran).toEqual([503, 603, 703])
    void stop()
    await vi.advanceTimersByTimeAsync(50 * HOUR_MS)
    expect(ran).toHaveLength(3)
  })

  it('one that fails is told of, holds up none of the others, and is tried again until it is done', async () => {
    vi.setSystemTime(at(5, 3))
    const full = Object.assign(new Error('no space left'), { code: 'ENOSPC' })
    let free = false
    const told: string[] = []
    let copies = 0
    const stop = everyNight(
      {
        tidying: () => (free ? Promise.resolve() : Promise.reject(full)),
        copying: () => Promise.resolve(void (copies += 1)),
      },
      (work, _now, failed) => Promise.resolve(void told.push(`${work} ${failed?.code ?? 'done'}`)),
      // Whoever is told by letter is told of the whole night at once.
      { over: () => Promise.resolve(void told.push('over')) },
    )
    await vi.advanceTimersByTimeAsync(HOUR_MS)
    expect(told).toEqual(['tidying ENOSPC', 'copying done', 'over', 'tidying ENOSPC', 'over'])
    free = true
    await vi.advanceTimersByTimeAsync(3 * HOUR_MS)
    expect(told.slice(5)).toEqual(['tidying done', 'over'])
    expect(copies).toBe(1)
    void stop()
  })

  it('one that takes longer than an hour is not begun beside itself', async () => {
    vi.setSystemTime(at(5, 3))
    let begun = 0
    const stop = everyNight(
      {
        copying: () => {
          begun += 1
          return new Promise((resolve) => setTimeout(resolve, 5 * HOUR_MS))
        },
      },
      () => Promise.resolve(),
    )
    await vi.advanceTimersByTimeAsync(4 * HOUR_MS)
    expect(begun).toBe(1)
    void stop()
  })
})

describe('what a server did at night', () => {
  beforeEach(() => void vi.useFakeTimers({ now: at(5, 4), toFake: ['Date'] }))
  afterEach(() => void vi.useRealTimers())

  it('is seen from every venue: what was done, since when something was not, and what stood in its way', async () => {
    const { store, url, end } = await freshStore()
    const { siteId } = await aVenue(store, 'room')
    const file = join(folder, 'a-file')
    writeFileSync(file, '')
    const said: string[] = []
    const start = (backups?: string) => startNights(url, { backups }, (words) => said.push(words))
    const seen = async () => {
      const records = await readNightWork(store.forPageOf(siteId))
      return Object.fromEntries(records.map(({ work, doneAt, trouble }) => [work, [doneAt, trouble]]))
    }

    const done = at(5, 4).toISOString()
    void start(join(file, 'copies'))()
    const missing = { copying: [undefined, 'missing'], erasing: [done, undefined], tidying: [done, undefined] }
    await vi.waitFor(async () => expect(await seen()).toEqual(missing), 20_000)
    expect(said.join()).toMatch(/copying was not done: ENOTDIR/)

    // The day on which it was last done stays, whatever is tried since.
    await noteNightWork(store, 'copying', at(2, 3))
    await noteNightWork(store, 'copying', at(3, 3), 'full')
    expect((await seen())['copying']).toEqual([at(2, 3).toISOString(), 'full'])

    const copies = join(folder, 'copies')
    vi.setSystemTime(at(5, 4))
    void start(copies)()
    await vi.waitFor(async () => expect((await seen())['copying']).toEqual([done, undefined]), 20_000)
    expect(readdirSync(copies)).toEqual(['orthodex-2027-03-05.zip'])

    // A server that was told of no folder any more may have lost it, or be another: copies are missed for a fortnight, and then
    // nobody waits for them.
    for (const [day, works] of [
      [18, ['copying', 'erasing', 'tidying']],
      [20, ['erasing', 'tidying']],
    ] as const) {
      vi.setSystemTime(at(day, 4))
      await start()()
      expect(Object.keys(await seen()).sort()).toEqual(works)
    }
    await end()
  })

  it('is told by letter to every coordinator, once and then once a week, until it is done', async () => {
    const { store, url, end } = await freshStore()
    const { coordinator, helper } = await aStaffedVenue(store, 'room')
    await aVenue(store, 'other')
    await store
      .transaction()
      .execute((tx) =>
        createSite(
          tx,
          { code: 'drill', name: 'drill', timeZone: 'UTC', practice: true },
          { name: 'Bo', email: 'bo@drill.example', password: 'long-enough-1' },
        ),
      )
    const file = join(folder, 'no-folder')
    writeFileSync(file, '')
    let away = false
    const sent: { readonly to: string; readonly letter: Letter }[] = []
    const said: string[] = []
    const post = {
      origin: 'https://room.example',
      reach: () =>
        away ? Promise.reject(Object.assign(new Error('nobody answers'), { code: 'ESOCKET' })) : Promise.resolve(),
      send: (to: string, letter: Letter) =>
        away ? Promise.reject(new Error('nobody answers')) : Promise.resolve(void sent.push({ to, letter })),
    }
    /** What was sent by a server that begins at some hour and whose copy fails then, or is made. */
    const night = async (day: number, hour: number, backups = join(file, 'copies')) => {
      vi.setSystemTime(at(day, hour))
      await startNights(url, { backups, post }, (words) => said.push(words))()
      return sent.splice(0).map(({ to, letter }) => ({ to, ...letter }))
    }

    // Nobody can be written to: that is no reason to be silent once somebody can.
    away = true
    expect(await night(5, 3)).toEqual([])
    expect(said.join()).toContain('a coordinator of room could not be written to: nobody answers')
    away = false
    const letters = await night(5, 4)
    expect(letters.map(({ to }) => to).sort()).toEqual(['ada@other.example', 'ada@room.example'])
    const own = letters.find(({ to }) => to === 'ada@room.example')!
    expect(own.subject).toBe('Not done at night: room')
    expect(own.text).toContain('* The server has made no copy of its books so far. The folder for it is not there.')
    expect(own.text).toContain('https://room.example/venue#take-copy')
    expect(own.text).not.toContain('erased')

    expect(await night(5, 5)).toEqual([])
    expect(await night(12, 3)).toEqual([])
    expect(await night(12, 4)).toHaveLength(2)

    // Once it was done, what is missed is missed anew; a night's delay troubles nobody. Who has left is written to no more.
    expect(await night(13, 3, join(folder, 'told-copies'))).toEqual([])
    const step = { commandId: uuid(), body: { personId: helper.personId, role: 'coordinator' } }
    await runCommand(store, coordinator, 'change-role', step)
    expect(await night(14, 4)).toEqual([])
    const late = await night(14, 16)
    expect(late.map(({ to }) => to).sort()).toEqual(['ada@other.example', 'ada@room.example', 'helper@room.example'])
    expect(late[0]!.text).toMatch(/no copy of its books since \w+ 1[234] Mar, \d\d:\d\d\. The folder/)
    // Nothing fails where the server was not told of any folder: it is missed all the same.
    vi.setSystemTime(at(22, 3))
    await startNights(url, { post }, (words) => said.push(words))()
    expect(sent.splice(0)[0]!.letter.text).toMatch(/no copy of its books since/)
    await end()
  })

  it('says on screens that no letter would go out: nobody can be told of that by letter', async () => {
    const { store, url, end } = await freshStore()
    const inbox = await startInbox()
    const { port } = new URL(inbox.smtp)
    const night = async (hour: number, address?: string) => {
      vi.setSystemTime(at(5, hour))
      const server = address === undefined ? undefined : mailServerAt(address)
      const post = server && { origin: '', send: () => Promise.resolve(), reach: () => server.verify() }
      await startNights(url, { post }, () => {})()
      return (await readNightWork(store)).find(({ work }) => work === 'letters')
    }
    expect(await night(4, inbox.smtp)).toEqual({ work: 'letters', doneAt: at(5, 4).toISOString() })
    await inbox.end()
    const late = await night(5, `smtp://127.0.0.1:${port}`)
    expect(late).toEqual({ work: 'letters', doneAt: at(5, 4).toISOString(), trouble: 'unanswered' })
    expect(undoneWords(late!, () => 'Thursday')).toBe(
      'No letter would have gone out since Thursday. The mail server did not answer when it last asked.',
    )
    // So it is where nothing says any more by which server they go.
    expect(await night(6)).toEqual(late)
    await end()
  })

  it('lets go of calls that nobody ended on their day', async () => {
    const { store, url, end } = await freshStore()
    const { coordinator, instructor } = await aStaffedVenue(store, 'room')
    const [machineId, courseId] = [uuid(), uuid()]
    const ida = aProject('Ida')
    const write = (name: string, body: object, now = at(4, 17)) =>
      runCommand(store, coordinator, name, { commandId: uuid(), body }, now)
    await write('add-machine', {
      ...{ machineId, name: 'Stint', number: 1, place: { x: 1, y: 1 } },
      ...{ traits: ORDINARY_TRAITS, source: 'manual' },
    })
    await write('open-course', { courseId, name: 'Bags' })
    await write('add-projects', { courseId, projects: [ida] })
    await write('give-kits', { kits: [{ kitGivenId: uuid(), projectId: ida.projectId, machineId }] })
    const learner = { ...instructor, personId: ida.personId, role: 'learner' } as const
    const call = { commandId: uuid(), body: { machineId, found: {} } }
    await runCommand(store, learner, 'call-staff', call, at(4, 18))
    expect(await readOpenCalls(store, coordinator.siteId)).toHaveLength(1)
    await startNights(url, {}, () => {})()
    expect(await readOpenCalls(store, coordinator.siteId)).toEqual([])
    await end()
  })

  it('is written by the server alone', async () => {
    const { store, end } = await freshStore()
    const { siteId } = await aVenue(store, 'room')
    await expect(noteNightWork(store.ofVenue(siteId), 'copying', at(2, 3))).rejects.toThrow('permission denied')
    expect(await readNightWork(store)).toEqual([])
    await end()
  })
})
