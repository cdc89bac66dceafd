import type { NextConfig } from 'next'

/** In another language than English each file is said in it before it is built (docs/languages.md). */
const inAnotherLanguage: NextConfig = {
  turbopack: {
    rules: {
      '*.{ts,tsx}': { condition: { not: 'foreign' }, loaders: ['./bin/build/sentences/loader.cjs'] },
    },
  },
  // What a builder keeps for the next build is kept in one language.
  experimental: { turbopackFileSystemCacheForBuild: false },
}

const config: NextConfig = {
  ...((process.env['ORTHODEX_LANGUAGE'] ?? 'en') !== 'en' && inAnotherLanguage),
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
  serverExternalPackages: ['pg', 'pino', 'nodemailer', 'prom-client'],
}

export default config
