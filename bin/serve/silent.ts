import type { ChildProcess } from 'node:child_process'

/** How often a server is asked whether it is there, ms, and how many times running it may leave that unanswered: longer than any work holds it up. */
const PATIENCE = { everyMs: 15_000, times: 6 }

/**
 * A server that hangs holds its port and answers nobody, and whoever waits for its end waits for ever: it is ended, so that it is
 * started again. Any answer counts, that something else is away included. Times are counted and not the clock, which runs on while
 * the whole machine sleeps.
 * @param url what is asked
 */
export function endedWhenSilent(server: ChildProcess, url: string, { everyMs, times } = PATIENCE): void {
  let unanswered = 0
  const look = setInterval(() => {
    void fetch(url, { signal: AbortSignal.timeout(everyMs) }).then(
      () => (unanswered = 0),
      () => {
        unanswered += 1
        if (unanswered < times) return
        console.error('orthodex: the server answers nothing any more, and is ended')
        server.kill('SIGKILL')
      },
    )
  }, everyMs)
  look.unref()
  server.once('exit', () => clearInterval(look))
}
