import type { PhotographAnswer, PhotographSent } from './photograph.worker'

/** Reads a photograph beside the page; it is gone with the worker. */
export const readInBrowser = (sent: PhotographSent): Promise<PhotographAnswer> =>
  new Promise((tell) => {
    const worker = new Worker(new URL('./photograph.worker.ts', import.meta.url), { type: 'module' })
    const done = (answer: PhotographAnswer) => {
      worker.terminate()
      tell(answer)
    }
    worker.onmessage = ({ data }: MessageEvent<PhotographAnswer>) => done(data)
    worker.onerror = () => done({ wrong: 'The photograph could not be read on this device' })
    worker.postMessage(sent)
  })
