import { reachWith } from './reach'

/** Signs in with what was just chosen and goes on there; where that fails the sign-in page says why. */
export async function signInAs(email: string, password: string, then: string): Promise<void> {
  const response = await reachWith('/api/sign-in/sign-in/email', { email, password }).catch(() => undefined)
  window.location.assign(response?.ok ? then : '/sign-in')
}
