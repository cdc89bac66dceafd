import { betterAuth } from 'better-auth'
import { getMigrations } from 'better-auth/db/migration'
import { expect, it } from 'vitest'
import { freshStore } from '../testing/store'

it('the sign-in library finds every table and column it wants', async () => {
  const { store, end } = await freshStore()
  const library = betterAuth({
    baseURL: 'http://localhost',
    secret: 'only-for-this-test-0123456789abcdef',
    database: { db: store, type: 'postgres' },
    emailAndPassword: { enabled: true },
    user: { modelName: 'sign_in_user' },
    session: {
      modelName: 'sign_in_session',
      additionalFields: { tabletId: { type: 'string', required: false, input: false } },
    },
    account: { modelName: 'sign_in_account' },
    verification: { modelName: 'sign_in_verification' },
    rateLimit: { enabled: true, storage: 'database', modelName: 'sign_in_rate_limit' },
  })
  const { toBeCreated, toBeAdded } = await getMigrations(library.options)
  expect([toBeCreated, toBeAdded]).toEqual([[], []])
  await end()
})
