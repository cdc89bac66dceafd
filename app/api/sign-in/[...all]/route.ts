import { answering, readText } from '../../../_server/answer'
import { atTheDoor } from '../../../_server/door'
import { signIn } from '../../../_server/sign-in'

/** An address and a password, or a class code and a name. */
const MOST_BYTES = 8_000

export const GET = (request: Request): Promise<Response> => signIn().handler(request)
export const POST = (request: Request): Promise<Response> =>
  answering(request, async () => atTheDoor(request, await readText(request, MOST_BYTES)))
