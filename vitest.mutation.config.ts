import { mergeConfig } from 'vitest/config'
import base from './vitest.config'

/** The tests of the core as a mutation run takes them: every property for half a second, so that one change is tried in seconds. */
const { projects: _, ...test } = base.test!
export default mergeConfig(
  { ...base, test },
  {
    test: {
      // A room's own tests: what only others notice is noticed too far away. ORTHODEX_ROOM names the room.
      include: [`core/${process.env['ORTHODEX_ROOM'] ?? '{kit,tension,machine,wear,fault}'}/**/*.test.ts`],
      setupFiles: ['core/testing/brief-properties.ts'],
    },
  },
)
