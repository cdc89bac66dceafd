import { may } from '@/core/people/role'
import { compute } from '@/core/compute/computations'
import { Refused } from '@/store/refused'
import { currentActor } from '../../../_server/actor'
import { answering, readJson } from '../../../_server/answer'
import { planApart } from '../../../_server/planner'

/** A plan of forty learners with all their limits. */
const MOST_BYTES = 1_000_000

/** The computations of `bin/compute`, for anyone signed in; a plan keeps a core busy, so that is for staff. */
export const POST = (request: Request, { params }: { params: Promise<{ name: string }> }): Promise<Response> =>
  answering(async () => {
    const actor = await currentActor()
    if (!actor) throw new Refused(401, 'signed-out', 'Sign in first')
    const { name } = await params
    if (name === 'plan' && !may(actor.role, 'see-sessions'))
      throw new Refused(403, 'not-allowed', `Signed in as ${actor.role}, you cannot plan`)
    const body = await readJson(request, MOST_BYTES)
    return name === 'plan' ? planApart(body, request.signal) : compute(name, body)
  })
