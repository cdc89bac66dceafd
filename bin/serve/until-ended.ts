/**
 * Runs `stop` once at Ctrl-C or a polite kill, then ends the process.
 * @param lost what was started has ended by itself: this ends too, as failed. What keeps it running (systemd, a container) sees this
 *   process alone, and would start nothing again while it stays.
 */
export function untilEnded(stop: () => Promise<void>, lost: Promise<string>): void {
  let ending = false
  const end = (code: number) => {
    if (ending) return
    ending = true
    void stop().finally(() => process.exit(code))
  }
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP'] as const) process.on(signal, () => end(0))
  void lost.then((how) => {
    if (!ending) console.error(`orthodex: the server ended by itself, ${how}; so this ends, to be started again`)
    end(1)
  })
}

/** Work of a command: what goes wrong is said in words, not as a trace. */
export async function inWords<Done>(work: Promise<Done>): Promise<Done> {
  try {
    return await work
  } catch (error) {
    console.error(`orthodex: ${error instanceof Error ? error.message : String(error)}`)
    process.exit(1)
  }
}
