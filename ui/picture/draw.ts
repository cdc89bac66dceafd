import type { ShownFace } from '@/core/picture/swatch-scene'
import type { DrawAsked, Drawn } from './picture.worker'

/** Two faces are seen beside each other nearly everywhere. */
const DRAWERS = 2

interface Drawer {
  readonly worker: Worker
  busy?: Waiting
}
interface Waiting {
  readonly id: number
  /** whose picture it is: a newer one takes the place of one that has not been begun */
  readonly of: symbol
  readonly shown: ShownFace
  readonly done: (drawn: ImageData | undefined) => void
}

let drawers: Drawer[] | undefined
let lastId = 0
let waiting: Waiting[] = []

function began(): Drawer[] {
  drawers ??= Array.from({ length: DRAWERS }, () => {
    const drawer: Drawer = { worker: new Worker(new URL('./picture.worker.ts', import.meta.url), { type: 'module' }) }
    drawer.worker.onmessage = ({ data: { id, width, pixels } }: MessageEvent<Drawn>) => {
      const asked = drawer.busy
      delete drawer.busy
      if (asked?.id === id) asked.done(new ImageData(pixels, width))
      next()
    }
    drawer.worker.onerror = () => {
      drawer.busy?.done(undefined)
      delete drawer.busy
      next()
    }
    return drawer
  })
  return drawers
}

function next(): void {
  for (const drawer of began()) {
    if (drawer.busy) continue
    const asked = waiting.shift()
    if (!asked) return
    drawer.busy = asked
    const message: DrawAsked = { id: asked.id, shown: asked.shown }
    drawer.worker.postMessage(message)
  }
}

// Whoever loads this will ask for a picture in a moment: the drawers get ready while the page still puts itself together.
if (typeof window !== 'undefined') began()

/**
 * A face of a swatch as pixels, drawn beside the page. While a dial is dragged only the newest picture of each place is drawn.
 * @param of whose picture it is
 * @returns undefined when a newer one was asked for before this was begun, or it could not be drawn
 */
export const drawSwatch = (of: symbol, shown: ShownFace): Promise<ImageData | undefined> =>
  new Promise((done) => {
    for (const older of waiting) if (older.of === of) older.done(undefined)
    waiting = waiting.filter((older) => older.of !== of)
    waiting.push({ id: (lastId += 1), of, shown, done })
    next()
  })
