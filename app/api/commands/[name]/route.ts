import { runCommand } from '@/store/commands/run'
import { Refused } from '@/store/refused'
import { currentActor } from '../../../_server/actor'
import { answering, readJson, sameSiteOnly } from '../../../_server/answer'
import { inTurn } from '../../../_server/writes'
import { theStore } from '../../../_server/store'

/** What may be longer than a line: files of a room's machines with their books of years, sheets, plans, house rules. */
const SIZES: Readonly<Record<string, number>> = {
  'import-machines': 40_000_000,
  'import-kits': 40_000_000,
  'add-projects': 1_000_000,
  'give-kits': 1_000_000,
  'set-plan': 1_000_000,
}

/** Every write comes through here: `{ "commandId": uuid, "body": … }`, landed once however often it is sent. */
export const POST = (request: Request, { params }: { params: Promise<{ name: string }> }): Promise<Response> =>
  answering(async () => {
    sameSiteOnly(request)
    const actor = await currentActor()
    if (!actor) throw new Refused(401, 'signed-out', 'Sign in first; what you typed is still here')
    const { name } = await params
    const envelope = await readJson(request, SIZES[name])
    return inTurn(() => runCommand(theStore(), actor, name, envelope))
  })
