import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vitest/config'

/** What needs nothing but Node: fast enough to be run all the time. */
const PURE = ['core', 'ui', 'stand-ins', 'workers']
/** What draws and reads photographs of millions of pixels: as pure, but nothing to wait for before each commit. */
const PHOTOGRAPHS = [
  'core/picture/swatch-scene.test.ts',
  'stand-ins/drawn-photograph.test.ts',
  'workers/tag-finder.test.ts',
]
const testsIn = (...rooms: readonly string[]) => rooms.map((room) => `${room}/**/*.test.{ts,tsx}`)

export default defineConfig({
  resolve: {
    alias: {
      '@': fileURLToPath(new URL('.', import.meta.url)),
      // The marker that keeps a module out of the browser; a test is no browser.
      'server-only': fileURLToPath(new URL('node_modules/server-only/empty.js', import.meta.url)),
    },
  },
  test: {
    env: { ORTHODEX_LOG: 'silent' },
    // A guard against hanging, not a measure: no machine is so slow.
    testTimeout: 180_000,
    hookTimeout: 180_000,
    // One for each core: by default one core is left idle, which on two is half of them.
    maxWorkers: '100%',
    projects: [
      {
        extends: true,
        test: { name: 'core', include: testsIn(...PURE), exclude: PHOTOGRAPHS, pool: 'threads', isolate: false },
      },
      { extends: true, test: { name: 'photographs', include: PHOTOGRAPHS, pool: 'threads', isolate: false } },
      {
        extends: true,
        test: {
          name: 'store',
          // Each file has a database of its own; what is imported may be the same.
          isolate: false,
          include: testsIn('store', 'practice', 'app', 'bin'),
          globalSetup: ['bin/serve/test-cluster.ts'],
        },
      },
    ],
  },
})
