import http from 'node:http'
import { ofProcess } from '@/app/_server/of-process'
import type { News } from '@/store/live/news'

const held = ofProcess<{ news: News }>()
const servers = new Set<http.Server>()
const IDLE_LOOK_MS = 200
let ending = false

/**
 * Open streams would keep the server from ever ending: they are closed first, so that writes in flight still land. A browser keeps
 * the connection and asks for the next stream on it: whatever is idle is closed, too, and whatever is answered from now on is the last.
 */
function end(): void {
  if (ending) return
  ending = true
  void held.news?.close()
  setInterval(() => {
    for (const server of servers) server.closeIdleConnections()
  }, IDLE_LOOK_MS).unref()
}
for (const signal of ['SIGTERM', 'SIGINT'] as const) process.on(signal, end)

/** How many proxies of one's own stand in front of this server, each adding the address that it saw. */
const PROXIES = Number(process.env['ORTHODEX_PROXIES'] ?? 0)

/**
 * The network that a request comes from. What a stranger writes into `X-Forwarded-For` says nothing: without a proxy that was
 * named it is whoever connected, and behind n of them what the outermost saw.
 */
function networkOf(request: http.IncomingMessage): string {
  const said = [request.headers['x-forwarded-for'] ?? []].flat().join(',')
  const hops = said
    .split(',')
    .map((each) => each.trim())
    .filter(Boolean)
  return (PROXIES > 0 ? hops.at(-PROXIES) : undefined) ?? request.socket.remoteAddress ?? 'unknown'
}

// Before anything else reads a request, its header is made true: limits are counted by it.
// eslint-disable-next-line @typescript-eslint/unbound-method -- called with the server it was taken from
const emit = http.Server.prototype.emit
http.Server.prototype.emit = function (this: http.Server, event: string, ...rest: never[]): boolean {
  const [request, response]: readonly unknown[] = rest
  if (event === 'request' && request instanceof http.IncomingMessage && response instanceof http.ServerResponse) {
    servers.add(this)
    request.headers['x-forwarded-for'] = networkOf(request)
    if (ending) response.setHeader('connection', 'close')
  }
  return Reflect.apply(emit, this, [event, ...rest]) as boolean
} as typeof http.Server.prototype.emit
