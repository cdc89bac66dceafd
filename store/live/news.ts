import pg from 'pg'

/** What is told of which venue: that its calls have news, or anything that a screen of its room shows. */
const CHANNELS = { calls: 'orthodex_calls', room: 'orthodex_room' } as const
export type Topic = keyof typeof CHANNELS
const keyOf = (channel: string, siteId: string): string => `${channel} ${siteId}`
const PAUSES_MS = [200, 500, 1000, 2000, 5000]

type Listener = () => void

export interface News {
  /** @returns how to stop being told */
  onNews(siteId: string, of: Topic, tell: Listener): () => void
  /** how many are told just now */
  watching(): number
  /** told once, when this process stops, or at once where it is stopping already: streams end in order */
  onClose(tell: Listener): () => void
  close(): Promise<void>
}

/**
 * The one listener of this process: PostgreSQL tells it of news, and it tells everybody who watches that venue. When the
 * line to the database is lost it is made again, and everybody is told once, so that nothing that happened between is missed.
 * @param url a PostgreSQL connection string
 */
export function listenForNews(url: string, onTrouble: (error: unknown) => void = () => {}): News {
  const byKey = new Map<string, Set<Listener>>()
  const closing = new Set<Listener>()
  let client: pg.Client | undefined
  let closed = false
  let tries = 0
  let again: NodeJS.Timeout | undefined

  const everybody = () => {
    for (const listeners of byKey.values()) for (const tell of [...listeners]) tell()
  }
  const retry = () => {
    if (closed || again) return
    const pause = PAUSES_MS[Math.min(tries, PAUSES_MS.length - 1)]
    tries += 1
    again = setTimeout(() => {
      again = undefined
      void connect()
    }, pause)
    again.unref()
  }
  const connect = async () => {
    const next = new pg.Client({ connectionString: url, keepAlive: true, connectionTimeoutMillis: 5_000 })
    const lost = (error?: unknown) => {
      if (error) onTrouble(error)
      if (client === next) client = undefined
      next.removeAllListeners()
      next.on('error', () => {})
      void next.end().catch(() => {})
      retry()
    }
    next.on('error', lost)
    next.on('end', () => lost())
    next.on('notification', ({ channel, payload }) => {
      for (const tell of [...(byKey.get(keyOf(channel, payload ?? '')) ?? [])]) tell()
    })
    try {
      await next.connect()
      for (const channel of Object.values(CHANNELS)) await next.query(`listen ${channel}`)
      client = next
      tries = 0
      everybody()
    } catch (error) {
      lost(error)
    }
  }
  void connect()

  return {
    onNews: (siteId, of, tell) => {
      const key = keyOf(CHANNELS[of], siteId)
      const listeners = byKey.get(key) ?? new Set()
      byKey.set(key, listeners.add(tell))
      return () => {
        listeners.delete(tell)
        if (listeners.size === 0) byKey.delete(key)
      }
    },
    watching: () => [...byKey.values()].reduce((sum, listeners) => sum + listeners.size, 0),
    onClose: (tell) => {
      if (closed) queueMicrotask(tell)
      closing.add(tell)
      return () => void closing.delete(tell)
    },
    close: async () => {
      closed = true
      clearTimeout(again)
      for (const tell of [...closing]) tell()
      const last = client
      client = undefined
      last?.removeAllListeners('end')
      await last?.end().catch(() => {})
    },
  }
}
