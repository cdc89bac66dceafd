'use client'

/** What somebody waits for with their finger on it. */
export const SOON_MS = 12_000
/** What takes the server a while: much to read, a letter to send. */
export const LATE_MS = 60_000

/**
 * Asks the server, and gives up in time. A network that is there and carries nothing (a server without power, a phone at the edge of
 * the room) refuses nothing: a browser would wait for minutes, and whoever waits would be told nothing.
 * @param withinMs until the whole answer is there
 * @throws when it could not be reached, as `fetch` does
 */
export const reach = (path: string, init: RequestInit = {}, withinMs = SOON_MS): Promise<Response> => {
  const late = AbortSignal.timeout(withinMs)
  // eslint-disable-next-line no-restricted-globals -- the one place
  return fetch(path, { ...init, signal: init.signal ? AbortSignal.any([init.signal, late]) : late })
}

/** The same with something to say. */
export const reachWith = (path: string, body: object, withinMs = SOON_MS): Promise<Response> =>
  reach(path, { method: 'POST', headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) }, withinMs)
