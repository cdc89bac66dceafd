import { ASK_PATHS } from '@/core/wire/ask-paths'
import { BEAT, BEAT_MS } from '@/core/wire/beat'
import { BUILD } from '../../build'
import type { EventAsk, EventOf } from '@/core/wire/asks'
import { reach } from '@/ui/reach'

export interface Line {
  /** whether the line to the room's server is up */
  readonly live: boolean
  /** since when it is not; ms, this device's clock */
  readonly lostAt?: number
  /** because nobody is signed in here any more: it comes back when somebody is */
  readonly signedOut?: true
  /** the server is of another build by now than this page: drawn by that one it would be loaded whole, and what was typed in it lost */
  readonly renewed?: true
}

export interface Told<Name extends EventAsk> extends Line {
  /** the newest that the server has told; absent: nothing yet */
  readonly told?: EventOf<Name>
  /** how far this device's clock is ahead of the server's, ms */
  readonly aheadMs: number
}

type Tell = () => void

/** What a browser does not make again by itself is made again here after so long, each time longer. */
const PAUSES_MS = [1_000, 2_000, 4_000, 8_000, 15_000]
/** A server ends each line after a while, and it is there again in a moment: nobody is alarmed by less than this. */
const SAID_AFTER_MS = 2_500
/** A line that lets three beats pass is dead, though nothing broke: a server without power says goodbye to nobody. */
const SILENT_MS = 3 * BEAT_MS
/** The parts of a page begin to watch one after another, and ask together. */
const JOIN_MS = 80
/** From one page to the next something else is watched: what nobody watches any more stays on the line for so long. */
const LEAVE_MS = 2_000

/**
 * The one line of a page to the server: a browser has six to one server for all its windows, and each that stays open is one less.
 * All that the page watches comes on it. It is there only while somebody has the page before them: a hidden one would say "seen" of
 * what nobody sees. Coming back, it is told the whole again.
 */
export function makeLine() {
  const watched = new Map<EventAsk, { readonly tells: Set<Tell>; now: Told<EventAsk> }>()
  let up: Line = { live: true }
  let source: EventSource | undefined
  let asked = ''
  let tries = 0
  let next: { readonly at: number; readonly timer: ReturnType<typeof setTimeout> } | undefined
  let alarm: ReturnType<typeof setTimeout> | undefined
  let silence: ReturnType<typeof setTimeout> | undefined

  const change = (each: { readonly tells: Set<Tell>; now: Told<EventAsk> }, now: Told<EventAsk>) => {
    each.now = now
    for (const tell of [...each.tells]) tell()
  }
  const is = (state: Line) => {
    clearTimeout(alarm)
    alarm = undefined
    if (state.live && up.live) return
    become({ ...state, ...(up.renewed && { renewed: up.renewed }) })
  }
  const become = (state: Line) => {
    up = state
    for (const each of watched.values()) {
      const { lostAt: _, signedOut: __, ...now } = each.now
      change(each, { ...now, ...up })
    }
  }
  const close = () => {
    clearTimeout(silence)
    source?.close()
    source = undefined
    asked = ''
  }
  const open = (names: readonly EventAsk[]) => {
    close()
    asked = names.join()
    const address = `${ASK_PATHS.told}?${new URLSearchParams(names.map((name) => ['of', name])).toString()}`
    source = new EventSource(address)
    const isLost = (lostAt: number) => {
      if (up.live) alarm ??= setTimeout(() => is({ live: false, lostAt }), SAID_AFTER_MS)
    }
    const listen = () => {
      const from = Date.now()
      clearTimeout(silence)
      silence = setTimeout(() => {
        isLost(from)
        open(names)
      }, SILENT_MS)
    }
    // That it is open says nothing yet: a proxy may keep to itself what comes on it.
    const isHeard = () => {
      tries = 0
      listen()
      is({ live: true })
    }
    listen()
    source.addEventListener(BEAT, ({ data: build }: MessageEvent<string>) => {
      isHeard()
      if (build !== BUILD && !up.renewed) become({ ...up, renewed: true })
    })
    source.onerror = () => {
      const lostAt = Date.now()
      isLost(lostAt)
      // A browser makes a line that broke again by itself, and one that was answered with an error never.
      if (source?.readyState !== EventSource.CLOSED) return
      close()
      // With which error a browser does not say. By the time that it is known the line may be there again.
      void isSignedOut(address).then((out) => {
        if (source?.readyState === EventSource.OPEN || (!out && !up.signedOut)) return
        is({ live: false, lostAt: up.lostAt ?? lostAt, ...(out && { signedOut: true }) })
      })
      settleIn(PAUSES_MS[Math.min(tries, PAUSES_MS.length - 1)]!)
      tries += 1
    }
    for (const name of names)
      source.addEventListener(name, ({ data }: MessageEvent<string>) => {
        isHeard()
        const each = watched.get(name)
        const told = JSON.parse(data) as EventOf<EventAsk>
        if (each) change(each, { ...up, told, aheadMs: Date.now() - Date.parse(told.now) })
      })
  }
  /** Lets the line be of what is watched by now, and of nothing while nobody looks. */
  const settle = () => {
    next = undefined
    for (const [name, { tells }] of watched) if (tells.size === 0) watched.delete(name)
    const names = document.visibilityState === 'visible' ? [...watched.keys()].sort() : []
    if (names.join() === asked) return
    if (names.length > 0) return open(names)
    close()
    clearTimeout(alarm)
    alarm = undefined
  }
  const settleIn = (ms: number) => {
    const at = performance.now() + ms
    if (next && next.at <= at) return
    clearTimeout(next?.timer)
    next = { at, timer: setTimeout(settle, ms) }
  }
  for (const [where, what] of [
    [document, 'visibilitychange'],
    [window, 'online'],
  ] as const)
    where.addEventListener(what, () => settleIn(0))

  return {
    /** @param tell called whenever {@link now} of it is another. @returns how to stop watching */
    watch: (name: EventAsk, tell: Tell): Tell => {
      const each = watched.get(name) ?? { tells: new Set<Tell>(), now: { ...up, aheadMs: 0 } }
      watched.set(name, each)
      each.tells.add(tell)
      settleIn(JOIN_MS)
      return () => {
        each.tells.delete(tell)
        if (each.tells.size === 0) settleIn(LEAVE_MS)
      }
    },
    now: (name: EventAsk): Told<EventAsk> | undefined => watched.get(name)?.now,
    /** whether the server is of another build by now than this page */
    isRenewed: (): boolean => up.renewed === true,
  }
}

async function isSignedOut(address: string): Promise<boolean> {
  const over = new AbortController()
  const answer = await reach(address, { signal: over.signal }).catch(() => undefined)
  over.abort()
  return answer?.status === 401
}

let made: ReturnType<typeof makeLine> | undefined
export const theLine = (): ReturnType<typeof makeLine> => (made ??= makeLine())
