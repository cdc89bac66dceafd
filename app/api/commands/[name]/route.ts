import { runCommand } from '@/store/commands/run'
import { countWrite } from '../../../_server/metrics'
import { readJson } from '../../../_server/answer'
import { inTurn } from '../../../_server/writes'
import { storeOf } from '../../../_server/store'
import { route } from '../../../_server/asked'

/** What may be longer than a line: files of a room's machines with their books of years, sheets, plans, house rules. */
const SIZES: Readonly<Record<string, number>> = {
  'import-machines': 40_000_000,
  'import-kits': 40_000_000,
  'set-machine-photograph': 200_000,
  'add-projects': 1_000_000,
  'give-kits': 1_000_000,
  'set-plan': 1_000_000,
}

// A line in a book changes nobody's part in the room; whatever else is written may.
const changesNobody = ({ name }: { name: string }) => name === 'log'

/** Every write comes through here: `{ "commandId": uuid, "body": … }`, landed once however often it is sent. */
export const POST = route<{ name: string }>({ writes: true, changesNobody }, async ({ actor, request, params }) => {
  const { name } = params
  const envelope = await readJson(request, SIZES[name])
  const landed = await inTurn(() => runCommand(storeOf(actor.siteId), actor, name, envelope))
  countWrite(name)
  return landed
})
