import 'server-only'
import { passkey } from '@better-auth/passkey'
import { APIError, createAuthMiddleware, getSessionFromCtx } from 'better-auth/api'
import { readMembership } from '@/store/site/people'
import { everyVenue } from './every-venue'
import { settings } from './settings'

/** So long after signing in somebody may add one: nobody adds theirs at a device that was left open. */
const FRESH_MS = 10 * 60_000

/** A key that was found opens nothing: whoever holds it shows a finger, a face or its PIN. */
function mustBeVerified(verified: boolean | undefined): void {
  if (!verified)
    throw new APIError('UNAUTHORIZED', {
      code: 'not-verified',
      message: 'The device did not make sure that it is you: give it a screen lock, and try again',
    })
}

/** Sign-in without a password, by what a device keeps behind its own lock. */
export const passkeys = () =>
  passkey({
    rpName: 'Orthodex',
    origin: settings.origins,
    authenticatorSelection: { residentKey: 'required', userVerification: 'required' },
    registration: {
      afterVerification: ({ verification }) => mustBeVerified(verification.registrationInfo?.userVerified),
    },
    authentication: {
      afterVerification: ({ verification }) => mustBeVerified(verification.authenticationInfo.userVerified),
    },
    schema: { passkey: { modelName: 'sign_in_passkey' } },
  })

const WHERE_ADDED = /^\/passkey\/(generate-register-options|verify-registration)$/
const WHERE_CHANGED = /^\/passkey\/(update|delete)-passkey$/

/** Passkeys are for staff, and never on a tablet that goes through many hands by four digits. */
export const passkeysForStaff = createAuthMiddleware(async (ctx) => {
  const adds = WHERE_ADDED.test(ctx.path)
  if (!adds && !WHERE_CHANGED.test(ctx.path)) return
  const found = await getSessionFromCtx(ctx)
  if (!found) return
  const { tabletId, createdAt } = found.session as { tabletId?: string | null; createdAt: Date }
  const membership = await readMembership(everyVenue(), found.user.id)
  if (tabletId || !membership || membership.role === 'learner')
    throw new APIError('FORBIDDEN', {
      code: 'not-allowed',
      message: 'A passkey is for staff, on a device of their own',
    })
  if (adds && Date.now() - new Date(createdAt).getTime() > FRESH_MS)
    throw new APIError('FORBIDDEN', {
      code: 'not-fresh',
      message: 'You signed in a while ago. Sign out and in again, and add it within ten minutes.',
    })
})
