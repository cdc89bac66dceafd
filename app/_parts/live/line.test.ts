import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { BEAT, BEAT_MS } from '@/core/wire/beat'
import { BUILD } from '../../build'
import { makeLine } from './line'

/** A browser's line to a server, as far as it matters here. */
class Source extends EventTarget {
  static readonly OPEN = 1
  static readonly CLOSED = 2
  static made: Source[] = []
  readyState = 0
  onerror?: () => void
  constructor(readonly url: string) {
    super()
    Source.made.push(this)
  }
  close() {
    this.readyState = Source.CLOSED
  }
  opens() {
    this.readyState = 1
    this.beats()
  }
  beats(build = BUILD) {
    this.dispatchEvent(Object.assign(new Event(BEAT), { data: build }))
  }
  /** @param forGood answered with an error, which a browser does not try again */
  fails(forGood: boolean) {
    this.readyState = forGood ? Source.CLOSED : 0
    this.onerror?.()
  }
  tells(name: string, what: object) {
    const data = JSON.stringify({ now: new Date().toISOString(), ...what })
    this.dispatchEvent(Object.assign(new Event(name), { data }))
  }
}

let page: EventTarget & { visibilityState: string }
const last = () => Source.made.at(-1)!
const asks = () => new URL(last().url, 'http://room').searchParams.getAll('of')
const isOpen = () => Source.made.filter(({ readyState }) => readyState !== Source.CLOSED).length

beforeEach(() => {
  vi.useFakeTimers()
  Source.made = []
  page = Object.assign(new EventTarget(), { visibilityState: 'visible' })
  vi.stubGlobal('EventSource', Source)
  vi.stubGlobal('document', page)
  vi.stubGlobal('window', new EventTarget())
})
afterEach(() => {
  vi.unstubAllGlobals()
  vi.useRealTimers()
})

describe('the line of a page', () => {
  it('is one for all that is watched, and is another only when something else is', () => {
    const line = makeLine()
    line.watch('calls', () => {})
    const leave = line.watch('live-room', () => {})
    vi.advanceTimersByTime(100)
    expect([asks(), Source.made.length]).toEqual([['calls', 'live-room'], 1])
    // From one page of the room to the next: the same is watched there, and what was told stands.
    last().tells('live-room', { version: 'a' })
    leave()
    line.watch('live-room', () => {})
    vi.advanceTimersByTime(10_000)
    expect(line.now('live-room')).toMatchObject({ told: { version: 'a' }, live: true })
    expect(Source.made.length).toBe(1)
    line.watch('machines', () => {})
    vi.advanceTimersByTime(100)
    expect([asks(), isOpen()]).toEqual([['calls', 'live-room', 'machines'], 1])
  })

  it('forgets what nobody watches any more, so that whoever comes later is told what is so then', () => {
    const line = makeLine()
    line.watch('calls', () => {})
    const leave = line.watch('live-room', () => {})
    vi.advanceTimersByTime(100)
    last().tells('live-room', { version: 'a' })
    leave()
    vi.advanceTimersByTime(5_000)
    expect([asks(), line.now('live-room')]).toEqual([['calls'], undefined])
  })

  it('that is answered with an error is made again, later each time, and says so meanwhile', () => {
    const line = makeLine()
    line.watch('calls', () => {})
    vi.advanceTimersByTime(100)
    const began = Date.now()
    const made: number[] = []
    for (let tries = 0; tries < 6; tries += 1) {
      last().fails(true)
      const before = Source.made.length
      while (Source.made.length === before) vi.advanceTimersByTime(500)
      made.push(Math.round((Date.now() - began) / 1000))
    }
    expect(made).toEqual([1, 3, 7, 15, 30, 45])
    expect(line.now('calls')).toMatchObject({ live: false, lostAt: began })
    last().opens()
    expect(line.now('calls')).toEqual({ live: true, aheadMs: 0 })
    expect(isOpen()).toBe(1)
  })

  it('that falls silent is dead, though nothing broke: another is made, and the page says so until one is heard', () => {
    const line = makeLine()
    line.watch('calls', () => {})
    vi.advanceTimersByTime(100)
    last().opens()
    for (let beat = 0; beat < 20; beat += 1) {
      vi.advanceTimersByTime(BEAT_MS)
      last().beats()
    }
    expect([Source.made.length, line.now('calls')]).toEqual([1, { live: true, aheadMs: 0 }])
    const heardAt = Date.now()
    // Two beats may be late, and whatever is told is heard, too.
    vi.advanceTimersByTime(2.9 * BEAT_MS)
    last().tells('calls', { calls: [] })
    vi.advanceTimersByTime(2.9 * BEAT_MS)
    expect([Source.made.length, line.now('calls')]).toMatchObject([1, { live: true }])
    vi.advanceTimersByTime(0.2 * BEAT_MS)
    expect([isOpen(), Source.made.length]).toEqual([1, 2])
    vi.advanceTimersByTime(3_000)
    expect(line.now('calls')).toMatchObject({ live: false, lostAt: heardAt + 2.9 * BEAT_MS })
    // It is made again and again; one that is open and on which nothing comes is no line either.
    vi.advanceTimersByTime(6 * BEAT_MS)
    expect([isOpen(), Source.made.length]).toEqual([1, 4])
    last().readyState = 1
    vi.advanceTimersByTime(1_000)
    expect(line.now('calls')).toMatchObject({ live: false })
    last().opens()
    expect(line.now('calls')).toMatchObject({ live: true })
    // A hidden page has none, and misses none.
    page.visibilityState = 'hidden'
    page.dispatchEvent(new Event('visibilitychange'))
    vi.advanceTimersByTime(20 * BEAT_MS)
    expect([isOpen(), line.now('calls')?.live]).toEqual([0, true])
  })

  it('that is never heard at all is no line, from the beginning', () => {
    const line = makeLine()
    line.watch('calls', () => {})
    vi.advanceTimersByTime(100)
    expect(line.now('calls')).toMatchObject({ live: true })
    vi.advanceTimersByTime(3 * BEAT_MS + 3_000)
    expect([isOpen(), line.now('calls')]).toMatchObject([1, { live: false }])
  })

  it('that nobody may have any more says so, and not that it is being made', async () => {
    vi.stubGlobal('fetch', () => Promise.resolve(new Response(null, { status: 401 })))
    const line = makeLine()
    line.watch('calls', () => {})
    vi.advanceTimersByTime(100)
    last().fails(true)
    await vi.advanceTimersByTimeAsync(10)
    const { lostAt, ...lost } = line.now('calls')!
    expect(lost).toMatchObject({ live: false, signedOut: true })
    // Tried again and again it is as old as it was, and is lost for another reason once the server is away, too.
    await vi.advanceTimersByTimeAsync(1_000)
    last().fails(true)
    await vi.advanceTimersByTimeAsync(10)
    expect(line.now('calls')).toMatchObject({ lostAt, signedOut: true })
    vi.stubGlobal('fetch', () => Promise.resolve(new Response(null, { status: 502 })))
    await vi.advanceTimersByTimeAsync(2_000)
    last().fails(true)
    await vi.advanceTimersByTimeAsync(10)
    expect(line.now('calls')).toEqual({ live: false, lostAt, aheadMs: 0 })
    // What is known too late says nothing of a line that is there again.
    let late = (_: Response) => {}
    vi.stubGlobal('fetch', () => new Promise<Response>((resolve) => (late = resolve)))
    await vi.advanceTimersByTimeAsync(4_000)
    last().fails(true)
    await vi.advanceTimersByTimeAsync(8_000)
    last().opens()
    late(new Response(null, { status: 401 }))
    await vi.advanceTimersByTimeAsync(10)
    expect(line.now('calls')).toEqual({ live: true, aheadMs: 0 })
  })

  it('says that the server is of another build by now, lost or not, and for as long as the page is', () => {
    const line = makeLine()
    line.watch('calls', () => {})
    vi.advanceTimersByTime(100)
    last().opens()
    expect([line.isRenewed(), line.now('calls')?.renewed]).toEqual([false, undefined])
    last().beats('another')
    expect([line.isRenewed(), line.now('calls')?.renewed]).toEqual([true, true])
    // A copy that is still to be renewed answers in between; the line breaks; something else is watched.
    last().beats()
    last().fails(false)
    vi.advanceTimersByTime(3_000)
    expect(line.now('calls')).toMatchObject({ live: false, renewed: true })
    line.watch('machines', () => {})
    vi.advanceTimersByTime(100)
    last().opens()
    expect(['calls', 'machines'].map((name) => line.now(name as 'calls')?.renewed)).toEqual([true, true])
    last().tells('calls', { calls: [] })
    expect(line.now('calls')).toMatchObject({ told: { calls: [] }, renewed: true })
  })

  it('that ends and is there again in a moment alarms nobody', () => {
    const line = makeLine()
    const told: boolean[] = []
    line.watch('calls', () => told.push(line.now('calls')!.live))
    vi.advanceTimersByTime(100)
    last().opens()
    last().fails(false)
    vi.advanceTimersByTime(1_000)
    last().opens()
    vi.advanceTimersByTime(10_000)
    expect(told).not.toContain(false)
    last().fails(false)
    vi.advanceTimersByTime(3_000)
    expect(told).toContain(false)
    // A line that broke the browser makes again by itself.
    expect(Source.made.length).toBe(1)
  })

  it('is there only while somebody looks, and is told the whole again to whoever comes back', () => {
    const line = makeLine()
    line.watch('calls', () => {})
    vi.advanceTimersByTime(100)
    page.visibilityState = 'hidden'
    page.dispatchEvent(new Event('visibilitychange'))
    vi.advanceTimersByTime(100)
    expect(isOpen()).toBe(0)
    page.visibilityState = 'visible'
    page.dispatchEvent(new Event('visibilitychange'))
    vi.advanceTimersByTime(100)
    expect([isOpen(), Source.made.length]).toEqual([1, 2])
  })
})
