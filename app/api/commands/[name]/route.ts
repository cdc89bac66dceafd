import { runCommand } from '@/store/commands/run'
import { Refused } from '@/store/refused'
import { currentActor } from '../../../_server/actor'
import { answering, readJson, sameSiteOnly } from '../../../_server/answer'
import { theStore } from '../../../_server/store'

/** Every write comes through here: `{ "commandId": uuid, "body": … }`, landed once however often it is sent. */
export const POST = (request: Request, { params }: { params: Promise<{ name: string }> }): Promise<Response> =>
  answering(async () => {
    sameSiteOnly(request)
    const actor = await currentActor()
    if (!actor) throw new Refused(401, 'signed-out', 'Sign in first; what you typed is still here')
    return runCommand(theStore(), actor, (await params).name, await readJson(request))
  })
