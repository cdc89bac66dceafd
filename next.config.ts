import type { NextConfig } from 'next'

/** In another language than English each file is said in it before it is built (docs/languages.md). */
const isForeign = (process.env['ORTHODEX_LANGUAGE'] ?? 'en') !== 'en'
const saidInIt: NextConfig['turbopack'] = {
  rules: {
    '*.{ts,tsx}': { condition: { not: 'foreign' }, loaders: ['./bin/build/sentences/loader.cjs'] },
  },
}

const config: NextConfig = {
  ...(isForeign && { turbopack: saidInIt }),
  // By chance it would be another on each machine that builds the same sources: a page from one copy would be loaded whole, and what is
  // typed in it lost, whenever another copy answers.
  generateBuildId: () => process.env['ORTHODEX_BUILD'] ?? null,
  env: { ORTHODEX_BUILD: process.env['ORTHODEX_BUILD'] ?? '' },
  poweredByHeader: false,
  reactStrictMode: true,
  typedRoutes: false,
  // Types and imports are checked by the lint and types steps of the tests, once.
  typescript: { ignoreBuildErrors: true },
  headers: () =>
    Promise.resolve([
      {
        source: '/api/:path*',
        headers: [
          { key: 'content-security-policy', value: "default-src 'none'; frame-ancestors 'none'" },
          { key: 'x-content-type-options', value: 'nosniff' },
          { key: 'referrer-policy', value: 'same-origin' },
          // Answers name people: no proxy and no browser keeps them.
          { key: 'cache-control', value: 'no-store' },
        ],
      },
    ]),
  experimental: {
    // It does not say that its parts stand alone: an eighth of each page's script would be builders that nobody asks for.
    optimizePackageImports: ['typebox'],
    // What a builder keeps for the next build is kept in one language.
    ...(isForeign && { turbopackFileSystemCacheForBuild: false }),
  },
  serverExternalPackages: ['pg', 'pino', 'nodemailer', 'prom-client'],
}

export default config
