import { runCommand } from '@/store/commands/run'
import { Refused } from '@/store/refused'
import { currentActor } from '../../../_server/actor'
import { answering, readJson, sameSiteOnly } from '../../../_server/answer'
import { theStore } from '../../../_server/store'

/** A room's machines with their books of years fit into one file. */
const FILE_BYTES = 40_000_000

/** Every write comes through here: `{ "commandId": uuid, "body": … }`, landed once however often it is sent. */
export const POST = (request: Request, { params }: { params: Promise<{ name: string }> }): Promise<Response> =>
  answering(async () => {
    sameSiteOnly(request)
    const actor = await currentActor()
    if (!actor) throw new Refused(401, 'signed-out', 'Sign in first; what you typed is still here')
    const { name } = await params
    return runCommand(
      theStore(),
      actor,
      name,
      await readJson(request, name.startsWith('import-') ? FILE_BYTES : undefined),
    )
  })
