import { signIn } from '../../../_server/sign-in'

export const GET = (request: Request): Promise<Response> => signIn().handler(request)
export const POST = (request: Request): Promise<Response> => signIn().handler(request)
