import {
  CompiledQuery,
  PostgresDriver,
  type DatabaseConnection,
  type Driver,
  type QueryResult,
  type TransactionSettings,
} from 'kysely'
import type pg from 'pg'
import { VENUE_ROLE, VENUE_SETTING } from './row-wall'

/** a connection that the pool gave */
type Held = Parameters<PostgresDriver['releaseConnection']>[0]
const VENUE_ID = /^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/i

/**
 * Whatever is asked of one venue runs in a transaction that names it, a single question too: a setting that outlives its
 * transaction would go to whoever is given that connection next by a pooler. Naming it costs no trip of its own: it goes with the
 * `begin`.
 */
export class VenueDriver extends PostgresDriver {
  readonly #begin: CompiledQuery
  readonly #open = new WeakSet<DatabaseConnection>()

  constructor(pool: pg.Pool, siteId: string, mode: '' | ' read only' = '') {
    super({ pool })
    if (!VENUE_ID.test(siteId)) throw new Error(`"${siteId}" is no venue's id`)
    this.#begin = CompiledQuery.raw(
      `begin${mode}; set local role ${VENUE_ROLE}; set local ${VENUE_SETTING} = '${siteId.toLowerCase()}'`,
    )
  }

  override async acquireConnection(): Promise<DatabaseConnection> {
    const connection = await super.acquireConnection()
    try {
      await connection.executeQuery(this.#begin)
      this.#open.add(connection)
      return connection
    } catch (error) {
      await connection.executeQuery(CompiledQuery.raw('rollback')).catch(() => {})
      await super.releaseConnection(connection as Held)
      throw error
    }
  }

  /** It stands already. */
  override async beginTransaction(connection: DatabaseConnection, { isolationLevel }: TransactionSettings) {
    if (isolationLevel)
      await connection.executeQuery(CompiledQuery.raw(`set transaction isolation level ${isolationLevel}`))
  }

  override async commitTransaction(connection: DatabaseConnection): Promise<void> {
    this.#open.delete(connection)
    await super.commitTransaction(connection)
  }

  override async rollbackTransaction(connection: DatabaseConnection): Promise<void> {
    this.#open.delete(connection)
    await super.rollbackTransaction(connection)
  }

  /** Whoever asked one question is answered when it is committed, as without a transaction of its own. */
  override async releaseConnection(connection: Held): Promise<void> {
    try {
      if (this.#open.has(connection)) await this.commitTransaction(connection)
    } finally {
      await super.releaseConnection(connection)
    }
  }

  /** The pool belongs to the store of every venue. */
  override destroy(): Promise<void> {
    return Promise.resolve()
  }
}

/** One connection in one transaction, asked by all of a page at the same time: the questions go out together and are answered in turn. */
class Reading implements DatabaseConnection {
  readonly #connection: Promise<DatabaseConnection>
  readers = 0
  /** PostgreSQL answers nothing more in a transaction in which something failed. */
  failed = false
  ended = false

  constructor(connection: Promise<DatabaseConnection>) {
    this.#connection = connection
  }

  async executeQuery<Row>(query: CompiledQuery): Promise<QueryResult<Row>> {
    try {
      return await (await this.#connection).executeQuery<Row>(query)
    } catch (error) {
      this.failed = true
      throw error
    }
  }

  streamQuery(): never {
    throw new Error('What one page reads is not streamed')
  }

  async end(driver: VenueDriver): Promise<void> {
    await driver.releaseConnection((await this.#connection) as Held)
  }
}

/**
 * For one page, which asks a dozen things at once and writes nothing: they share a connection and a transaction, so that naming the
 * venue costs a page two short trips and not each question two. Made for one page alone; the failure of one is nobody else's.
 */
export class PageDriver implements Driver {
  readonly #driver: VenueDriver
  #reading: Reading | undefined

  constructor(pool: pg.Pool, siteId: string) {
    this.#driver = new VenueDriver(pool, siteId, ' read only')
  }

  init(): Promise<void> {
    return this.#driver.init()
  }

  async acquireConnection(): Promise<Reading> {
    if (!this.#reading || this.#reading.failed) this.#reading = new Reading(this.#driver.acquireConnection())
    const reading = this.#reading
    reading.readers += 1
    return Promise.resolve(reading)
  }

  /** What a page asks next, it mostly asks at once. */
  releaseConnection(reading: Reading): Promise<void> {
    reading.readers -= 1
    setImmediate(() => {
      if (reading.readers > 0 || reading.ended) return
      reading.ended = true
      if (this.#reading === reading) this.#reading = undefined
      reading.end(this.#driver).catch(() => {})
    })
    return Promise.resolve()
  }

  beginTransaction(): never {
    throw new Error('A page only reads')
  }
  commitTransaction(): never {
    throw new Error('A page only reads')
  }
  rollbackTransaction(): never {
    throw new Error('A page only reads')
  }
  destroy(): Promise<void> {
    return Promise.resolve()
  }
}
