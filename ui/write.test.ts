import { afterEach, beforeEach, expect, it, vi } from 'vitest'
import { logLine, send } from './write'

const sent: { url: string; commandId: string; body: unknown }[] = []
/** A network that gives these answers one after another. */
const network = (...answers: (Response | Error)[]) =>
  vi.stubGlobal('fetch', (url: string, { body }: { body: string }) => {
    sent.push({ url, ...(JSON.parse(body) as { commandId: string; body: unknown }) })
    const answer = answers.shift() ?? new Error('the network is away')
    return answer instanceof Error ? Promise.reject(answer) : Promise.resolve(answer)
  })
beforeEach(() => {
  sent.length = 0
  vi.useFakeTimers()
})
afterEach(() => {
  vi.useRealTimers()
  vi.unstubAllGlobals()
})
const item = { kind: 'needle', system: '130/705 H', point: 'universal', sizeNm: 80 } as const
const settled = async <Answer>(answer: Promise<Answer>): Promise<Answer> => {
  await vi.runAllTimersAsync()
  return answer
}

it('a write over a bad network is sent again as the very same write, and lands once', async () => {
  network(new Error('lost'), Response.json({ error: {} }, { status: 502 }), Response.json({ landed: 'before' }))
  const outcome = await settled(send('take-stock', { item, count: 1 }))
  expect(outcome.ok).toBe(true)
  expect(sent).toHaveLength(3)
  expect(new Set(sent.map(({ commandId }) => commandId)).size).toBe(1)
  expect(sent.map(({ url, body }) => [url, body])).toEqual(
    Array.from({ length: 3 }, () => ['/api/commands/take-stock', { item, count: 1 }]),
  )
})

it('what the room refuses is said at once and not sent again', async () => {
  const error = { code: 'invalid', message: '"count" must be at least 1', path: 'count' }
  network(Response.json({ error }, { status: 400 }))
  expect(await settled(send('take-stock', { item, count: 0 }))).toEqual({ ok: false, error })
  expect(sent).toHaveLength(1)
})

it('a server that stays away is told of kindly, and trying again is the same write', async () => {
  network()
  const outcome = await settled(
    send('end-pair', { pairId: '01900000-0000-7000-8000-000000000002' }, '01900000-0000-7000-8000-000000000001'),
  )
  expect(outcome).toMatchObject({ ok: false, error: { code: 'away' } })
  expect(new Set(sent.map(({ commandId }) => commandId))).toEqual(new Set(['01900000-0000-7000-8000-000000000001']))
})

it('a line in a book says which machine, what, and that it happens now', async () => {
  vi.setSystemTime('2026-11-26T18:05:00.000Z')
  network(Response.json({ landed: 'now' }))
  await settled(logLine('heron', 'cleaned', { found: 'lint' }, 'Cleaned'))
  expect(sent[0]!.body).toEqual({
    machineId: 'heron',
    happenedAt: '2026-11-26T18:05:00.000Z',
    kind: 'cleaned',
    body: { found: 'lint' },
  })
})
