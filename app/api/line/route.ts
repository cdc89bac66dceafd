import { codeOf } from '@/core/code/code'
import type { LineMachine } from '@/core/log-line/log-line'
import { may } from '@/core/people/role'
import { readMachines } from '@/store/machine/machines'
import { Refused } from '@/store/refused'
import { currentActor } from '../../_server/actor'
import { answering } from '../../_server/answer'
import { theStore } from '../../_server/store'

/** What a typed line is read against: the room's machines, and who types. */
export const GET = (): Promise<Response> =>
  answering(async () => {
    const actor = await currentActor()
    if (!actor) throw new Refused(401, 'signed-out', 'Sign in first')
    if (!may(actor.role, 'see-book')) throw new Refused(403, 'not-allowed', 'Lines are typed by staff')
    const machines = await readMachines(theStore(), actor.siteId)
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
