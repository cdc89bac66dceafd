/** Clocks that differ by less are one: a write takes a while, and no difference is worth more than what it is measured by. */
const SAME_MS = 30_000

/**
 * What a device sent, with its moment by the server's clock: a tablet may be an hour off, or a day. Its moments are as far off as its
 * clock was when it sent them, so that a line that waited is put right as well as one of now.
 * @param sentAt by the device's clock, ISO 8601
 * @param now by the server's, when it came
 */
export function byServersClock<Body>(body: Body, sentAt: string, now: Date): Body {
  const aheadMs = Date.parse(sentAt) - now.getTime()
  const { happenedAt } = body as { readonly happenedAt?: unknown }
  if (typeof happenedAt !== 'string' || Math.abs(aheadMs) < SAME_MS) return body
  return { ...body, happenedAt: new Date(Date.parse(happenedAt) - aheadMs).toISOString() }
}
