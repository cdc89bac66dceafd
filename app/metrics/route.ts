import { createHash, timingSafeEqual } from 'node:crypto'
import { metricsText } from '../_server/metrics'
import { settings } from '../_server/settings'

export const dynamic = 'force-dynamic'

const digest = (text: string): Buffer => createHash('sha256').update(text).digest()

/** For whoever watches the servers: behind a token of its own; where none is set there is no such page. */
export async function GET(request: Request): Promise<Response> {
  const token = settings.metricsToken
  if (!token) return new Response('Not found\n', { status: 404 })
  const said = /^Bearer (.+)$/.exec(request.headers.get('authorization') ?? '')?.[1] ?? ''
  if (!timingSafeEqual(digest(said), digest(token)))
    return new Response('Send the token as Authorization: Bearer …\n', {
      status: 401,
      headers: { 'www-authenticate': 'Bearer' },
    })
  const { type, text } = await metricsText()
  return new Response(text, { headers: { 'content-type': type, 'cache-control': 'no-store' } })
}
