import { existsSync } from 'node:fs'

/** Debian's browser; where it stands in a package without a window of its own, that one: it costs a machine less. */
const PLACES = ['/usr/bin/chromium-headless-shell', '/usr/bin/chromium']

export const CHROMIUM: string = process.env['CHROMIUM'] ?? PLACES.find((place) => existsSync(place)) ?? PLACES[0]!
