import type { Metadata } from 'next'
import { Link } from '@/ui/parts/link'
import { may } from '@/core/wire/permission'
import { mustSee } from '../../../../_server/actor'
import { machinePage } from '../../../../_server/machine'
import { swatchProps } from '../../../../_server/seat'
import { SwatchReader } from '../../../../_parts/seat/swatch-reader'
import { DialUnknown } from '../../../../_parts/seat/dial-unknown'

export const metadata: Metadata = { title: 'Swatch' }

export default async function SwatchPage({ params }: { params: Promise<{ machine: string }> }) {
  const actor = await mustSee('see-book')
  const { machine, project, site } = await machinePage(actor.siteId, (await params).machine)
  const home = `/machines/${machine.machineId}`
  const props = await swatchProps(actor.siteId, machine, project)
  return (
    <>
      <p>
        <Link className="link" href={home}>
          {machine.name}
        </Link>
        {project && ` · ${project.learner}, ${project.name}`}
      </p>
      <h1 className="mb-3 text-3xl font-bold">Read a swatch</h1>
      {props ? (
        <SwatchReader
          {...props}
          role="staff"
          mayTurnScrew={may(actor.role, 'log:bobbin-screw-turned')}
          school={site.houseRules.tension}
          homeHref={home}
          faultHref={`${home}/fault`}
          curveHref={`${home}/curve`}
        />
      ) : (
        <DialUnknown name={machine.name} />
      )}
    </>
  )
}
