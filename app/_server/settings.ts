import 'server-only'

const required = (name: string): string => {
  const value = process.env[name]
  if (!value) throw new Error(`${name} is not set; start with bin/start, which says what it needs`)
  return value
}

/** What the application is told by its environment; it keeps no state of its own. */
export const settings = {
  get databaseUrl() {
    return required('DATABASE_URL')
  },
  get secret() {
    return required('ORTHODEX_SECRET')
  },
  /** addresses under which people open it, such as https://room.example */
  get origins() {
    return required('ORTHODEX_ORIGIN')
      .split(/[\s,]+/)
      .filter(Boolean)
  },
}
