import type { Static } from 'typebox'
import type { TestThreadsSchema, VenueSettingsSchema } from './venue-settings-schema'

/** 0 is Sunday. */
export const WEEK_DAYS = ['Sunday', 'Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday'] as const

/** A shorter time would take people away between two terms. */
export const SHORTEST_RETENTION_MONTHS = 3

/** The two colours in which test swatches are sewn: one above, one below. */
export type TestThreads = Static<typeof TestThreadsSchema>

/** Dark blue above, light orange below. */
export const ORDINARY_TEST_THREADS: TestThreads = { top: '#22406b', bobbin: '#d97a2b' }

/** A logo is made as small as paper needs it before it is sent. */
export const LOGO_MOST_LETTERS = 28_000

/** What a venue says of itself besides its name and clock. */
export type VenueSettings = Static<typeof VenueSettingsSchema>

export const DEFAULT_VENUE_SETTINGS: VenueSettings = { weekStartsOn: 1, openDays: [0, 1, 2, 3, 4, 5, 6] }
