import { createWriteStream, mkdirSync, readdirSync, renameSync, rmSync } from 'node:fs'
import { basename, dirname, join } from 'node:path'
import { PassThrough } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import pg from 'pg'
import { BadArchive } from '@/store/archive/bad-archive'
import { checkArchive, restoreArchive } from '@/store/archive/read'
import { seal, SEALED, unseal } from '@/store/archive/sealed'
import { writeArchive, type Manifest } from '@/store/archive/write'

/**
 * Writes an archive beside its name and gives it the name once it is whole, so that half a file never passes for one.
 * @param of one venue only, by its id; closed by a passphrase, where one is said
 */
export async function backUp(
  databaseUrl: string,
  file: string,
  of: { readonly siteId?: string | undefined; readonly passphrase?: string | undefined } = {},
): Promise<Manifest> {
  const making = join(dirname(file), `.${basename(file)}.making`)
  const client = new pg.Client({ connectionString: databaseUrl })
  await client.connect()
  try {
    // On the disk itself before it has its name: a machine that loses its power keeps no name without a file.
    const out = createWriteStream(making, { mode: 0o600, flush: true })
    const plain = of.passphrase === undefined ? out : new PassThrough()
    const closed =
      of.passphrase === undefined ? undefined : pipeline(await seal(plain as PassThrough, of.passphrase), out)
    // What goes wrong first is said where it is awaited.
    closed?.catch(() => undefined)
    const manifest = await writeArchive(client, plain, new Date(), of.siteId)
    await closed
    // What nobody can read back is no copy. One that a passphrase closes is not opened again.
    if (of.passphrase === undefined) await checkArchive(making)
    renameSync(making, file)
    return manifest
  } finally {
    rmSync(making, { force: true })
    await client.end()
  }
}

/** Reads an archive back; one that a passphrase closes is opened into a file beside it, which is gone afterwards. */
export async function bringBack(databaseUrl: string, file: string, passphrase: string | undefined): Promise<Manifest> {
  if (!file.endsWith(SEALED)) return restoreArchive(file, databaseUrl)
  if (!passphrase) throw new BadArchive('It is closed by a passphrase: set ORTHODEX_PASSPHRASE')
  const opened = join(dirname(file), `.${basename(file, SEALED)}.opened`)
  try {
    await unseal(file, passphrase, opened)
    return await restoreArchive(opened, databaseUrl)
  } finally {
    rmSync(opened, { force: true })
  }
}

const NAME = /^orthodex-\d{4}-\d{2}-\d{2}(-before-[\w-]+)?\.zip$/
/** So many nightly copies are kept; those made before an upgrade stay until somebody takes them away. */
const NIGHTS = 14

/** The copy of a day, and no more of the older ones than are kept. */
export async function nightlyCopy(databaseUrl: string, folder: string, now: Date): Promise<void> {
  mkdirSync(folder, { recursive: true, mode: 0o700 })
  await backUp(databaseUrl, join(folder, `orthodex-${now.toISOString().slice(0, 10)}.zip`))
  const nightly = readdirSync(folder)
    .filter((name) => NAME.test(name) && !name.includes('-before-'))
    .sort()
  for (const old of nightly.slice(0, -NIGHTS)) rmSync(join(folder, old))
}
