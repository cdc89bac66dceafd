import 'server-only'
import { createHmac, timingSafeEqual } from 'node:crypto'
import { countWrong, DOOR, isClosed, type DoorLimit } from '@/store/site/door'
import { Refused } from '@/store/refused'
import { forgetActors } from './actor'
import { settings } from './settings'
import { signIn } from './sign-in'
import { everyVenue } from './every-venue'

const KNOWN_COOKIE = 'orthodex-known'
const KNOWN_DAYS = 180

/** A device on which somebody has signed in with this address before: a stranger's wrong passwords never close it. */
const knownMark = (email: string): string =>
  createHmac('sha256', settings.secret).update(`known ${email.toLowerCase()}`).digest('base64url')

function isKnown(request: Request, email: string): boolean {
  const cookies = request.headers.get('cookie') ?? ''
  const marks = [...cookies.matchAll(new RegExp(`(?:^|;\\s*)${KNOWN_COOKIE}=([\\w.-]+)`, 'g'))].flatMap(([, value]) =>
    value!.split('.'),
  )
  const wanted = Buffer.from(knownMark(email))
  return marks.some((mark) => mark.length === wanted.length && timingSafeEqual(Buffer.from(mark), wanted))
}

type Tries = readonly (readonly [string, DoorLimit])[]

/** What a try at a door is counted by; none for what is no try. */
function triesOf(path: string, network: string, body: Readonly<Record<string, unknown>>, known: boolean): Tries {
  const text = (name: string) => (typeof body[name] === 'string' ? body[name].trim().toLowerCase().slice(0, 200) : '')
  if (path.endsWith('/sign-in/email')) {
    const email = text('email')
    if (known) return []
    return [
      [`here:${network}:${email}`, DOOR.addressHere],
      [`address:${email}`, DOOR.addressAnywhere],
      [`network:${network}`, DOOR.network],
    ]
  }
  if (path.endsWith('/station')) {
    const code = text('classCode')
    return [
      [`class ${code}`, DOOR.classCode],
      [`site:${code.split('-')[0]}`, DOOR.site],
      [`class:${network}`, DOOR.networkOfClass],
    ]
  }
  return []
}

const WAIT = 'Too many wrong tries; wait a quarter of an hour, or ask somebody who is signed in'

/** Lets somebody try a door, counts it when it was the wrong one, and remembers the device when it was the right one. */
export async function atTheDoor(request: Request, body: string): Promise<Response> {
  const path = new URL(request.url).pathname
  const network = request.headers.get('x-forwarded-for') ?? 'unknown'
  const asked = asRecord(body)
  const email = typeof asked['email'] === 'string' ? asked['email'] : ''
  const tries = triesOf(path, network, asked, email !== '' && isKnown(request, email))
  if (tries.length > 0 && (await isClosed(everyVenue(), tries))) throw new Refused(429, 'too-many', WAIT)
  const answer = await signIn().handler(
    new Request(request.url, { method: request.method, headers: request.headers, body }),
  )
  // Who signs in, out, or ends another sign-in is that to the next page; a wrong try changes nobody.
  if (answer.ok) forgetActors()
  if (answer.status === 401) await countWrong(everyVenue(), tries)
  if (answer.ok && path.endsWith('/sign-in/email')) {
    const secure = settings.origins.every((origin) => origin.startsWith('https:')) ? ';Secure' : ''
    answer.headers.append(
      'set-cookie',
      `${KNOWN_COOKIE}=${knownMark(email)};Path=/api/sign-in;Max-Age=${KNOWN_DAYS * 24 * 3600};HttpOnly;SameSite=Lax${secure}`,
    )
  }
  return answer
}

function asRecord(body: string): Readonly<Record<string, unknown>> {
  try {
    const value: unknown = JSON.parse(body)
    return value !== null && typeof value === 'object' ? (value as Record<string, unknown>) : {}
  } catch {
    return {}
  }
}
