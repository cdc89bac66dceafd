import { describe, expect, it } from 'vitest'
import { Invalid } from '@/core/schema/invalid'
import { Refused } from '@/store/refused'
import { answering, asDownload, isId, readJson, readText, sameSiteOnly } from './answer'
import { linesOfJson } from './lines'

const REQUEST = new Request('https://room.example/api/line')

const HERE = 'https://room.example'
const posted = (body: string, headers: Record<string, string> = { 'content-type': 'application/json' }) =>
  new Request(`${HERE}/api/commands/log`, { method: 'POST', headers: { host: 'room.example', ...headers }, body })
const faultOf = async (work: () => unknown): Promise<{ status: number; code: string; message: string }> => {
  try {
    await work()
  } catch (error) {
    if (error instanceof Refused) return { status: error.status, ...error.fault }
    throw error
  }
  throw new Error('it was let through')
}

describe('what is sent to us', () => {
  it('is read as JSON, and only as JSON', async () => {
    expect(await readJson(posted('{"dial":4}'))).toEqual({ dial: 4 })
    expect(await readJson(posted('[]', { 'content-type': 'application/json; charset=utf-8' }))).toEqual([])
    expect(await faultOf(() => readJson(posted('dial=4', { 'content-type': 'text/plain' })))).toMatchObject({
      status: 415,
      code: 'not-json',
    })
    expect(await faultOf(() => readJson(posted('{"dial":')))).toMatchObject({ status: 400, code: 'not-json' })
  })

  it('may be so long and no longer, and is told how long', async () => {
    const text = JSON.stringify('x'.repeat(98))
    expect(await readJson(posted(text), 100)).toHaveLength(98)
    expect(await faultOf(() => readJson(posted(text), 99))).toMatchObject({
      status: 413,
      code: 'too-large',
      message: expect.stringContaining('99') as string,
    })
  })

  it('is counted while it is read: of what is too long nothing more is taken in', async () => {
    let pulled = 0
    const endless = new ReadableStream<Uint8Array>({
      pull: (controller) => {
        pulled += 1
        controller.enqueue(new Uint8Array(1000))
      },
    })
    const request = new Request('https://room.example/api', {
      method: 'POST',
      body: endless,
      duplex: 'half',
    } as RequestInit)
    expect(await faultOf(() => readText(request, 10_000))).toMatchObject({ status: 413 })
    expect(pulled).toBeLessThan(20)
  })

  it.each([
    ['brackets stand a thousand deep', '['.repeat(1000) + ']'.repeat(1000), 'too-deep'],
    ['it holds a nought character', '{"text":"a\\u0000b"}', 'invalid'],
    ['it is cut off', '{"a":[1,2', 'not-json'],
  ])('is refused with a clear word where %s', async (_, text, code) => {
    expect(await faultOf(() => readJson(posted(text)))).toMatchObject({ status: 400, code })
  })

  it('may hold brackets inside of its words, as many as one likes', async () => {
    expect(await readJson(posted(JSON.stringify({ text: '[{'.repeat(500) })))).toEqual({ text: '[{'.repeat(500) })
  })

  const from = (headers: Record<string, string>) => () => sameSiteOnly(posted('{}', headers))

  it.each([
    ['a browser that says it is our own page', { 'sec-fetch-site': 'same-origin', origin: HERE }],
    ['an older browser that names our address', { origin: HERE }],
    ['a program that says nothing of itself', {}],
  ])('by %s is taken', (_, headers) => {
    expect(from(headers as Record<string, string>)).not.toThrow()
  })

  it.each([
    ['another site', { 'sec-fetch-site': 'cross-site' }],
    ['a neighbour under the same name', { 'sec-fetch-site': 'same-site' }],
    ['an address that is not ours', { origin: 'https://elsewhere.example' }],
    ['our name on another port', { origin: 'https://room.example:8443' }],
    ['an address that is none', { origin: 'null' }],
    ['a page that names ours but was sent from another', { 'sec-fetch-site': 'cross-site', origin: HERE }],
  ])('by %s is refused', async (_, headers) => {
    expect(await faultOf(from(headers as unknown as Record<string, string>))).toMatchObject({
      status: 403,
      code: 'cross-site',
    })
  })
})

describe('an answer', () => {
  const told = async (work: () => Promise<object>) => {
    const answer = await answering(REQUEST, work)
    return { status: answer.status, body: (await answer.json()) as Record<string, unknown> }
  }

  it('is what was asked for, or says what was wrong, where, and with which status', async () => {
    expect(await told(() => Promise.resolve({ landed: 'now' }))).toEqual({ status: 200, body: { landed: 'now' } })
    const wrong = new Invalid('invalid', '"dial" must be a number', 'dial')
    expect(await told(() => Promise.reject(wrong))).toEqual({
      status: 400,
      body: { error: { code: 'invalid', message: '"dial" must be a number', path: 'dial' } },
    })
    const taken = new Refused(409, 'taken', 'Another machine has the name Heron already', 'name')
    expect(await told(() => Promise.reject(taken))).toMatchObject({ status: 409, body: { error: { path: 'name' } } })
  })

  it('of a fault of ours says so, and nothing of what is inside', async () => {
    const inside = new Error('password authentication failed for user orthodex')
    const { status, body } = await told(() => Promise.reject(inside))
    expect(status).toBe(500)
    expect(body['error']).toMatchObject({ code: 'our-fault' })
    expect(JSON.stringify(body)).not.toContain('password')
  })

  it('that is a file is passed on as it is, with its name', async () => {
    const answer = await answering(REQUEST, () => Promise.resolve(asDownload('books.json', 'application/json', '[]')))
    expect(answer.headers.get('content-disposition')).toBe('attachment; filename="books.json"')
    expect(await answer.text()).toBe('[]')
  })

  it('knows an id when it sees one', () => {
    expect(isId('019a0000-0000-7000-8000-000000000001')).toBe(true)
    for (const text of [
      '',
      'heron',
      '019a0000',
      "019a0000-0000-7000-8000-00000000000'",
      '../019a0000-0000-7000-8000-00',
    ])
      expect(isId(text)).toBe(false)
  })
})

describe('long work', () => {
  const said = async (answer: Response) =>
    (await answer.text())
      .split('\n')
      .filter(Boolean)
      .map((line) => JSON.parse(line) as Record<string, unknown>)

  it('answers a line at a time, in order, and ends', async () => {
    const answer = linesOfJson(async (say) => {
      for (const seats of [3, 5, 7]) {
        await Promise.resolve()
        say({ seats })
      }
    })
    expect(answer.headers.get('content-type')).toBe('application/x-ndjson')
    expect(await said(answer)).toEqual([{ seats: 3 }, { seats: 5 }, { seats: 7 }])
  })

  it('that goes wrong half-way keeps what it had said, and says what was wrong last', async () => {
    const refused = linesOfJson((say) => {
      say({ seats: 3 })
      return Promise.reject(new Refused(409, 'changed', 'Somebody changed this plan meanwhile'))
    })
    expect(await said(refused)).toEqual([
      { seats: 3 },
      { error: expect.objectContaining({ code: 'changed' }) as object },
    ])
    const broken = linesOfJson(() => Promise.reject(new Error('out of memory')))
    const [line] = await said(broken)
    expect(line).toMatchObject({ error: { code: 'our-fault' } })
    expect(JSON.stringify(line)).not.toContain('memory')
  })

  it('is stopped when nobody listens any more', async () => {
    const stopped = new Promise<boolean>((resolve) => {
      const answer = linesOfJson(async (say, stop) => {
        say({ seats: 3 })
        await new Promise<void>((ended) => stop.addEventListener('abort', () => ended()))
        say({ seats: 4 })
        resolve(stop.aborted)
      })
      const reader = answer.body!.getReader()
      void reader.read().then(() => reader.cancel())
    })
    expect(await stopped).toBe(true)
  })
})

it('a fault of ours never claims that nothing was kept', async () => {
  const answer = await answering(REQUEST, () => Promise.reject(new Error('the commit was lost')))
  const { error } = (await answer.json()) as { error: { message: string } }
  expect([answer.status, error.message]).toEqual([
    500,
    expect.stringContaining('it is not certain whether this was kept'),
  ])
})
