import 'server-only'
import { betterAuth } from 'better-auth'
import { APIError, createAuthEndpoint } from 'better-auth/api'
import { setSessionCookie } from 'better-auth/cookies'
import type { BetterAuthPlugin } from 'better-auth/types'
import Type from 'typebox'
import { Invalid } from '@/core/schema/invalid'
import { check } from '@/core/schema/validate'
import { strict } from '@/core/schema/shape'
import { learnerSignIn, learnersUntil } from '@/store/site/people'
import { settings } from './settings'
import { theStore } from './store'

const StationSchema = strict({
  classCode: Type.String({ minLength: 3, maxLength: 40 }),
  firstName: Type.String({ minLength: 1, maxLength: 80 }),
})

/** A learner enters by a class code and a first name; nothing else is asked of somebody who may be a minor. */
const station: BetterAuthPlugin = {
  id: 'station',
  endpoints: {
    enterStation: createAuthEndpoint('/station', { method: 'POST' }, async (ctx) => {
      const asked = checked(ctx.body)
      const userId = await learnerSignIn(theStore(), asked.classCode, asked.firstName)
      const user = userId === undefined ? null : await ctx.context.internalAdapter.findUserById(userId)
      if (!user) {
        throw new APIError('UNAUTHORIZED', {
          code: 'not-enrolled',
          message: 'No class has that code and first name together. Ask your instructor how your name is written.',
        })
      }
      // For the hours of a session and no longer: a shared tablet is somebody else's next time.
      const expiresAt = await learnersUntil(theStore(), user.id, new Date())
      const session = await ctx.context.internalAdapter.createSession(user.id, true, { expiresAt }, true)
      await setSessionCookie(ctx, { session, user }, true)
      return ctx.json({ name: user.name })
    }),
  },
}

function checked(body: unknown) {
  try {
    return check(StationSchema, body)
  } catch (error) {
    if (error instanceof Invalid) throw new APIError('BAD_REQUEST', { ...error.fault })
    throw error
  }
}

const make = () =>
  betterAuth({
    basePath: '/api/sign-in',
    baseURL: settings.origins[0]!,
    trustedOrigins: settings.origins,
    secret: settings.secret,
    database: { db: theStore(), type: 'postgres' },
    emailAndPassword: { enabled: true, disableSignUp: true, minPasswordLength: 10 },
    user: { modelName: 'sign_in_user' },
    // Nobody's sign-in grows longer by being used: a learner's ends with the session, a member of staff signs in once a month.
    session: { modelName: 'sign_in_session', expiresIn: 30 * 24 * 3600, disableSessionRefresh: true },
    account: { modelName: 'sign_in_account' },
    verification: { modelName: 'sign_in_verification' },
    // Wrong tries are counted at the door, by network and address and never against a known device; this is for floods.
    rateLimit: {
      enabled: true,
      storage: 'database',
      modelName: 'sign_in_rate_limit',
      window: 60,
      max: 100,
      customRules: { '/sign-in/email': { window: 60, max: 300 }, '/station': { window: 60, max: 300 } },
    },
    advanced: {
      // A session and its user in one question: every page asks for them.
      database: { joins: true },
      useSecureCookies: settings.origins.every((origin) => origin.startsWith('https:')),
      cookiePrefix: 'orthodex',
      defaultCookieAttributes: { httpOnly: true, sameSite: 'lax' },
    },
    plugins: [station],
    telemetry: { enabled: false },
  })

let made: ReturnType<typeof make> | undefined

/** The sign-in library, configured once; its sessions live in the database. */
export const signIn = (): ReturnType<typeof make> => (made ??= make())
