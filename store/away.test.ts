import { expect, it } from 'vitest'
import { databaseAway } from './away'

const fault = (message: string, code?: string, cause?: unknown) =>
  Object.assign(new Error(message, { cause }), code !== undefined && { code })

it('a database that is away is told from a fault, by whatever it says', () => {
  for (const code of ['08006', '53100', '53300', '57P01', '57P02', '57P03', '58030', '57014', '25006', 'ECONNREFUSED'])
    expect(databaseAway(fault('whatever', code)), code).toMatchObject({ status: 503, code: 'away' })
  expect(databaseAway(fault('database "room" is not currently accepting connections', '55000'))?.code).toBe('away')
  expect(databaseAway(fault('locked', '55P03'))?.code).toBe('busy')
  for (const code of ['23505', '42P01', '55000', '5', '', undefined])
    expect(databaseAway(fault('whatever', code)), code).toBeUndefined()
  expect(databaseAway('57P01')).toBeUndefined()
})

it('and through a library that asks it for us', () => {
  const wrapped = fault('Failed to get session', undefined, fault('the system is starting up', '57P03'))
  expect(databaseAway(wrapped)?.code).toBe('away')
  expect(databaseAway(fault('outermost', '500', wrapped))?.code).toBe('away')
  expect(databaseAway(fault('Failed to get session', undefined, new TypeError('ours')))).toBeUndefined()
})
