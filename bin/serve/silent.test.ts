import { spawn, type ChildProcess } from 'node:child_process'
import { once } from 'node:events'
import { afterEach, expect, it } from 'vitest'
import { endedWhenSilent } from './silent'

const SERVER = `require('http').createServer((_, answer) => { answer.statusCode = 503; answer.end() })
  .listen(0, '127.0.0.1', function () { console.log(this.address().port) })`

let server: ChildProcess
afterEach(() => server.kill('SIGKILL'))

const started = async (): Promise<string> => {
  server = spawn(process.execPath, ['-e', SERVER], { stdio: ['ignore', 'pipe', 'inherit'] })
  const [port] = (await once(server.stdout!, 'data')) as [Buffer]
  return `http://127.0.0.1:${Number(port)}/`
}

it('ends a server that answers nothing, and leaves one alone that answers anything', async () => {
  const url = await started()
  endedWhenSilent(server, url, { everyMs: 200, times: 5 })
  await new Promise((resolve) => setTimeout(resolve, 2500))
  expect(server.exitCode ?? server.signalCode).toBeNull()
  const ended = once(server, 'exit')
  server.kill('SIGSTOP')
  expect(await ended).toEqual([null, 'SIGKILL'])
})
