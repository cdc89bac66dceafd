import 'server-only'
import type { Fault } from '@/core/schema/invalid'
import { Refused } from '@/store/refused'
import { journal } from './journal'

/**
 * Long work that answers a line of JSON at a time. Whoever stops listening stops it; what was wrong comes as a last line.
 * @param work says lines; `stop` is aborted when nobody listens any more
 */
export function linesOfJson<Line extends object>(
  work: (say: (line: Line) => void, stop: AbortSignal) => Promise<void>,
): Response {
  const stop = new AbortController()
  const words = new TextEncoder()
  const lines = new ReadableStream<Uint8Array>({
    async start(controller) {
      const say = (line: Line | { readonly error: Fault }) => {
        if (!stop.signal.aborted) controller.enqueue(words.encode(`${JSON.stringify(line)}\n`))
      }
      try {
        await work(say, stop.signal)
      } catch (error) {
        if (error instanceof Refused) say({ error: error.fault })
        else {
          journal.error(error, 'long work failed')
          say({
            error: { code: 'our-fault', message: 'Something went wrong here. Everything is as it was.', path: '' },
          })
        }
      }
      if (!stop.signal.aborted) controller.close()
    },
    cancel: () => stop.abort(),
  })
  return new Response(lines, {
    headers: { 'content-type': 'application/x-ndjson', 'cache-control': 'no-store, no-transform' },
  })
}
