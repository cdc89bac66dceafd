import { reachWith } from './reach'

/**
 * Sends what somebody changes about their own sign-in. `undone`: the server was away or busy, or something else answered in its place.
 * @param path below `/api/sign-in/`
 */
export async function sendOfSignIn(path: string, body: object): Promise<'done' | 'refused' | 'undone'> {
  try {
    const response = await reachWith(`/api/sign-in/${path}`, body)
    const said: unknown = await response.json()
    if (said === null || typeof said !== 'object') return 'undone'
    if (response.ok) return 'done'
    return response.status === 400 || response.status === 401 ? 'refused' : 'undone'
  } catch {
    return 'undone'
  }
}

export const UNDONE = 'That did not work; try again in a moment'
