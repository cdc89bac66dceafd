import 'server-only'
import { betterAuth } from 'better-auth'
import { APIError, createAuthEndpoint, sessionMiddleware } from 'better-auth/api'
import { setSessionCookie } from 'better-auth/cookies'
import type { BetterAuthPlugin } from 'better-auth/types'
import * as Type from 'typebox'
import type { TSchema } from 'typebox'
import { Invalid } from '@/core/schema/invalid'
import { check } from '@/core/schema/validate'
import { strict } from '@/core/schema/shape'
import { countWrong, DOOR, isClosed } from '@/store/site/door'
import { learnerSignIn, learnersUntil, readMembership } from '@/store/site/people'
import { endsAsleep, holderOf, keepAwake, readTablet, setPin } from '@/store/site/tablet'
import { ofProcess } from './of-process'
import { passkeys, passkeysForStaff } from './passkeys'
import { settings } from './settings'
import { storeOf } from './store'
import { everyVenue } from './every-venue'
import { tabletCookie, tabletOf } from './room-tablet'

const StationSchema = strict({
  classCode: Type.String({ minLength: 3, maxLength: 40 }),
  firstName: Type.String({ minLength: 1, maxLength: 80 }),
})

const Pin = Type.String({ pattern: '^[0-9]{4}$' })
const HoldSchema = strict({ personId: Type.String({ format: 'uuid' }), pin: Pin })
const SettleSchema = strict({ secret: Type.String({ pattern: '^[A-Za-z0-9_-]{32,100}$' }) })
const PinSchema = strict({ password: Type.String({ minLength: 1, maxLength: 128 }), pin: Pin })

/** A learner enters by a class code and a first name; nothing else is asked of somebody who may be a minor. */
const station: BetterAuthPlugin = {
  id: 'station',
  endpoints: {
    enterStation: createAuthEndpoint('/station', { method: 'POST' }, async (ctx) => {
      const asked = checked(StationSchema, ctx.body)
      const userId = await learnerSignIn(everyVenue(), asked.classCode, asked.firstName)
      const user = userId === undefined ? null : await ctx.context.internalAdapter.findUserById(userId)
      if (!user) {
        throw new APIError('UNAUTHORIZED', {
          code: 'not-enrolled',
          message: 'No class has that code and first name together. Ask your instructor how your name is written.',
        })
      }
      // For the hours of a session and no longer: a shared tablet is somebody else's next time.
      const expiresAt = await learnersUntil(everyVenue(), user.id, new Date())
      const session = await ctx.context.internalAdapter.createSession(user.id, true, { expiresAt }, true)
      await setSessionCookie(ctx, { session, user }, true)
      return ctx.json({ name: user.name })
    }),
  },
}

/** Somebody takes a room's tablet in hand by their PIN; and gives themselves one, by their password. */
const tablet: BetterAuthPlugin = {
  id: 'tablet',
  endpoints: {
    settleTablet: createAuthEndpoint('/settle', { method: 'POST' }, async (ctx) => {
      const { secret } = checked(SettleSchema, ctx.body)
      const here = await readTablet(everyVenue(), secret, new Date())
      if (!here)
        throw new APIError('FORBIDDEN', {
          code: 'no-tablet',
          message: 'This link makes no tablet any more: a coordinator makes another under People',
        })
      const [name, options] = tabletCookie()
      ctx.setCookie(name, secret, options)
      return ctx.json({ name: here.name })
    }),
    keepAwake: createAuthEndpoint('/awake', { method: 'POST', use: [sessionMiddleware] }, async (ctx) => {
      await keepAwake(everyVenue(), ctx.context.session.session.id, new Date())
      return ctx.json({})
    }),
    holdTablet: createAuthEndpoint('/tablet', { method: 'POST' }, async (ctx) => {
      const asked = checked(HoldSchema, ctx.body)
      const here = await tabletOf(ctx.headers?.get('cookie') ?? '')
      if (!here) throw new APIError('FORBIDDEN', { code: 'no-tablet', message: 'This device is no tablet of a room' })
      const tries = [
        [`pin:${here.siteId}:${asked.personId}`, DOOR.pin],
        [`tablet:${here.tabletId}`, DOOR.tablet],
      ] as const
      if (await isClosed(everyVenue(), tries))
        throw new APIError('TOO_MANY_REQUESTS', {
          code: 'too-many',
          message: 'Too many wrong PINs: wait a quarter of an hour, or sign in with your password',
        })
      const userId = await holderOf(storeOf(here.siteId), here.siteId, asked)
      const user = userId === undefined ? null : await ctx.context.internalAdapter.findUserById(userId)
      if (!user) {
        await countWrong(everyVenue(), tries)
        throw new APIError('UNAUTHORIZED', { code: 'wrong-pin', message: 'That is not the PIN' })
      }
      const asleep = { expiresAt: endsAsleep(new Date()), tabletId: here.tabletId }
      const session = await ctx.context.internalAdapter.createSession(user.id, true, asleep, true)
      await setSessionCookie(ctx, { session, user }, true)
      return ctx.json({ name: user.name })
    }),
    setPin: createAuthEndpoint('/pin', { method: 'POST', use: [sessionMiddleware] }, async (ctx) => {
      const { password, pin } = checked(PinSchema, ctx.body)
      const { id } = ctx.context.session.user
      const membership = await readMembership(everyVenue(), id)
      if (!membership || membership.role === 'learner')
        throw new APIError('FORBIDDEN', { code: 'not-allowed', message: 'A PIN is for staff' })
      const account = (await ctx.context.internalAdapter.findAccounts(id)).find(({ password: hash }) => hash)
      const right = account?.password && (await ctx.context.password.verify({ hash: account.password, password }))
      if (!right) throw new APIError('UNAUTHORIZED', { code: 'wrong-password', message: 'That is not your password' })
      try {
        await setPin(storeOf(membership.site_id), membership.site_id, membership.person_id, pin, new Date())
      } catch (error) {
        if (error instanceof Invalid) throw new APIError('BAD_REQUEST', { ...error.fault })
        throw error
      }
      return ctx.json({})
    }),
  },
}

function checked<Schema extends TSchema>(schema: Schema, body: unknown) {
  try {
    return check(schema, body)
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
    database: { db: everyVenue(), type: 'postgres' },
    emailAndPassword: { enabled: true, disableSignUp: true, minPasswordLength: 10 },
    user: { modelName: 'sign_in_user' },
    // Nobody's sign-in grows longer by being used: a learner's ends with the session, a member of staff signs in once a month.
    session: {
      modelName: 'sign_in_session',
      expiresIn: 30 * 24 * 3600,
      disableSessionRefresh: true,
      // Somebody who signed in weeks ago sees where, and ends it; what has to be said anew asks for it itself.
      freshAge: 0,
      additionalFields: { tabletId: { type: 'string', required: false, input: false } },
    },
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
    plugins: [station, tablet, passkeys()],
    hooks: { before: passkeysForStaff },
    telemetry: { enabled: false },
  })

const held = ofProcess<{ signIn: ReturnType<typeof make> }>()

/** The sign-in library, configured once; its sessions live in the database. */
export const signIn = (): ReturnType<typeof make> => (held.signIn ??= make())
