import type { NextConfig } from 'next'

const config: NextConfig = {
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
