/** What a key opens; it opens nothing else. */
export const KEY_PURPOSES = ['care-feed', 'run-meter', 'room-tablet'] as const
export type KeyPurpose = (typeof KEY_PURPOSES)[number]
export const KEY_WORDS: Readonly<Record<KeyPurpose, string>> = {
  'care-feed': 'calendar of care',
  'run-meter': 'run meter of a machine',
  'room-tablet': 'tablet of the room',
}

/** Any calendar that still subscribes asks at least once a day. */
const QUIET_DAYS = 3

/** Whether whoever looks into the calendar that this key was made for is told of nothing any more, or never was. Moments in ISO. */
export const asksNoMore = (
  {
    purpose,
    madeAt,
    usedAt = madeAt,
  }: { readonly purpose: KeyPurpose; readonly madeAt: string; readonly usedAt?: string },
  now: string,
): boolean => purpose === 'care-feed' && Date.parse(now) - Date.parse(usedAt) > QUIET_DAYS * 24 * 3_600_000
