/** Runs `stop` once at Ctrl-C or a polite kill, then ends the process. */
export function untilEnded(stop: () => Promise<void>): void {
  let ending = false
  const end = () => {
    if (ending) return
    ending = true
    void stop().finally(() => process.exit(0))
  }
  process.on('SIGINT', end)
  process.on('SIGTERM', end)
  process.on('SIGHUP', end)
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
