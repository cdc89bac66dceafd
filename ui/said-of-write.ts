import type { Fault } from '@/core/schema/invalid'

/**
 * What our server said of a write. Undefined: it said nothing. Something else may answer in its place and sound content: a proxy's
 * page while the server starts anew, a network that wants to be signed in to first. A write has landed when its own id comes back.
 */
export async function saidOfWrite(
  response: Response,
  commandId: string,
): Promise<{ readonly landed: true } | { readonly error: Fault } | undefined> {
  const said = (await response.json().catch(() => null)) as { commandId?: unknown; error?: Fault } | null
  if (response.ok) return said?.commandId === commandId ? { landed: true } : undefined
  return typeof said?.error?.code === 'string' ? { error: said.error } : undefined
}
