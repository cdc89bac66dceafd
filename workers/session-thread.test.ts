import { on } from 'node:events'
import { rmSync } from 'node:fs'
import { Worker } from 'node:worker_threads'
import { build } from 'esbuild'
import { afterAll, afterEach, beforeAll, expect, it } from 'vitest'
import type { SessionRequest } from '@/core/session/session-plan'
import { session, SESSION_AT, sessionLearner } from '@/core/testing/sessions'
import type { SessionMessage, SessionReply } from './session.worker'

const request = (...learners: readonly string[]): SessionRequest => ({
  facts: session({ learners: learners.map((name, index) => sessionLearner(name, index)) }),
  pins: [],
  weights: {},
  seconds: 10,
  now: SESSION_AT,
})

/** A thread of Node's reads no TypeScript: it is bundled first, where its packages are found. */
const BUNDLE = `node_modules/.cache/orthodex/session-thread-${process.pid}.mjs`
beforeAll(() =>
  build({
    entryPoints: ['workers/session.worker.ts'],
    outfile: BUNDLE,
    bundle: true,
    platform: 'node',
    format: 'esm',
    packages: 'external',
    logLevel: 'error',
  }),
)
afterAll(() => rmSync(BUNDLE, { force: true }))

let thread: Worker | undefined
afterEach(() => thread?.terminate())

/** Everything that a thread says to some questions, sent at once. */
async function saidTo(...messages: readonly SessionMessage[]): Promise<SessionReply[]> {
  thread = new Worker(`./${BUNDLE}`)
  for (const message of messages) thread.postMessage(message)
  const said: SessionReply[] = []
  let wanted = messages.filter((message) => 'plan' in message).length
  for await (const [reply] of on(thread, 'message') as AsyncIterable<[SessionReply]>) {
    said.push(reply)
    if (reply.stage === 'done') wanted -= 1
    if (wanted === 0) break
  }
  return said
}
const seated = ({ plan }: SessionReply) => plan.seats.map(({ student }) => student).sort()

it('answers nothing to what it rehearses, plans one session after the other, and each as if it were the first', async () => {
  const said = await saidTo(
    { rehearse: request('Ida', 'Jon', 'Kit') },
    { plan: request('Lea') },
    { plan: request('Max', 'Nia') },
  )
  expect(said.filter(({ stage }) => stage === 'done').map(seated)).toEqual([['of Lea'], ['of Max', 'of Nia']])
  expect(said.flatMap(seated)).not.toContain('of Ida')
  expect(said[0]!.stage).not.toBe('done')
})
