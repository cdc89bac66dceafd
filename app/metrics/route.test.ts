import { afterEach, expect, it, vi } from 'vitest'
import { answering } from '../_server/answer'
import { countWrite } from '../_server/metrics'
import { GET } from './route'

const ask = (authorization?: string) =>
  GET(new Request('https://room.example/metrics', authorization ? { headers: { authorization } } : {}))
afterEach(() => vi.unstubAllEnvs())

it('is no page at all until a token is set', async () => {
  vi.stubEnv('ORTHODEX_METRICS_TOKEN', '')
  expect((await ask('Bearer ')).status).toBe(404)
})

it('opens to the token alone', async () => {
  vi.stubEnv('ORTHODEX_METRICS_TOKEN', 'a-token-of-the-watcher')
  expect((await ask()).status).toBe(401)
  expect((await ask('Bearer a-token-of-the-watche')).status).toBe(401)
  expect((await ask('Bearer a-token-of-the-watcher')).status).toBe(200)
})

it('counts answers by door and status, and writes by name, and names nobody', async () => {
  vi.stubEnv('ORTHODEX_METRICS_TOKEN', 'a-token-of-the-watcher')
  const secret = 'a-secret-of-a-calendar'
  await answering(new Request(`https://room.example/api/care/${secret}.ics?who=Ida`), () => Promise.resolve({}))
  countWrite('log')
  const text = await (await ask('Bearer a-token-of-the-watcher')).text()
  expect(text).toMatch(/orthodex_answer_seconds_count\{door="\/api\/care",status="200"\} 1/)
  expect(text).toMatch(/orthodex_writes_total\{command="log"\} 1/)
  expect(text).toMatch(/process_resident_memory_bytes \d/)
  expect(text).not.toContain(secret)
  expect(text).not.toContain('Ida')
})
