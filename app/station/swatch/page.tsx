import type { Metadata } from 'next'
import { redirect } from 'next/navigation'
import { dialSchool } from '@/core/people/progress'
import { rulesOfClass } from '@/core/room/class-settings'
import { readProgress } from '@/store/people/progress'
import { booksOf } from '../../_server/store'
import { DialUnknown } from '../../_parts/seat/dial-unknown'
import { SwatchReader } from '../../_parts/seat/swatch-reader'
import { swatchProps } from '../../_server/seat'
import { ownSeat } from '../../_server/station'

export const metadata: Metadata = { title: 'Swatch' }

export default async function StationSwatchPage() {
  const { actor, machine, project, site } = await ownSeat()
  if (!machine) redirect('/station')
  const [props, progress] = await Promise.all([
    swatchProps(actor.siteId, machine, project),
    readProgress(booksOf(actor.siteId), actor.siteId, actor.personId),
  ])
  return (
    <>
      <h1 className="mb-3 text-3xl font-bold">Read your swatch</h1>
      {props ? (
        <SwatchReader
          {...props}
          role="learner"
          mayTurnScrew={false}
          school={dialSchool(
            rulesOfClass(site.houseRules, project?.ofClass ?? {}).tension,
            progress.get(actor.personId),
            machine.traits.drive,
          )}
          homeHref="/station"
          faultHref="/station/fault"
        />
      ) : (
        <DialUnknown name={machine.name} />
      )}
    </>
  )
}
