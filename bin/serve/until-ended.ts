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
