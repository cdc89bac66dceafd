/** Open streams would keep the server from ever ending: they are closed first, so that writes in flight still land. */
const held = globalThis as { orthodexNews?: { close(): Promise<void> } }
for (const signal of ['SIGTERM', 'SIGINT'] as const) process.on(signal, () => void held.orthodexNews?.close())
export {}
