/** Four digits that somebody taps at a room's tablet, where the whole room stands around: worth a little, so tried a few times only. */
export const PIN_DIGITS = 4

/** How long somebody may leave a tablet untouched before it falls asleep. */
export const TABLET_AWAKE_MINUTES = 5

/** What is wrong with a PIN, in words; undefined when nothing is. */
export function wrongWithPin(pin: string): string | undefined {
  if (!/^\d{4}$/.test(pin)) return 'Four digits'
  const digits = [...pin].map(Number)
  const steps = new Set(digits.slice(1).map((digit, index) => (digit - digits[index]! + 10) % 10))
  // 0000, 1234, 9876: what everybody tries first.
  if (steps.size === 1 && [0, 1, 9].includes([...steps][0]!)) return 'Not four alike, and not four in a row'
  return undefined
}
