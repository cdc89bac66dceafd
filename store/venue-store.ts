import {
  Kysely,
  PostgresAdapter,
  PostgresDriver,
  PostgresIntrospector,
  PostgresQueryCompiler,
  type Driver,
} from 'kysely'
import type pg from 'pg'
import type { Database } from './database'
import { SiteWall } from './site-wall'
import { PageDriver, VenueDriver } from './venue-driver'

const MOST_VENUES = 1_000

/** Every venue's books on one pool of connections, or what one venue has of them. */
export class Store extends Kysely<Database> {
  readonly #pool: pg.Pool
  readonly #venues: Map<string, Store>

  constructor(
    pool: pg.Pool,
    driver: () => Driver = () => new PostgresDriver({ pool }),
    venues = new Map<string, Store>(),
  ) {
    super({
      dialect: {
        createAdapter: () => new PostgresAdapter(),
        createDriver: driver,
        createIntrospector: (db) => new PostgresIntrospector(db),
        createQueryCompiler: () => new PostgresQueryCompiler(),
      },
      plugins: [new SiteWall()],
    })
    this.#pool = pool
    this.#venues = venues
  }

  /** The store as one venue has it: of another's rows PostgreSQL itself shows none and takes none, whatever a query says. */
  ofVenue(siteId: string): Store {
    const before = this.#venues.get(siteId)
    if (before) return before
    if (this.#venues.size >= MOST_VENUES) this.#venues.clear()
    const pool = this.#pool
    const own = new Store(pool, () => new VenueDriver(pool, siteId), this.#venues)
    this.#venues.set(siteId, own)
    return own
  }

  /** What one venue has of it for one page: it reads, and nothing else. */
  forPageOf(siteId: string): Store {
    return new Store(this.#pool, () => new PageDriver(this.#pool, siteId), this.#venues)
  }
}
