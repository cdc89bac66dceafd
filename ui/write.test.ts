import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import * as kept from './offline/waiting'
import { logLine, send } from './write'

const sent: { url: string; commandId: string; body: unknown }[] = []
type Answer = Response | Error | ((commandId: string) => Response)
/** A network that gives these answers one after another. */
const network = (...answers: Answer[]) =>
  vi.stubGlobal('fetch', (url: string, { body }: { body: string }) => {
    const write = JSON.parse(body) as { commandId: string; body: unknown }
    sent.push({ url, ...write })
    const answer = answers.shift() ?? new Error('the network is away')
    if (answer instanceof Error) return Promise.reject(answer)
    return Promise.resolve(answer instanceof Response ? answer : answer(write.commandId))
  })
const landed: Answer = (commandId) => Response.json({ commandId, landed: 'now' })
/** What stands between a device and its server answers by itself, and sounds content. */
const somethingElse = () => new Response('<h1>Welcome to our guest network</h1>', { status: 200 })
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
  network(new Error('lost'), Response.json({ error: {} }, { status: 502 }), landed)
  const outcome = await settled(send('take-stock', { item, count: 1 }))
  expect(outcome.ok).toBe(true)
  expect(sent).toHaveLength(3)
  expect(new Set(sent.map(({ commandId }) => commandId)).size).toBe(1)
  expect(sent.map(({ url, body }) => [url, body])).toEqual(
    Array.from({ length: 3 }, () => ['/api/commands/take-stock', { item, count: 1 }]),
  )
})

it('a write has landed when the room says so, and not when anything else answers in its place', async () => {
  network(somethingElse(), Response.json({ commandId: 'of another write', landed: 'now' }), landed)
  expect((await settled(send('take-stock', { item, count: 1 }))).ok).toBe(true)
  expect(sent).toHaveLength(3)
  network(somethingElse(), new Response('Not Found', { status: 404 }), Response.json({}, { status: 403 }))
  expect(await settled(send('take-stock', { item, count: 1 }))).toMatchObject({ ok: false, error: { code: 'away' } })
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
  network(landed)
  await settled(logLine('heron', 'cleaned', { found: 'lint' }, 'Cleaned'))
  expect(sent[0]!.body).toEqual({
    machineId: 'heron',
    happenedAt: '2026-11-26T18:05:00.000Z',
    kind: 'cleaned',
    body: { found: 'lint' },
  })
})

it('whoever calls somebody and does not hear that it landed is told to fetch somebody, whatever stood in the way', async () => {
  const refused = (status: number, code: string, message: string) =>
    Response.json({ error: { code, message, path: '' } }, { status })
  const fetchSomebody = {
    ok: false,
    error: { message: expect.stringMatching(/^Go and fetch somebody/) as string },
  }
  for (const answers of [
    [],
    [refused(401, 'signed-out', 'Sign in first; what you typed is still here')],
    [refused(409, 'other-seat', 'You sit elsewhere by now')],
    Array.from({ length: 3 }, () => refused(500, 'our-fault', 'Something went wrong here.')),
  ]) {
    network(...answers.map((answer) => answer.clone()))
    expect(await settled(send('call-staff', { machineId: 'heron', found: {} }))).toMatchObject(fetchSomebody)
    network(...answers)
    expect(await settled(send('take-stock', { item, count: 1 }))).not.toMatchObject(fetchSomebody)
  }
  network(landed)
  expect((await settled(send('call-staff', { machineId: 'heron', found: {} }))).ok).toBe(true)
})

describe('without a network', () => {
  const waiting: { commandId: string; body: { kind: string } }[] = []
  beforeEach(() => {
    waiting.length = 0
    vi.stubGlobal('document', { documentElement: { dataset: { person: 'ida' } } })
    vi.spyOn(kept, 'keepWaiting').mockImplementation((line) => {
      waiting.push(line)
      return Promise.resolve()
    })
  })
  afterEach(() => vi.restoreAllMocks())
  const corrected = { corrects: 'one', because: 'It was the other machine' }

  it('a line waits, and what takes one back waits behind it', async () => {
    network()
    for (const outcome of [
      await settled(logLine('heron', 'cleaned', { found: 'lint' }, 'Cleaned', 'one')),
      await settled(logLine('heron', 'correction', corrected, 'Taken back', 'two')),
    ])
      expect(outcome).toMatchObject({ ok: true, waits: true })
    expect(waiting.map(({ commandId, body }) => [commandId, body.kind])).toEqual([
      ['one', 'cleaned'],
      ['two', 'correction'],
    ])
  })

  it('a line waits, too, where a guest network answers in the place of the room', async () => {
    network(somethingElse(), somethingElse(), somethingElse())
    expect(await settled(logLine('heron', 'cleaned', { found: 'lint' }, 'Cleaned', 'one'))).toMatchObject({
      waits: true,
    })
    expect(waiting.map(({ commandId }) => commandId)).toEqual(['one'])
  })

  it('who calls somebody is told that nobody comes, also by way of a correction', async () => {
    network()
    const replacement = { kind: 'somebody-hurt', body: {} } as const
    for (const outcome of [
      await settled(logLine('heron', 'somebody-hurt', {}, 'Somebody is hurt')),
      await settled(logLine('heron', 'correction', { ...corrected, replacement }, 'Put right')),
    ])
      expect(outcome).toMatchObject({
        ok: false,
        error: { message: expect.stringMatching(/fetch somebody/) as string },
      })
    expect(waiting).toEqual([])
  })
})
