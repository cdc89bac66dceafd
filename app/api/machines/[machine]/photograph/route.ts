import { bytesOf } from '@/core/machine/photograph'
import { readPhotographOf } from '@/store/machine/photographs'
import { notFound } from '@/store/refused'
import { isId } from '../../../../_server/answer'
import { route } from '../../../../_server/asked'
import { storeOf } from '../../../../_server/store'

/** How a machine looks, for whoever sews in this venue. */
export const GET = route<{ machine: string }>({ may: 'see-lab' }, async ({ actor, params: { machine } }) => {
  const picture = isId(machine) && (await readPhotographOf(storeOf(actor.siteId), actor.siteId, machine))
  if (!picture) throw notFound('photograph', 'machine')
  return new Response(new Uint8Array(bytesOf(picture)), { headers: { 'content-type': 'image/jpeg' } })
})
