import { execFileSync, spawn } from 'node:child_process'
import { mkdtempSync, readFileSync, rmSync, statSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import pg from 'pg'
import { v7 as uuid } from 'uuid'
import { DEFAULT_HOUSE_RULES } from '@/core/room/house-rules'
import { connect } from '@/store/connect'
import { migrate } from '@/store/migrate'
import { startCluster } from '../bin/serve/private-cluster'

/** Time and peak memory of backup and restore with a million lines, beside pg_dump and pg_restore of the same database. */
const LINES = Number(process.argv[2] ?? 1_000_000)
const folder = mkdtempSync(join(tmpdir(), 'orthodex-archive-bench-'))
execFileSync('chmod', ['755', folder])
const cluster = await startCluster(join(folder, 'postgres'))

/** Runs a command to its end. @returns seconds, and the most memory that it held, MB */
function timed(command: string, args: readonly string[], url: string): Promise<{ seconds: number; peakMb: number }> {
  const began = performance.now()
  const run = spawn(command, args, {
    env: { ...process.env, DATABASE_URL: url },
    stdio: ['ignore', 'ignore', 'inherit'],
  })
  let peakMb = 0
  const look = setInterval(() => {
    try {
      const held = /VmHWM:\s+(\d+)/.exec(readFileSync(`/proc/${run.pid}/status`, 'utf8'))?.[1]
      peakMb = Math.max(peakMb, Number(held ?? 0) / 1024)
    } catch {
      // It ended between two looks.
    }
  }, 50)
  return new Promise((resolve, reject) => {
    run.once('exit', (status) => {
      clearInterval(look)
      if (status === 0) resolve({ seconds: (performance.now() - began) / 1000, peakMb })
      else reject(new Error(`${command} ended with ${status}`))
    })
  })
}

try {
  const url = await cluster.database('full')
  const store = connect(url)
  await migrate(store)
  await store.destroy()
  const client = new pg.Client({ connectionString: url })
  // A failure on the way ends the cluster; what failed is what is thrown.
  client.on('error', () => {})
  await client.connect()
  const siteId = uuid()
  await client.query(
    `insert into site (site_id, code, name, time_zone, house_rules) values ($1, 'bench', 'Bench', 'UTC', $2)`,
    [siteId, JSON.stringify(DEFAULT_HOUSE_RULES)],
  )
  await client.query(
    `insert into machine (site_id, machine_id, name, number, notes, place_x, place_y) values ($1, $1, 'Heron', 1, '', 1, 1)`,
    [siteId],
  )
  await client.query(
    `insert into machine_event (site_id, machine_id, event_id, happened_at, kind, body, person_id)
     select $1, $1, gen_random_uuid(), now() - make_interval(secs => n), 'noted',
       jsonb_build_object('text', 'line ' || n || ': ' || md5(n::text)), $1 from generate_series(1, ${LINES}) n`,
    [siteId],
  )
  await client.end()
  const [archive, dump] = [join(folder, 'room.zip'), join(folder, 'room.dump')]
  const node = [process.execPath, ['--import', 'tsx']] as const
  const print = (what: string, { seconds, peakMb }: { seconds: number; peakMb: number }, file?: string) =>
    console.log(
      `${what.padEnd(12)} ${seconds.toFixed(1).padStart(6)} s   peak ${peakMb.toFixed(0).padStart(5)} MB${file ? `   ${(statSync(file).size / 1e6).toFixed(0)} MB on disk` : ''}`,
    )
  console.log(`${LINES} lines`)
  print('bin/backup', await timed(node[0], [...node[1], 'bin/commands/backup.ts', archive], url), archive)
  print('pg_dump', await timed('pg_dump', ['-Fc', '-f', dump, url], url), dump)
  const into = await cluster.database('restored')
  print('bin/restore', await timed(node[0], [...node[1], 'bin/commands/restore.ts', archive], into))
  const other = await cluster.database('pg_restored')
  print('pg_restore', await timed('pg_restore', ['-d', other, dump], other))
} finally {
  await cluster.stop()
  rmSync(folder, { recursive: true, force: true })
}
