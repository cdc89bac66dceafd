import { execFileSync, spawn } from 'node:child_process'
import { chmodSync, chownSync, existsSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { connect as connectSocket } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { freePort } from './private-cluster'

const PROGRAM = '/usr/sbin/pgbouncer'

/** A pooler in front of a database server, as `docs/running.md` sets one up. */
export interface Pooler {
  /** the same database, reached through the pooler */
  through(databaseUrl: string): string
  stop(): Promise<void>
}

/**
 * Starts Debian's pgbouncer in transaction mode on loopback.
 * @param serverUrl of any database of the server; its name and password are used for all
 * @param poolSize connections that it holds to each database
 */
export async function startPooler(serverUrl: string, poolSize = 8): Promise<Pooler> {
  if (!existsSync(PROGRAM)) throw new Error('pgbouncer is missing. Install it with:  sudo apt-get install pgbouncer')
  const server = new URL(serverUrl)
  const folder = mkdtempSync(join(tmpdir(), 'orthodex-pooler-'))
  const port = await freePort()
  const file = join(folder, 'pgbouncer.ini')
  writeFileSync(
    file,
    `[databases]
* = host=${server.hostname} port=${server.port} user=${server.username} password=${server.password}
[pgbouncer]
listen_addr = 127.0.0.1
listen_port = ${port}
unix_socket_dir =
auth_type = any
pool_mode = transaction
default_pool_size = ${poolSize}
max_client_conn = 500
ignore_startup_parameters = statement_timeout,lock_timeout,idle_in_transaction_session_timeout
`,
    { mode: 0o600 },
  )
  // It refuses to run as root, as PostgreSQL does.
  const id = (flag: string) => Number(execFileSync('id', [flag, 'postgres'], { encoding: 'utf8' }))
  const as = process.getuid?.() === 0 ? { uid: id('-u'), gid: id('-g') } : undefined
  if (as) for (const path of [folder, file]) chownSync(path, as.uid, as.gid)
  chmodSync(folder, 0o700)
  const pooler = spawn(PROGRAM, ['-q', file], { cwd: '/', stdio: ['ignore', 'ignore', 'pipe'], ...as })
  let said = ''
  pooler.stderr.on('data', (chunk: Buffer) => (said = (said + chunk.toString()).slice(-2000)))
  const ended = new Promise((resolve) => pooler.once('exit', resolve))
  for (const end = Date.now() + 10_000; !(await listens(port));) {
    if (pooler.exitCode !== null || Date.now() > end) throw new Error(`pgbouncer did not start: ${said.trim()}`)
    await new Promise((resolve) => setTimeout(resolve, 25))
  }
  return {
    through: (databaseUrl) => Object.assign(new URL(databaseUrl), { host: `127.0.0.1:${port}` }).href,
    stop: async () => {
      pooler.kill('SIGINT')
      await ended
      rmSync(folder, { recursive: true, force: true })
    },
  }
}

/** Whether something on this machine takes calls at a port. */
export const listens = (port: number): Promise<boolean> =>
  new Promise((resolve) => {
    const socket = connectSocket(port, '127.0.0.1')
    socket.once('connect', () => {
      socket.destroy()
      resolve(true)
    })
    socket.once('error', () => resolve(false))
  })
