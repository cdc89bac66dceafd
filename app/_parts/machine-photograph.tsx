import { photographedAt } from '@/store/machine/photographs'
import type { Site } from '@/store/site/site'
import { booksOf } from '../_server/store'

/** How a machine looks, where the venue keeps photographs and somebody took one. */
export async function MachinePhotograph(props: {
  site: Site
  machineId: string
  name: string
  className: string
  children?: (has: boolean) => React.ReactNode
}) {
  const { site, machineId, name, className, children } = props
  if (!site.settings.photographs) return null
  const at = await photographedAt(booksOf(site.siteId), site.siteId, machineId)
  return (
    <>
      {at && (
        <img
          src={`/api/machines/${machineId}/photograph?at=${at.getTime()}`}
          alt={`${name}, as it stands here`}
          className={`rounded border border-base-300 object-cover ${className}`}
        />
      )}
      {children?.(at !== undefined)}
    </>
  )
}
