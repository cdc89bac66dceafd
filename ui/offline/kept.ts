import { LATE_MS, reach } from '../reach'

/** Where a device keeps what it needs without a network: parts of the program, and pages as somebody last saw them. */
export const CACHES = { parts: 'orthodex-parts', pages: 'orthodex-pages' } as const

/** Answers besides pages without which nothing can be typed. */
export const ANSWERS_KEPT: readonly string[] = ['/api/line']

/** What stands in the place of a page that is not kept: it names nobody, and is kept among the parts of the program. */
export const AWAY = '/away'

export const isPart = (path: string): boolean => path.startsWith('/_next/static/')

/** Parts of the program that a page names anywhere in its text. */
export const partsNamedIn = (page: string): string[] => [
  ...new Set(page.match(/\/_next\/static\/[\w./~%-]+\.(?:js|css|woff2)/g)),
]

const WHOSE = 'orthodex-kept-for'
const WARMED = 'orthodex-kept-at'
/** So long what was kept is new enough not to be fetched again. */
const FRESH_MS = 10 * 60_000

/** What a device keeps names people: it goes with whoever was signed in. */
export async function forgetPages(): Promise<void> {
  localStorage.removeItem(WHOSE)
  localStorage.removeItem(WARMED)
  if ('caches' in window) await caches.delete(CACHES.pages)
}

/** Keeps whatever parts of the program this page has loaded by now, those too that no page names in its text. */
export async function keepLoadedParts(): Promise<void> {
  const parts = await caches.open(CACHES.parts)
  for (const { name } of performance.getEntriesByType('resource')) {
    const { origin, pathname } = new URL(name)
    if (origin === location.origin && isPart(pathname) && !(await parts.match(pathname))) await parts.add(pathname)
  }
}

/**
 * Keeps pages, and the parts of the program that they are made of, for when there is no network. What was kept for somebody
 * else is thrown away first.
 * @param paths asked for when what was kept is no longer new
 * @param types whether this person types lines, and needs what they are told by
 */
export async function keepPages(
  personId: string,
  paths: () => Promise<readonly string[]>,
  types: boolean,
): Promise<void> {
  if (localStorage.getItem(WHOSE) !== personId) {
    await forgetPages()
    localStorage.setItem(WHOSE, personId)
  }
  if (Date.now() - Number(localStorage.getItem(WARMED)) < FRESH_MS) return
  const [pages, parts] = [await caches.open(CACHES.pages), await caches.open(CACHES.parts)]
  for (const path of [AWAY, ...(await paths()), ...(types ? ANSWERS_KEPT : [])]) {
    const response = await reach(path, {}, LATE_MS)
    if (!response.ok || response.redirected) continue
    await (path === AWAY ? parts : pages).put(path, response.clone())
    for (const part of partsNamedIn(await response.text())) if (!(await parts.match(part))) await parts.add(part)
  }
  localStorage.setItem(WARMED, String(Date.now()))
}
