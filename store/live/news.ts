import pg from 'pg'

/** What is told: which venue has news of its calls. */
const CHANNEL = 'orthodex_calls'
const PAUSES_MS = [200, 500, 1000, 2000, 5000]

type Listener = () => void

export interface News {
  /** @returns how to stop being told */
  onNews(siteId: string, tell: Listener): () => void
  /** told once, when this process stops: streams end in order */
  onClose(tell: Listener): () => void
  close(): Promise<void>
}

/**
 * The one listener of this process: PostgreSQL tells it of news, and it tells everybody who watches that venue. When the
 * line to the database is lost it is made again, and everybody is told once, so that nothing that happened between is missed.
 * @param url a PostgreSQL connection string
 */
export function listenForNews(url: string, onTrouble: (error: unknown) => void = () => {}): News {
  const bySite = new Map<string, Set<Listener>>()
  const closing = new Set<Listener>()
  let client: pg.Client | undefined
  let closed = false
  let tries = 0
  let again: NodeJS.Timeout | undefined

  const everybody = () => {
    for (const listeners of bySite.values()) for (const tell of [...listeners]) tell()
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
    next.on('notification', ({ payload }) => {
      for (const tell of [...(bySite.get(payload ?? '') ?? [])]) tell()
    })
    try {
      await next.connect()
      await next.query(`listen ${CHANNEL}`)
      client = next
      tries = 0
      everybody()
    } catch (error) {
      lost(error)
    }
  }
  void connect()

  return {
    onNews: (siteId, tell) => {
      const listeners = bySite.get(siteId) ?? new Set()
      bySite.set(siteId, listeners.add(tell))
      return () => {
        listeners.delete(tell)
        if (listeners.size === 0) bySite.delete(siteId)
      }
    },
    onClose: (tell) => {
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
