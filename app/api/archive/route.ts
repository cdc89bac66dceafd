import { Readable } from 'node:stream'
import { v7 as uuid } from 'uuid'
import { dayIn } from '@/core/units/day'
import { SEALED, SHORTEST_PASSPHRASE } from '@/store/archive/sealed'
import { archiveStream } from '@/store/archive/stream'
import { runCommand } from '@/store/commands/run'
import { Refused } from '@/store/refused'
import { readText } from '../../_server/answer'
import { siteOf } from '../../_server/site'
import { route } from '../../_server/asked'
import { journal } from '../../_server/journal'
import { settings } from '../../_server/settings'
import { storeOf } from '../../_server/store'

/** The whole venue as one file, closed by a passphrase where one is said; that it was taken, and by whom, is kept. */
export const POST = route({ may: 'take-archive', writes: true }, async ({ actor, request }) => {
  const passphrase = new URLSearchParams(await readText(request, 2_000)).get('passphrase') ?? ''
  if (passphrase !== '' && passphrase.length < SHORTEST_PASSPHRASE)
    throw new Refused(400, 'invalid', `A passphrase has ${SHORTEST_PASSPHRASE} letters at least`, 'passphrase')
  await runCommand(storeOf(actor.siteId), actor, 'take-archive', { commandId: uuid(), body: {} })
  const day = dayIn(new Date(), (await siteOf(actor.siteId)).timeZone)
  const name = `venue-${day}.zip${passphrase === '' ? '' : SEALED}`
  const archive = await archiveStream(settings.databaseUrl, actor.siteId, passphrase || undefined, (error) =>
    journal.warn(error, 'an archive came to grief on its way'),
  )
  return new Response(Readable.toWeb(archive) as unknown as ReadableStream, {
    headers: { 'content-type': 'application/octet-stream', 'content-disposition': `attachment; filename="${name}"` },
  })
})
