import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vitest/config'

export default defineConfig({
  resolve: { alias: { '@': fileURLToPath(new URL('.', import.meta.url)) } },
  test: {
    include: ['**/*.test.ts', '**/*.test.tsx'],
    exclude: ['node_modules', '.next', '.data', 'e2e'],
    globalSetup: ['store/testing/cluster.ts'],
    testTimeout: 60_000,
    hookTimeout: 60_000,
  },
})
