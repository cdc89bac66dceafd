import {
  CacheFirst,
  ExpirationPlugin,
  NetworkFirst,
  Serwist,
  type RouteHandlerCallbackOptions,
  type RuntimeCaching,
  type SerwistPlugin,
} from 'serwist'
import { ANSWERS_KEPT, AWAY, CACHES, isPart } from './kept'

/** A slow line is waited for so long; then what was kept is shown, which says how old it is. */
const PATIENCE_SECONDS = 4
/** And so long for what was not kept; a network that carries nothing would be waited for without end. */
const AWAY_AFTER_MS = 20_000

/** Only a page that is itself is kept: no refusal, no fault, and no door that somebody was sent on to. */
const onlyItself: SerwistPlugin = {
  cacheWillUpdate: ({ response }) => Promise.resolve(response.status === 200 && !response.redirected ? response : null),
}

/**
 * A worker is told what to load by the end of its own address, which it takes from the answer where that has one: an answer that
 * is made here has none, and the worker keeps what it was called by.
 */
const keepsItsAddress: SerwistPlugin = {
  handlerWillRespond: ({ request, response }) =>
    Promise.resolve(request.destination === 'worker' ? new Response(response.body, response) : response),
}

const asked = new NetworkFirst({
  cacheName: CACHES.pages,
  networkTimeoutSeconds: PATIENCE_SECONDS,
  matchOptions: { ignoreVary: true },
  plugins: [onlyItself],
})

/** A server that cannot draw a page, its database being away, is as good as none: what was kept of it stands in. */
async function drawn(options: RouteHandlerCallbackOptions): Promise<Response> {
  const page = await asked.handle(options)
  if (page.status < 500) return page
  const pages = await caches.open(CACHES.pages)
  return (await pages.match(options.request, { ignoreVary: true })) ?? page
}

/** Said by what stands before the server, when that is not there: as good as no network. */
const isOfGateway = ({ status }: Response): boolean => status === 502 || status === 504

/** A page as it is, or as it was kept, or one that says that neither can be had: no tap ends on a page of somebody else's. */
async function shown(options: RouteHandlerCallbackOptions): Promise<Response> {
  const page = drawn(options)
  const away = async (): Promise<Response> => (await caches.match(AWAY, { ignoreVary: true })) ?? page
  const late = new Promise<undefined>((resolve) => setTimeout(() => resolve(undefined), AWAY_AFTER_MS))
  return Promise.race([page, late]).then((response) => (response && !isOfGateway(response) ? response : away()), away)
}

const runtimeCaching: RuntimeCaching[] = [
  {
    // Parts of the program carry their content in their names: what is kept is right for ever.
    matcher: ({ url, sameOrigin }) => sameOrigin && isPart(url.pathname),
    handler: new CacheFirst({
      cacheName: CACHES.parts,
      plugins: [new ExpirationPlugin({ maxEntries: 600 }), keepsItsAddress],
    }),
  },
  {
    matcher: ({ request, sameOrigin }) => sameOrigin && request.mode === 'navigate',
    handler: shown,
  },
  { matcher: ({ url, sameOrigin }) => sameOrigin && ANSWERS_KEPT.includes(url.pathname), handler: drawn },
]

new Serwist({ skipWaiting: true, clientsClaim: true, runtimeCaching }).addEventListeners()
