import { PassThrough } from 'node:stream'
import pino from 'pino'
import { expect, it } from 'vitest'
import { JOURNAL } from './journal'

it('the journal keeps what went wrong and not whose name it was', () => {
  const stream = new PassThrough()
  const error = Object.assign(new Error('duplicate key value violates unique constraint "person_name"'), {
    code: '23505',
    detail: 'Key (name)=(Wilhelmina) already exists.',
  })
  pino({ ...JOURNAL, level: 'info' }, stream).error(error, 'a request failed')
  const said = String(stream.read())
  expect(JSON.parse(said)).toMatchObject({ msg: 'a request failed', err: { code: '23505' } })
  expect(said).not.toContain('Wilhelmina')
})
