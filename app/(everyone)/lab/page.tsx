import type { Metadata } from 'next'
import { completeFabric } from '@/core/fabric/intake'
import { NAMED_FABRICS } from '@/core/knowledge/cloth/named-fabric'
import { may } from '@/core/wire/permission'
import { readMachines } from '@/store/machine/machines'
import { mustSee } from '../../_server/actor'
import { booksOf } from '../../_server/store'
import { shownCloth } from '@/core/picture/swatch-scene'
import { LabNav } from './lab-nav'
import { Lab } from './lab'

export const metadata: Metadata = { title: 'Swatch lab' }

/** A dial to begin with in a room whose machines' dials nobody has written down. */
const ORDINARY = { name: 'an ordinary dial', dial: { min: 0, max: 9, normal: 4, step: 0.5 } }

export default async function LabPage() {
  const actor = await mustSee('see-lab')
  const machines = await readMachines(booksOf(actor.siteId), actor.siteId)
  const dials = machines.flatMap(({ name, traits }) => (traits.tensionDial ? [{ name, dial: traits.tensionDial }] : []))
  return (
    <>
      <LabNav here="/lab" mayProgress={may(actor.role, 'see-progress')} />
      <Lab
        dials={dials.length > 0 ? dials : [ORDINARY]}
        cloths={NAMED_FABRICS.map((named) => {
          const { name, structure, traits = [] } = named
          const { massGsm, thicknessMm } = completeFabric(named)
          return {
            ...shownCloth({ structure, traits, massGsm }),
            name,
            massGsm,
            thicknessMm,
            dense: traits.includes('dense'),
          }
        })}
      />
    </>
  )
}
