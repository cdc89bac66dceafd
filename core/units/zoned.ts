/** One formatter a zone: making one costs a thousand times what using it does, and a page has hundreds of moments. */
export function zoned(locale: string, options: Intl.DateTimeFormatOptions): (timeZone: string) => Intl.DateTimeFormat {
  const made = new Map<string, Intl.DateTimeFormat>()
  return (timeZone) => {
    const known = made.get(timeZone)
    if (known) return known
    const format = new Intl.DateTimeFormat(locale, { ...options, timeZone })
    made.set(timeZone, format)
    return format
  }
}
