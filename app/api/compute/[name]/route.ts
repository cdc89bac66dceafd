import { compute } from '@/core/compute/computations'
import { Refused } from '@/store/refused'
import { currentActor } from '../../../_server/actor'
import { answering, readJson } from '../../../_server/answer'
import { planApart } from '../../../_server/planner'

/** The computations of `bin/compute`, for anyone signed in. */
export const POST = (request: Request, { params }: { params: Promise<{ name: string }> }): Promise<Response> =>
  answering(async () => {
    if (!(await currentActor())) throw new Refused(401, 'signed-out', 'Sign in first')
    const { name } = await params
    const body = await readJson(request)
    return name === 'plan' ? planApart(body) : compute(name, body)
  })
