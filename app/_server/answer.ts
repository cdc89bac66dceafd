import 'server-only'
import { Invalid, type Fault } from '@/core/schema/invalid'
import { Refused } from '@/store/refused'
import { journal } from './store'

const MOST_BYTES = 1_000_000

/** Reads a JSON body of a stated length at most. @throws Refused 415 or 400 */
export async function readJson(request: Request, mostBytes = MOST_BYTES): Promise<unknown> {
  const type = request.headers.get('content-type')?.split(';')[0]?.trim()
  if (type !== 'application/json') throw new Refused(415, 'not-json', 'Send JSON, with Content-Type: application/json')
  const text = await request.text()
  if (text.length > mostBytes)
    throw new Refused(400, 'too-large', `A request may be ${mostBytes} characters long at most`)
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
export const isId = (text: string): boolean => /^[0-9a-f-]{36}$/i.test(text)

/** A file to take away. */
export const asDownload = (name: string, type: string, body: string): Response =>
  new Response(body, { headers: { 'content-type': type, 'content-disposition': `attachment; filename="${name}"` } })

/** Answers a question, or says with the right status what was wrong with it. */
export async function answering(work: () => Promise<object>): Promise<Response> {
  try {
    const answer = await work()
    return answer instanceof Response ? answer : Response.json(answer)
  } catch (error) {
    if (error instanceof Invalid) return failed(error instanceof Refused ? error.status : 400, error.fault)
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
