import { createHash } from 'node:crypto'
import { existsSync, statSync } from 'node:fs'
import { dirname, join } from 'node:path'

/** Whether everybody may pass through a folder and all above it: as root, the postgres user has to. */
const reachable = (folder: string): boolean => {
  for (let at = folder; ; at = dirname(at)) {
    if (existsSync(at) && (statSync(at).mode & 0o001) === 0) return false
    if (at === dirname(at)) return true
  }
}

/** Where this checkout keeps its private PostgreSQL: `ORTHODEX_DATA`, else `.data` here, else a folder of its own in /var/lib. */
export function dataFolder(project: string): string {
  const asked = process.env['ORTHODEX_DATA']
  if (asked) return asked
  const here = join(project, '.data')
  if (process.getuid?.() !== 0 || reachable(project)) return here
  return `/var/lib/orthodex-${createHash('sha256').update(project).digest('hex').slice(0, 8)}`
}
