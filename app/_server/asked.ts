import 'server-only'
import { may, type Action } from '@/core/wire/permission'
import { Refused } from '@/store/refused'
import { currentActor, mustBeAllowed, type SignedIn } from './actor'
import { answering, sameSiteOnly } from './answer'

export interface Asked<Params> {
  readonly actor: SignedIn
  readonly request: Request
  readonly params: Params
  /** what stands behind the question mark */
  readonly query: URLSearchParams
  readonly may: (action: Action) => boolean
}

/**
 * The one door of everything that is asked over HTTP by somebody who is signed in.
 * @param door `may`: what they must be allowed; `writes`: only from a page of ours
 * @param answer its object is sent as JSON; what it throws becomes the status and words of an error
 */
export const route =
  <Params = unknown>(
    door: { readonly may?: Action; readonly writes?: true },
    answer: (asked: Asked<Params>) => Promise<object>,
  ) =>
  (request: Request, { params }: { params: Promise<Params> }): Promise<Response> =>
    answering(async () => {
      if (door.writes) sameSiteOnly(request)
      const actor = door.may ? await mustBeAllowed(door.may) : await signedIn()
      return answer({
        actor,
        request,
        params: await params,
        query: new URL(request.url).searchParams,
        may: (action) => may(actor.role, action),
      })
    })

/** @throws Refused 401 */
async function signedIn(): Promise<SignedIn> {
  const actor = await currentActor()
  if (!actor) throw new Refused(401, 'signed-out', 'Sign in first; what you typed is still here')
  return actor
}
