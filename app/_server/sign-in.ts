import 'server-only'
import { betterAuth } from 'better-auth'
import { APIError, createAuthEndpoint, createAuthMiddleware } from 'better-auth/api'
import { setSessionCookie } from 'better-auth/cookies'
import type { BetterAuthPlugin } from 'better-auth/types'
import { sql } from 'kysely'
import Type from 'typebox'
import { Invalid } from '@/core/schema/invalid'
import { check } from '@/core/schema/validate'
import { strict } from '@/core/schema/vocabulary'
import { learnerSignIn } from '@/store/site/people'
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
      const session = await ctx.context.internalAdapter.createSession(user.id)
      await setSessionCookie(ctx, { session, user })
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

/** Tries at one address, whatever network they come from: guessing from many places is slow too. */
const TRIES = { most: 10, windowMs: 15 * 60_000 }

async function countTry(email: string): Promise<boolean> {
  const now = Date.now()
  const key = `address|${email.toLowerCase().slice(0, 200)}`
  const { rows } = await sql<{ count: number }>`
    insert into sign_in_rate_limit (id, key, count, "lastRequest") values (${crypto.randomUUID()}, ${key}, 1, ${now})
    on conflict (key) do update set
      count = case when sign_in_rate_limit."lastRequest" < ${now - TRIES.windowMs} then 1 else sign_in_rate_limit.count + 1 end,
      "lastRequest" = case when sign_in_rate_limit."lastRequest" < ${now - TRIES.windowMs} then ${now} else sign_in_rate_limit."lastRequest" end
    returning count`.execute(theStore())
  return (rows[0]?.count ?? 0) <= TRIES.most
}

const limitTries = createAuthMiddleware(async (ctx) => {
  const email = (ctx.body as { email?: unknown } | undefined)?.email
  if (ctx.path !== '/sign-in/email' || typeof email !== 'string') return
  if (!(await countTry(email))) {
    throw new APIError('TOO_MANY_REQUESTS', {
      code: 'too-many',
      message: 'Too many tries for this address; wait a quarter of an hour.',
    })
  }
})

const make = () =>
  betterAuth({
    basePath: '/api/sign-in',
    baseURL: settings.origins[0]!,
    trustedOrigins: settings.origins,
    secret: settings.secret,
    database: { db: theStore(), type: 'postgres' },
    emailAndPassword: { enabled: true, disableSignUp: true, minPasswordLength: 10 },
    user: { modelName: 'sign_in_user' },
    session: { modelName: 'sign_in_session', expiresIn: 14 * 24 * 3600 },
    account: { modelName: 'sign_in_account' },
    verification: { modelName: 'sign_in_verification' },
    // A whole class signs in from one address at the start of an evening, so stations get more room than passwords.
    rateLimit: {
      enabled: true,
      storage: 'database',
      modelName: 'sign_in_rate_limit',
      window: 60,
      max: 100,
      customRules: { '/sign-in/email': { window: 60, max: 10 }, '/station': { window: 60, max: 60 } },
    },
    advanced: {
      // A session and its user in one question: every page asks for them.
      database: { joins: true },
      useSecureCookies: settings.origins.every((origin) => origin.startsWith('https:')),
      cookiePrefix: 'orthodex',
      defaultCookieAttributes: { httpOnly: true, sameSite: 'lax' },
    },
    hooks: { before: limitTries },
    plugins: [station],
    telemetry: { enabled: false },
  })

let made: ReturnType<typeof make> | undefined

/** The sign-in library, configured once; its sessions live in the database. */
export const signIn = (): ReturnType<typeof make> => (made ??= make())
