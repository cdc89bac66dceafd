import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vitest/config'

export default defineConfig({
  resolve: {
    alias: {
      '@': fileURLToPath(new URL('.', import.meta.url)),
      // The marker that keeps a module out of the browser; a test is no browser.
      'server-only': fileURLToPath(new URL('node_modules/server-only/empty.js', import.meta.url)),
    },
  },
  test: {
    include: ['**/*.test.ts', '**/*.test.tsx'],
    exclude: ['node_modules', '.next', '.data', 'e2e'],
    globalSetup: ['bin/serve/test-cluster.ts'],
    env: { ORTHODEX_LOG: 'silent' },
    testTimeout: 60_000,
    hookTimeout: 60_000,
  },
})
