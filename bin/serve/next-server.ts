import { spawn, type ChildProcess } from 'node:child_process'
import { existsSync, openSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { createServer } from 'node:net'
import { join } from 'node:path'
import { freePort } from '@/bin/serve/private-cluster'
import { endedWhenSilent } from './silent'

export interface RunningServer {
  readonly url: string
  readonly process: ChildProcess
  /** when it ends though nobody told it to, by a fault, for want of memory, or since it had hung: how, in words */
  readonly lost: Promise<string>
  stop(): Promise<void>
}

const PREFERRED_PORT = 3600

/**
 * Many pages at once leave more behind than the engine's small nursery holds, and what is moved out of it too early is costly to
 * clear away. Megabytes; it may take three times that of memory.
 */
const ROOM_FOR_WHAT_IS_NEW = '--max-semi-space-size=64'

/**
 * A line that nobody says anything on is kept for so long, ms: longer than the proxy in front keeps it (`deploy/proxy.conf`). Closed at this
 * end first, it is taken for the next question while it is going, and whoever asked is told that there is no server.
 */
const LINE_KEPT_MS = 75_000

/** A port nobody listens on: the preferred one when it is free. */
async function somePort(): Promise<number> {
  const asked = Number(process.env['PORT'])
  if (asked > 0) return asked
  return (await isFree(PREFERRED_PORT)) ? PREFERRED_PORT : freePort()
}

const isFree = (port: number): Promise<boolean> =>
  new Promise((resolve) => {
    const probe = createServer()
    probe.once('error', () => resolve(false))
    probe.listen(port, '127.0.0.1', () => probe.close(() => resolve(true)))
  })

/** A server left over from a killed run would hold the old database: end it, if it is ours. */
function endLeftOver(pidFile: string, project: string): void {
  if (!existsSync(pidFile)) return
  const pid = Number(readFileSync(pidFile, 'utf8'))
  const folder = `/proc/${pid}`
  try {
    const ours = readFileSync(`${folder}/environ`, 'utf8').includes(`ORTHODEX_PROJECT=${project}\0`)
    if (ours) process.kill(pid, 'SIGKILL')
  } catch {
    // It ended long ago.
  }
  rmSync(pidFile, { force: true })
}

/**
 * Starts the built application and waits until it answers.
 * @param environment DATABASE_URL and ORTHODEX_SECRET; ORTHODEX_ORIGIN defaults to this machine's own addresses
 */
export async function startServer(
  project: string,
  environment: Readonly<Record<string, string>>,
  options: {
    /** 0: any that is free; absent: the preferred one when it is free */
    readonly port?: number
    readonly host?: string
    readonly pidFile?: string
    /** where the journal of errors is kept; absent: it is said on standard output */
    readonly journal?: string
  } = {},
): Promise<RunningServer> {
  if (options.pidFile) endLeftOver(options.pidFile, project)
  const port = options.port === 0 ? await freePort() : (options.port ?? (await somePort()))
  if (!(await isFree(port)))
    throw new Error(
      `Something answers on port ${port} already, perhaps a server left over from before: end it, or set PORT to another one`,
    )
  const host = options.host ?? '127.0.0.1'
  const server = spawn(
    process.execPath,
    [
      ROOM_FOR_WHAT_IS_NEW,
      join(project, 'node_modules/next/dist/bin/next'),
      ...['start', '-H', host, '-p', String(port), '--keepAliveTimeout', String(LINE_KEPT_MS)],
    ],
    {
      cwd: project,
      stdio: ['ignore', options.journal ? openSync(options.journal, 'a', 0o600) : 'inherit', 'inherit'],
      env: {
        ...process.env,
        NODE_ENV: 'production',
        NEXT_TELEMETRY_DISABLED: '1',
        // What the engine has compiled is kept beside the build it belongs to: the next start is a quarter quicker.
        NODE_COMPILE_CACHE: join(project, '.next', 'compiled'),
        ORTHODEX_PROJECT: project,
        ORTHODEX_ORIGIN: `http://localhost:${port} http://127.0.0.1:${port}`,
        ...environment,
      },
    },
  )
  let told = false
  const lost = new Promise<string>((resolve) =>
    server.once('exit', (code, signal) => {
      if (!told) resolve(signal ? `killed by ${signal}` : `with ${code}`)
    }),
  )
  if (options.pidFile && server.pid) writeFileSync(options.pidFile, String(server.pid))
  const url = `http://localhost:${port}`
  const end = Date.now() + 30_000
  const health = `http://127.0.0.1:${port}/api/health`
  for (;;) {
    if (server.exitCode !== null) {
      const where = options.journal ? `is in ${options.journal}` : 'is above'
      throw new Error(`The application ended at its start; what it said ${where}`)
    }
    const answer = await fetch(health).catch(() => undefined)
    if (answer?.ok) break
    if (Date.now() > end) throw new Error('The application did not answer within 30 s')
    await new Promise((resolve) => setTimeout(resolve, 60))
  }
  endedWhenSilent(server, health)
  return {
    url,
    process: server,
    lost,
    stop: async () => {
      told = true
      if (server.exitCode === null && server.signalCode === null) {
        const ended = new Promise((resolve) => server.once('exit', resolve))
        server.kill('SIGTERM')
        // Writes in flight land first; longer than a statement may take nothing is waited for.
        const hard = setTimeout(() => server.kill('SIGKILL'), 20_000)
        await ended
        clearTimeout(hard)
      }
      if (options.pidFile) rmSync(options.pidFile, { force: true })
    },
  }
}
