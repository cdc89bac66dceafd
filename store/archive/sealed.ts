import { createReadStream, createWriteStream } from 'node:fs'
import { Readable, type Writable } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import type { ReadableStream as NodeStream } from 'node:stream/web'
import { Decrypter, Encrypter } from 'age-encryption'
import { BadArchive } from './bad-archive'

/** Ends the name of an archive that a passphrase closes; the format is age's, which other programs open as well. */
export const SEALED = '.age'

/** Shorter ones are tried out in an afternoon. */
export const SHORTEST_PASSPHRASE = 12

const asBytes = (stream: Readable) => Readable.toWeb(stream) as unknown as ReadableStream<Uint8Array>
const asNode = (stream: ReadableStream<Uint8Array>) => Readable.fromWeb(stream as unknown as NodeStream)

/** What goes in comes out closed by a passphrase, as it streams. @param workFactor of the passphrase's hash, log₂ */
export async function seal(plain: Readable, passphrase: string, workFactor = 18): Promise<Readable> {
  const encrypter = new Encrypter()
  encrypter.setPassphrase(passphrase)
  encrypter.setScryptWorkFactor(workFactor)
  return asNode(await encrypter.encrypt(asBytes(plain)))
}

/** Opens a closed archive into a file of its own. @throws BadArchive for another passphrase, or a file that is cut off or changed */
export async function unseal(path: string, passphrase: string, into: string): Promise<void> {
  const decrypter = new Decrypter()
  decrypter.addPassphrase(passphrase)
  try {
    const plain = await decrypter.decrypt(asBytes(createReadStream(path)))
    await pipeline(asNode(plain), createWriteStream(into, { mode: 0o600 }) as Writable)
  } catch (error) {
    const why = error instanceof Error ? error.message : String(error)
    throw new BadArchive(
      /identity|passphrase|no matching|file key/i.test(why)
        ? 'This passphrase does not open it'
        : `It is cut off, was changed, or was not closed by a passphrase: ${why}`,
    )
  }
}
