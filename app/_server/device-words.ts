const SYSTEMS = [
  [/iphone|ipad/i, 'a phone or tablet'],
  [/android.*mobile/i, 'a phone'],
  [/android/i, 'a tablet'],
  [/windows|macintosh|linux|cros/i, 'a computer'],
] as const

/** What kind of device a browser says it is on; no more is told of it. */
export const deviceWords = (userAgent: string): string =>
  SYSTEMS.find(([pattern]) => pattern.test(userAgent))?.[1] ?? 'some device'
