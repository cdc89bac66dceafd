import { mergeConfig } from 'vitest/config'
import base from './vitest.config'

/** The tests of the core as a mutation run takes them: every property for half a second, so that one change is tried in seconds. */
const { projects: _, ...test } = base.test!
export default mergeConfig(
  { ...base, test },
  {
    test: {
      include: ['core/{kit,tension,machine,wear,fault,care,check,compute}/**/*.test.ts'],
      setupFiles: ['core/testing/brief-properties.ts'],
    },
  },
)
