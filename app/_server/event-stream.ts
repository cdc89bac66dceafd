import 'server-only'
import type { EventAsk, EventOf } from '@/core/wire/asks'
import type { News, Topic } from '@/store/live/news'
import { journal } from './journal'

/** Proxies cut a silent line; and what nobody told of is read again this often, should a notice ever be lost. */
const BEAT_MS = 15_000
/** A stream ends after so long and the browser opens it anew, so that an ended sign-in does not watch on. */
const LONGEST_MS = 10 * 60_000

/** Server-sent events: what `read` says now, and again whenever the venue has news of the topic and it says something else. */
export function eventStream<Name extends EventAsk>(
  request: Request,
  news: News,
  { siteId, topic }: { readonly siteId: string; readonly topic: Topic },
  read: () => Promise<Omit<EventOf<Name>, 'now'>>,
): Response {
  const encoder = new TextEncoder()
  let end = () => {}
  const stream = new ReadableStream<Uint8Array>({
    start: (controller) => {
      let last = ''
      let ended = false
      let reading = false
      let again = false
      const say = (text: string) => {
        if (!ended) controller.enqueue(encoder.encode(text))
      }
      /** One question at a time: news that come while it is asked are asked for once more after it. */
      const look = async () => {
        if (reading) return void (again = true)
        reading = true
        do {
          again = false
          try {
            const said = await read()
            const text = JSON.stringify(said)
            if (text !== last) say(`data: ${JSON.stringify({ now: new Date().toISOString(), ...said })}\n\n`)
            last = text
          } catch (error) {
            journal.warn(error, 'what a screen watches could not be read; it is read again at the next beat')
          }
        } while (again && !ended)
        reading = false
      }
      const beat = setInterval(() => {
        say(': still here\n\n')
        void look()
      }, BEAT_MS)
      const stops = [news.onNews(siteId, topic, () => void look()), news.onClose(() => end())]
      const longest = setTimeout(() => end(), LONGEST_MS)
      end = () => {
        if (ended) return
        ended = true
        clearInterval(beat)
        clearTimeout(longest)
        for (const stop of stops) stop()
        try {
          controller.close()
        } catch {
          // The reader went first.
        }
      }
      request.signal.addEventListener('abort', () => end())
      say('retry: 1000\n\n')
      void look()
    },
    cancel: () => end(),
  })
  return new Response(stream, {
    headers: {
      'content-type': 'text/event-stream; charset=utf-8',
      'cache-control': 'no-store, no-transform',
      'x-accel-buffering': 'no',
    },
  })
}
