import { spawn } from 'node:child_process'
import { chmodSync, existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import pg from 'pg'
import { afterAll, beforeAll, expect, it } from 'vitest'
import { freePort, startCluster } from './private-cluster'

/** One for all: to make a cluster takes seconds, and each of these leaves it stopped and whole. */
let folder: string
beforeAll(() => {
  folder = mkdtempSync(join(tmpdir(), 'orthodex-cluster-'))
  chmodSync(folder, 0o755)
})
afterAll(() => rmSync(folder, { recursive: true, force: true }))

const ask = async (url: string, statement: string) => {
  const client = new pg.Client({ connectionString: url })
  await client.connect()
  try {
    return (await client.query<{ n: number }>(statement)).rows
  } finally {
    await client.end()
  }
}
const serverPid = () => Number(readFileSync(join(folder, 'cluster/postmaster.pid'), 'utf8').split('\n')[0])
const isAlive = (pid: number) =>
  existsSync(`/proc/${pid}/cmdline`) && readFileSync(`/proc/${pid}/cmdline`, 'utf8') !== ''

it('keeps what was acknowledged when the server is killed, and starts again', async () => {
  const first = await startCluster(folder)
  const url = await first.database('kept')
  await ask(url, 'create table t (n int); insert into t values (7)')
  process.kill(serverPid(), 'SIGKILL')
  const second = await startCluster(folder)
  expect(await ask(await second.database('kept'), 'select n from t')).toEqual([{ n: 7 }])
  await second.stop()
  expect(existsSync(join(folder, 'cluster/postmaster.pid'))).toBe(false)
})

it('waits until the workers of a killed server have ended, who hold its memory', async () => {
  const first = await startCluster(folder)
  const client = new pg.Client({ connectionString: await first.database('postgres') })
  client.on('error', () => undefined)
  await client.connect()
  const { rows } = await client.query<{ pid: number }>('select pg_backend_pid() as pid')
  // Nothing tells it that its server is gone as long as it does not run.
  process.kill(rows[0]!.pid, 'SIGSTOP')
  process.kill(serverPid(), 'SIGKILL')
  setTimeout(() => process.kill(rows[0]!.pid, 'SIGCONT'), 1_000)
  const second = await startCluster(folder)
  expect(isAlive(rows[0]!.pid)).toBe(false)
  expect(await ask(await second.database('postgres'), 'select 1 as n')).toEqual([{ n: 1 }])
  await second.stop()
})

it('ends the server that a killed starter left behind, and no other', async () => {
  // The starter is another process, killed without a chance to stop its server.
  const script = `import { startCluster } from ${JSON.stringify(join(process.cwd(), 'bin/serve/private-cluster.ts'))}
    await startCluster(${JSON.stringify(folder)}); console.log('started'); setInterval(() => {}, 1000)`
  const starter = spawn(process.execPath, ['--import', 'tsx', '--input-type=module', '-e', script], {
    stdio: ['ignore', 'pipe', 'inherit'],
  })
  await new Promise<void>((resolve) => starter.stdout.once('data', () => resolve()))
  const leftOver = serverPid()
  starter.kill('SIGKILL')
  await new Promise((resolve) => starter.once('exit', resolve))
  expect(isAlive(leftOver)).toBe(true)

  const bystander = mkdtempSync(join(tmpdir(), 'orthodex-bystander-'))
  chmodSync(bystander, 0o755)
  const other = await startCluster(bystander)
  const again = await startCluster(folder)
  expect(isAlive(leftOver)).toBe(false)
  expect(await ask(await other.database('postgres'), 'select 1 as n')).toEqual([{ n: 1 }])
  await Promise.all([again.stop(), other.stop()])
  rmSync(bystander, { recursive: true, force: true })
})

it('makes a folder again that was killed half-made', async () => {
  const first = await startCluster(folder)
  await first.stop()
  rmSync(join(folder, 'cluster/PG_VERSION'))
  const again = await startCluster(folder)
  expect(await ask(await again.database('postgres'), 'select 1 as n')).toEqual([{ n: 1 }])
  await again.stop()
})

it('finds ports nobody listens on', async () => {
  const ports = await Promise.all([freePort(), freePort()])
  for (const port of ports) expect(port).toBeGreaterThan(1023)
})

it('says in words that its folder cannot be made, and that its user may not pass through one', async () => {
  const file = join(folder, 'a-file')
  writeFileSync(file, '')
  await expect(startCluster(join(file, 'postgres'))).rejects.toThrow(/cannot be made: .*ORTHODEX_DATA/)
  // Only as root is the server another user than we are.
  if (process.getuid?.() !== 0) return
  const barred = mkdtempSync(join(tmpdir(), 'orthodex-barred-'))
  chmodSync(barred, 0o700)
  await expect(startCluster(join(barred, 'postgres'))).rejects.toThrow(`chmod o+x ${barred}`)
  rmSync(barred, { recursive: true, force: true })
})
