import type { NextConfig } from 'next'

const config: NextConfig = {
  poweredByHeader: false,
  reactStrictMode: true,
  typedRoutes: false,
  // Types and imports are checked by the lint and types steps of the tests, once.
  typescript: { ignoreBuildErrors: true },
  serverExternalPackages: ['pg', 'pino'],
}

export default config
