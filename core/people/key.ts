/** What a key opens; it opens nothing else. */
export const KEY_PURPOSES = ['care-feed', 'run-meter', 'room-tablet'] as const
export type KeyPurpose = (typeof KEY_PURPOSES)[number]
export const KEY_WORDS: Readonly<Record<KeyPurpose, string>> = {
  'care-feed': 'calendar of care',
  'run-meter': 'run meter of a machine',
  'room-tablet': 'tablet of the room',
}
