import { randomUUID } from 'node:crypto'
import pg from 'pg'
import { inject } from 'vitest'
import { connect, type Store } from '../connect'

/** A fresh, migrated database of the test's own, dropped by `end`. */
export async function freshStore(): Promise<{ store: Store; url: string; end: () => Promise<void> }> {
  const templateUrl = inject('templateUrl')
  const name = `test_${randomUUID().replaceAll('-', '')}`
  const ask = async (statement: string) => {
    const client = new pg.Client({ connectionString: templateUrl.replace(/\/template$/, '/postgres') })
    await client.connect()
    await client.query(statement)
    await client.end()
  }
  await ask(`create database ${name} template template`)
  const url = templateUrl.replace(/\/template$/, `/${name}`)
  const store = connect(url)
  return {
    store,
    url,
    end: async () => {
      await store.destroy()
      await ask(`drop database ${name} with (force)`)
    },
  }
}
