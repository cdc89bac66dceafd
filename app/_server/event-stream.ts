import 'server-only'
import { BEAT, BEAT_MS } from '@/core/wire/beat'
import { BUILD } from '../build'
import type { News, Topic } from '@/store/live/news'
import { journal } from './journal'

/** What nobody told of is read again this often, should a notice ever be lost. */
const LOOK_MS = 15_000
/** A stream ends after so long and the browser opens it anew, whatever became of it on the way. */
const LONGEST_MS = 10 * 60_000

/** One of the things that a page watches. */
export interface Watched {
  readonly name: string
  readonly topic: Topic
  readonly read: () => Promise<object>
}

/**
 * Server-sent events: what each of them reads now, under its name, and again whenever the venue has news of its topic and it says
 * something else.
 * A page cannot tell a silent line from a dead one: it hears the line's beat, and makes another where that stays away.
 * @param still asked each time that all is read again: whoever is signed out, or is another role by now, watches no longer
 */
export function eventStream(
  request: Request,
  news: News,
  siteId: string,
  watched: readonly Watched[],
  still: () => Promise<boolean>,
): Response {
  const encoder = new TextEncoder()
  let end = () => {}
  const stream = new ReadableStream<Uint8Array>({
    start: (controller) => {
      let ended = false
      const say = (text: string) => {
        if (!ended) controller.enqueue(encoder.encode(text))
      }
      const looks = watched.map(({ name, topic, read }) => ({
        topic,
        look: looking(
          read,
          (said) => say(`event: ${name}\ndata: ${said}\n\n`),
          () => ended,
        ),
      }))
      const beats = `event: ${BEAT}\ndata: ${BUILD}\n\n`
      const beat = setInterval(() => say(beats), BEAT_MS)
      const again = setInterval(() => {
        for (const { look } of looks) look()
        // While the database is away nobody is known, and nobody is sent away for it.
        still().then(
          (allowed) => allowed || end(),
          () => undefined,
        )
      }, LOOK_MS)
      const stops = [...looks.map(({ topic, look }) => news.onNews(siteId, topic, look)), news.onClose(() => end())]
      const longest = setTimeout(() => end(), LONGEST_MS)
      end = () => {
        if (ended) return
        ended = true
        clearInterval(beat)
        clearInterval(again)
        clearTimeout(longest)
        for (const stop of stops) stop()
        try {
          controller.close()
        } catch {
          // The reader went first.
        }
      }
      request.signal.addEventListener('abort', () => end())
      say(`retry: 1000\n${beats}`)
      for (const { look } of looks) look()
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

/**
 * Reads again, and says what is read where it is another than it was. One question at a time: news that come while it is asked are
 * asked for once more after it.
 */
function looking(read: () => Promise<object>, say: (said: string) => void, ended: () => boolean): () => void {
  let last = ''
  let reading = false
  let again = false
  const look = async () => {
    if (reading) return void (again = true)
    reading = true
    do {
      again = false
      try {
        const said = await read()
        const text = JSON.stringify(said)
        if (text !== last) say(JSON.stringify({ now: new Date().toISOString(), ...said }))
        last = text
      } catch (error) {
        journal.warn(error, 'what a screen watches could not be read; it is read again at the next beat')
      }
    } while (again && !ended())
    reading = false
  }
  return () => void look()
}
