/** By which of its ids a write is told apart, the most telling first: where and to whom, not what was made. */
const TELLING = ['machineId', 'projectId', 'sessionId', 'courseId', 'personId', 'id'] as const

/** The one thing that a write is about; undefined where it is about none, or about many. */
export function aboutOf(body: unknown): string | undefined {
  const named = body as Readonly<Record<string, unknown>> | null
  for (const name of TELLING) {
    const value = named?.[name]
    if (typeof value === 'string') return value
  }
  return undefined
}
