/** The day on which a moment falls where the venue stands, `YYYY-MM-DD`. */
export const dayIn = (moment: Date, timeZone: string): string =>
  new Intl.DateTimeFormat('en-CA', { timeZone, year: 'numeric', month: '2-digit', day: '2-digit' }).format(moment)
