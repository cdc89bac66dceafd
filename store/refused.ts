import { Invalid } from '@/core/schema/invalid'

/** The one error a write or a question is answered with when it cannot be done; `status` is its HTTP status. */
export class Refused extends Invalid {
  constructor(
    readonly status: 400 | 401 | 403 | 404 | 409 | 413 | 415 | 429 | 503,
    code: string,
    message: string,
    path = '',
  ) {
    super(code, message, path)
  }
}

export const notFound = (what: string, path: string): Refused =>
  new Refused(404, 'not-found', `No such ${what} is known here`, path)
