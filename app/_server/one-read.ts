/** News comes in bursts; so long is waited for what comes with it. */
const TOGETHER_MS = 25

/**
 * One reading for all who ask at nearly the same moment. Nobody is given what was read before they asked: whoever comes while
 * it is read waits for the next.
 */
export function oneRead<Read>(read: (key: string) => Promise<Read>): (key: string) => Promise<Read> {
  const gathering = new Map<string, Promise<Read>>()
  return (key) => {
    const known = gathering.get(key)
    if (known) return known
    const next = new Promise<void>((resolve) => setTimeout(resolve, TOGETHER_MS)).then(() => {
      gathering.delete(key)
      return read(key)
    })
    gathering.set(key, next)
    return next
  }
}
