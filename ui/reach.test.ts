import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { ask, askLines, sendEntry } from './ask'
import { sendOfSignIn } from './of-sign-in'
import { reach } from './reach'
import { send } from './write'

/** A network that is there and carries nothing: what is asked is never answered, and never refused. */
const silent = (_: string, { signal }: RequestInit) =>
  new Promise<Response>((_, reject) => {
    const over = () => reject(signal!.reason as Error)
    if (signal!.aborted) over()
    signal!.addEventListener('abort', over)
  })

beforeEach(() => void vi.stubGlobal('fetch', vi.fn(silent)))
afterEach(() => {
  vi.unstubAllGlobals()
  vi.restoreAllMocks()
})

describe('a server that does not answer', () => {
  it('is given up in time, or when whoever asked stops', async () => {
    await expect(reach('/x', {}, 20)).rejects.toMatchObject({ name: 'TimeoutError' })
    const over = new AbortController()
    const asked = reach('/x', { signal: over.signal })
    over.abort()
    await expect(asked).rejects.toMatchObject({ name: 'AbortError' })
  })

  it('is said to be away by whatever asks it', async () => {
    const late = vi.spyOn(AbortSignal, 'timeout')
    late.mockImplementation(() => AbortSignal.abort(new DOMException('late', 'TimeoutError')))
    vi.stubGlobal('navigator', { onLine: false })
    expect(await sendOfSignIn('sign-out', {})).toBe('undone')
    expect(await sendEntry('forgotten', { email: 'ada@room.example' })).toMatchObject({ ok: false })
    expect(await ask('ready-planner')).toMatchObject({ ok: false, error: { code: 'away' } })
    expect(await askLines('plan-course', { at: { course: 'x' }, body: {} }, () => {})).toMatchObject({ code: 'away' })
    expect(await send('oil-up' as never, {} as never)).toMatchObject({ ok: false, error: { code: 'away' } })
    expect(late).toHaveBeenCalledTimes(5)
  })
})
