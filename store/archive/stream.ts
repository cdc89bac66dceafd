import { PassThrough, type Readable } from 'node:stream'
import pg from 'pg'
import { seal } from './sealed'
import { writeArchive } from './write'

/**
 * The archive of one venue as it is read from the database, for whoever takes it away: no file is made here, and whoever stops
 * taking stops the reading.
 * @param onTrouble told when it comes to grief on its way; the stream then ends before its end
 */
export async function archiveStream(
  databaseUrl: string,
  siteId: string,
  passphrase: string | undefined,
  onTrouble: (error: unknown) => void,
): Promise<Readable> {
  const client = new pg.Client({ connectionString: databaseUrl })
  client.on('error', onTrouble)
  await client.connect()
  const plain = new PassThrough()
  const out = passphrase === undefined ? plain : await seal(plain, passphrase)
  out.on('close', () => plain.destroy())
  void writeArchive(client, plain, new Date(), siteId)
    .catch((error: unknown) => {
      onTrouble(error)
      out.destroy(error instanceof Error ? error : new Error(String(error)))
    })
    .finally(() => client.end().catch(() => undefined))
  return out
}
