import { randomBytes } from 'node:crypto'
import { connect } from '@/store/connect'
import { migrate } from '@/store/migrate'
import { createSite } from '@/store/site/create-site'

const [name, code, timeZone, person, email] = process.argv.slice(2)
const fault =
  !name || !code || !timeZone || !person || !email
    ? 'usage: DATABASE_URL=… bin/venue NAME CODE TIME-ZONE YOUR-NAME YOUR-ADDRESS'
    : !process.env['DATABASE_URL']
      ? 'orthodex: set DATABASE_URL: a PostgreSQL connection string'
      : !/^[a-z]{3,12}$/.test(code)
        ? 'orthodex: CODE is 3 to 12 small letters; it begins every class code'
        : !Intl.supportedValuesOf('timeZone').includes(timeZone)
          ? 'orthodex: TIME-ZONE is a name such as Europe/London'
          : undefined

if (fault) {
  console.error(fault)
  process.exitCode = 2
} else {
  const store = connect(process.env['DATABASE_URL']!)
  const password = randomBytes(12).toString('base64url')
  try {
    await migrate(store)
    await store
      .transaction()
      .execute((tx) =>
        createSite(tx, { name: name!, code: code!, timeZone: timeZone! }, { name: person!, email: email!, password }),
      )
    console.log(`${name} is made. ${person} signs in as ${email} with the password  ${password}`)
  } catch (error) {
    const taken = error instanceof Error && 'code' in error && error.code === '23505'
    console.error(
      taken ? 'orthodex: that code or address is taken already; nothing was made' : `orthodex: ${String(error)}`,
    )
    process.exitCode = 1
  } finally {
    await store.destroy()
  }
}
