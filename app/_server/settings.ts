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
  /** where letters go, and whose name they bear; undefined: none are sent */
  get mail() {
    const server = process.env['ORTHODEX_SMTP']
    return server ? { server, from: required('ORTHODEX_MAIL_FROM') } : undefined
  },
  /** lets a collector of metrics in; undefined: nobody */
  get metricsToken() {
    return process.env['ORTHODEX_METRICS_TOKEN'] || undefined
  },
  /** the line that news come by: a database's own address where {@link databaseUrl} is a pooler's */
  get listenUrl() {
    return process.env['ORTHODEX_LISTEN_URL'] || required('DATABASE_URL')
  },
  /** addresses under which people open it, such as https://room.example */
  get origins() {
    return required('ORTHODEX_ORIGIN')
      .split(/[\s,]+/)
      .filter(Boolean)
  },
}
