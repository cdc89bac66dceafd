import { named } from '@/core/units/words'
import { compute } from '@/core/compute/computations'
import { Refused } from '@/store/refused'
import { readJson } from '../../../_server/answer'
import { planApart } from '../../../_server/planner'
import { route } from '../../../_server/asked'

/** A plan of forty learners with all their limits. */
const MOST_BYTES = 1_000_000

/** The computations of `bin/compute`, for anyone signed in; a plan keeps a core busy, so that is for staff. */
export const POST = route<{ name: string }>({}, async ({ actor, request, params, may }) => {
  const { name } = params
  if (name === 'plan' && !may('see-sessions'))
    throw new Refused(403, 'not-allowed', `Signed in as ${named(actor.role)}, you cannot plan`)
  const body = await readJson(request, MOST_BYTES)
  return name === 'plan' ? planApart(body, request.signal) : compute(name, body)
})
