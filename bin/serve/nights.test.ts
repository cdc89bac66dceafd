import { mkdtempSync, readdirSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { noteNightWork, readNightWork } from '@/store/site/night-work'
import { aVenue, freshStore } from '@/store/testing/store'
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
    stop()
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
    )
    await vi.advanceTimersByTimeAsync(HOUR_MS)
    expect(told).toEqual(['tidying ENOSPC', 'copying done', 'tidying ENOSPC'])
    free = true
    await vi.advanceTimersByTimeAsync(3 * HOUR_MS)
    expect(told.slice(3)).toEqual(['tidying done'])
    expect(copies).toBe(1)
    stop()
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
    stop()
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
    const start = (backups?: string) => startNights(url, backups, (words) => said.push(words))
    const seen = async () => {
      const records = await readNightWork(store.forPageOf(siteId))
      return Object.fromEntries(records.map(({ work, doneAt, trouble }) => [work, [doneAt, trouble]]))
    }

    const done = at(5, 4).toISOString()
    start(join(file, 'copies'))()
    const missing = { copying: [undefined, 'missing'], erasing: [done, undefined], tidying: [done, undefined] }
    await vi.waitFor(async () => expect(await seen()).toEqual(missing), 20_000)
    expect(said.join()).toMatch(/copying was not done: ENOTDIR/)

    // The day on which it was last done stays, whatever is tried since.
    await noteNightWork(store, 'copying', at(2, 3))
    await noteNightWork(store, 'copying', at(3, 3), 'full')
    expect((await seen())['copying']).toEqual([at(2, 3).toISOString(), 'full'])

    const copies = join(folder, 'copies')
    vi.setSystemTime(at(5, 4))
    start(copies)()
    await vi.waitFor(async () => expect((await seen())['copying']).toEqual([done, undefined]), 20_000)
    expect(readdirSync(copies)).toEqual(['orthodex-2027-03-05.zip'])

    // Where no copies are wanted any more, none is missed.
    vi.setSystemTime(at(5, 4))
    start()()
    await vi.waitFor(async () => expect(Object.keys(await seen()).sort()).toEqual(['erasing', 'tidying']), 20_000)
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
