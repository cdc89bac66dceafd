import 'server-only'
import { check } from '@/core/schema/validate'
import type { AskName } from '@/core/wire/ask-paths'
import { ASKS, type Ask, type Answered, type Asked as Question, type WholeAsk } from '@/core/wire/asks'
import { may, type Action } from '@/core/wire/permission'
import { Refused } from '@/store/refused'
import { currentActor, forgetActors, mustBeAllowed, type SignedIn } from './actor'
import { answering, readJson, sameSiteOnly } from './answer'

export interface Asked<Params> {
  readonly actor: SignedIn
  readonly request: Request
  readonly params: Params
  /** what stands behind the question mark */
  readonly query: URLSearchParams
  readonly may: (action: Action) => boolean
}

interface Door<Params> {
  /** what whoever asks must be allowed */
  readonly may?: Action
  /** only from a page of ours */
  readonly writes?: true
  /** of what is written: whether it leaves everybody what they are in their venue */
  readonly changesNobody?: (params: Params) => boolean
}

/**
 * The one door of everything that is asked over HTTP by somebody who is signed in. After a write whoever asks next is looked at anew:
 * it may have made them more, less or nobody.
 * @param answer its object is sent as JSON; what it throws becomes the status and words of an error
 */
export const route =
  <Params = unknown>(door: Door<Params>, answer: (asked: Asked<Params>) => Promise<object>) =>
  (request: Request, { params }: { params: Promise<Params> }): Promise<Response> =>
    answering(request, async () => {
      if (door.writes) sameSiteOnly(request)
      const actor = door.may ? await mustBeAllowed(door.may) : await signedIn()
      const asked = await params
      const answered = await answer({
        actor,
        request,
        params: asked,
        query: new URL(request.url).searchParams,
        may: (action) => may(actor.role, action),
      })
      if (door.writes && !door.changesNobody?.(asked)) forgetActors()
      return answered
    })

/** @throws Refused 401 */
async function signedIn(): Promise<SignedIn> {
  const actor = await currentActor()
  if (!actor) throw new Refused(401, 'signed-out', 'Sign in first; what you typed is still here')
  return actor
}

/**
 * The same door for what pages ask by name: the question is held to its schema before it is answered, the answer to its type.
 * @param mostBytes how long a question may be
 */
export const answerTo = <Name extends AskName, Params = unknown>(
  name: Name,
  door: Door<Params> & { readonly mostBytes?: number },
  answer: (asked: Asked<Params> & { readonly body: Question<Name> }) => Answer<Name> | Promise<Answer<Name>>,
) =>
  route<Params>(door, async (asked) => {
    const { body }: Ask = ASKS[name]
    const question = body && check(body, await readJson(asked.request, door.mostBytes))
    return answer({ ...asked, body: question as Question<Name> })
  })

/** Whole as an object; lines and events go out as they come. */
type Answer<Name extends AskName> = Name extends WholeAsk ? Answered<Name> : Response
