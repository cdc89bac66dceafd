import { codeOf } from '@/core/code/code'
import type { LineMachine } from '@/core/log-line/log-line'
import { readMachines } from '@/store/machine/machines'
import { storeOf } from '../../_server/store'
import { answerTo } from '../../_server/asked'

/** What a typed line is read against: the room's machines, and who types. */
export const GET = answerTo('line-facts', { may: 'see-book' }, async ({ actor }) => {
  const machines = await readMachines(storeOf(actor.siteId), actor.siteId)
  return {
    role: actor.role,
    machines: machines.map(({ machineId, name, number, traits, state }): LineMachine => ({
      machineId,
      name,
      number,
      code: codeOf('machine', machineId),
      traits,
      state,
    })),
  }
})
