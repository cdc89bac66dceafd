import { reach, reachWith } from '@/ui/reach'

const BASE = '/api/sign-in/passkey'

/** Browsers keep passkeys only for a place with a name, reached by a closed line. */
export const passkeysWorkHere = (): boolean =>
  window.isSecureContext && 'PublicKeyCredential' in window && !/^[\d.]+$|:/.test(location.hostname)

const AWAY = 'The room’s server cannot be reached. Try again in a moment.'
const UNDONE = 'Nothing was done: the device was not asked to the end. Try again.'

/** @returns what went wrong, in words; undefined where all went well */
type Outcome = Promise<string | undefined>

async function answerOf(asked: Promise<Response>): Promise<unknown> {
  const response = await asked
  const answer = (await response.json().catch(() => ({}))) as { readonly code?: string; readonly message?: string }
  if (response.ok) return answer
  if (response.status === 429) throw new Error('Too many tries. Wait a minute, then try again.')
  throw new Error(WORDS[answer.code ?? ''] ?? answer.message ?? 'That did not work.')
}

const WORDS: Readonly<Record<string, string>> = {
  PASSKEY_NOT_FOUND: 'That passkey opens nothing here any more. Sign in with your password.',
  CHALLENGE_NOT_FOUND: 'That took too long. Try again.',
}

const post = (path: string, body: object): Promise<Response> => reachWith(`${BASE}/${path}`, body)

async function inWords(work: () => Promise<void>): Outcome {
  try {
    await work()
    return undefined
  } catch (error) {
    if (error instanceof TypeError || (error as Error).name === 'TimeoutError') return AWAY
    // What the browser itself says of a finger that was not shown is no sentence for anybody.
    const name = (error as Error).name
    if (name === 'InvalidStateError') return 'This device keeps a passkey for you already.'
    return name === 'Error' ? (error as Error).message : UNDONE
  }
}

/** Makes a passkey on this device and has the server know it. */
export const addPasskey = (name: string): Outcome =>
  inWords(async () => {
    const { startRegistration } = await import('@simplewebauthn/browser')
    const options = await answerOf(reach(`${BASE}/generate-register-options`))
    const response = await startRegistration({
      optionsJSON: options as Parameters<typeof startRegistration>[0]['optionsJSON'],
    })
    await answerOf(post('verify-registration', { response, name }))
  })

export const signInByPasskey = (): Outcome =>
  inWords(async () => {
    const { startAuthentication } = await import('@simplewebauthn/browser')
    const options = await answerOf(reach(`${BASE}/generate-authenticate-options`))
    const response = await startAuthentication({
      optionsJSON: options as Parameters<typeof startAuthentication>[0]['optionsJSON'],
    })
    await answerOf(post('verify-authentication', { response }))
  })

export const takePasskeyAway = (id: string): Outcome =>
  inWords(async () => {
    await answerOf(post('delete-passkey', { id }))
  })
