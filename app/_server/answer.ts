import 'server-only'
import { validate } from 'uuid'
import { Invalid, type Fault } from '@/core/schema/invalid'
import { databaseAway } from '@/store/away'
import { Refused } from '@/store/refused'
import { journal } from './journal'
import { countAnswer } from './metrics'

/** A command is small: a line of a book, a kit, a plan of a session. */
const MOST_BYTES = 64_000
/** What people nest: far less than this; more is meant to break something. */
const MOST_DEPTH = 64

/**
 * A body as text, counted while it is read: whoever sends more than is allowed is not listened to any further.
 * @throws Refused 413
 */
export async function readText(request: Request, mostBytes = MOST_BYTES): Promise<string> {
  const tooLarge = () =>
    new Refused(
      413,
      'too-large',
      `This may be ${mostBytes < 1000 ? `${mostBytes} bytes` : `${Math.floor(mostBytes / 1000)} kB`} at most; nothing of it was kept`,
    )
  if (Number(request.headers.get('content-length') ?? 0) > mostBytes) throw tooLarge()
  if (!request.body) return ''
  const reader = request.body.getReader()
  const chunks: Uint8Array[] = []
  let bytes = 0
  for (;;) {
    const { done, value } = await reader.read()
    if (done) break
    bytes += value.byteLength
    if (bytes > mostBytes) {
      await reader.cancel().catch(() => undefined)
      throw tooLarge()
    }
    chunks.push(value)
  }
  return Buffer.concat(chunks).toString('utf8')
}

/** How deep brackets stand in JSON, those inside of strings left out. */
function depthOf(text: string): number {
  let [depth, most] = [0, 0]
  for (let at = 0; at < text.length; at += 1) {
    const char = text[at]
    if (char === '"') {
      for (at += 1; at < text.length && text[at] !== '"'; at += 1) if (text[at] === '\\') at += 1
    } else if (char === '{' || char === '[') most = Math.max(most, (depth += 1))
    else if (char === '}' || char === ']') depth -= 1
  }
  return most
}

/** Reads a JSON body of a stated length at most. @throws Refused 413, 415 or 400 */
export async function readJson(request: Request, mostBytes = MOST_BYTES): Promise<unknown> {
  const type = request.headers.get('content-type')?.split(';')[0]?.trim()
  if (type !== 'application/json') throw new Refused(415, 'not-json', 'Send JSON, with Content-Type: application/json')
  return parseJson(await readText(request, mostBytes))
}

/** @throws Refused 400 for what is no JSON, nests too deep, or holds a character that no text may */
export function parseJson(text: string): unknown {
  if (depthOf(text) > MOST_DEPTH) throw new Refused(400, 'too-deep', `Brackets stand ${MOST_DEPTH} deep at most`)
  if (/\\u0000/i.test(text) || text.includes('\u0000'))
    throw new Refused(400, 'invalid', 'The text holds a character that cannot be kept')
  try {
    return JSON.parse(text)
  } catch {
    throw new Refused(400, 'not-json', 'The request is not JSON')
  }
}

/**
 * Cross-site writes are refused: a browser says where a request comes from, and a form of another site cannot send JSON.
 * @throws Refused 403
 */
export function sameSiteOnly(request: Request): void {
  const from = request.headers.get('sec-fetch-site')
  const origin = request.headers.get('origin')
  const host = request.headers.get('host')
  const foreign = (from !== null && from !== 'same-origin') || (origin !== null && hostOf(origin) !== host)
  if (foreign) throw new Refused(403, 'cross-site', 'This request comes from another site')
}

const hostOf = (origin: string): string | undefined => {
  try {
    return new URL(origin).host
  } catch {
    return undefined
  }
}

/** Ids in addresses: anything else names nothing. */
export const isId = (text: string): boolean => validate(text)

/** A file to take away. */
export const asDownload = (name: string, type: string, body: string): Response =>
  new Response(body, { headers: { 'content-type': type, 'content-disposition': `attachment; filename="${name}"` } })

/** Answers a question, or says with the right status what was wrong with it; and counts how long it took. */
export async function answering(request: Request, work: () => Promise<object>): Promise<Response> {
  const started = performance.now()
  const answer = await answered(work)
  countAnswer(request, answer.status, started)
  return answer
}

async function answered(work: () => Promise<object>): Promise<Response> {
  try {
    const answer = await work()
    return answer instanceof Response ? answer : Response.json(answer)
  } catch (error) {
    if (error instanceof Invalid) return failed(error instanceof Refused ? error.status : 400, error.fault)
    const away = databaseAway(error)
    if (away) {
      journal.warn(error, 'the database did not answer')
      return failed(away.status, away.fault)
    }
    journal.error(error, 'a request failed')
    return failed(500, {
      code: 'our-fault',
      message:
        'Something went wrong here, and it is not certain whether this was kept. Try again: the same press never lands twice.',
      path: '',
    })
  }
}

const failed = (status: number, error: Fault): Response => Response.json({ error }, { status })
