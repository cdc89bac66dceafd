import { afterEach, expect, it, vi } from 'vitest'
import { sendOfSignIn } from './of-sign-in'

afterEach(() => vi.unstubAllGlobals())

it.each([
  ['done', Response.json({ success: true })],
  ['refused', Response.json({ code: 'wrong-password' }, { status: 401 })],
  ['refused', Response.json({ code: 'INVALID_PASSWORD' }, { status: 400 })],
  ['undone', new Response('<h1>Welcome to our guest network</h1>')],
  ['undone', new Response('<h1>Bad gateway</h1>', { status: 502 })],
  ['undone', Response.json({ error: { code: 'away' } }, { status: 503 })],
  ['undone', Response.json({ message: 'Too many' }, { status: 429 })],
  ['undone', new TypeError('the network is away')],
] as const)('what somebody changes about their sign-in is %s only when the room says so (%#)', async (is, answer) => {
  vi.stubGlobal('fetch', () => (answer instanceof Error ? Promise.reject(answer) : Promise.resolve(answer)))
  expect(await sendOfSignIn('pin', {})).toBe(is)
})
