import { named } from '@/core/units/words'
import { Link } from '@/ui/parts/link'
import { TRAIT_NAMES } from '@/core/knowledge/machine/trait'
import type { ProvenMachine } from '@/store/machine/machines'
import type { Site } from '@/store/site/site'
import { BobbinDrawing } from '@/ui/drawings/bobbin'
import { NeedlePlan } from '@/ui/drawings/needle'
import { MachinePhotograph } from '../../../_parts/machine-photograph'
import { TakePhotograph } from './take-photograph'

/** What a machine is: its note, how it looks, its way of the needle and the bobbin, and the rest of its traits a tap away. */
export function Card({ machine, site, maySet }: { machine: ProvenMachine; site: Site; maySet: boolean }) {
  const { traits } = machine
  const base = `/machines/${machine.machineId}`
  const unchecked = TRAIT_NAMES.filter((name) => machine.proofs[name]?.source === 'template').length
  return (
    <section className="sheet p-5" aria-labelledby="card">
      <h2 id="card" className="text-xl font-bold">
        Card
      </h2>
      {machine.notes && <p className="mt-1">{machine.notes}</p>}
      <MachinePhotograph site={site} machineId={machine.machineId} name={machine.name} className="mt-3 max-h-72 w-full">
        {(has) => maySet && <TakePhotograph machineId={machine.machineId} has={has} />}
      </MachinePhotograph>
      <div className="mt-3 flex flex-wrap items-end gap-6">
        <figure className="w-28">
          <NeedlePlan way={traits} />
          <figcaption className="text-center text-sm">
            {traits.shankFlat === 'round'
              ? 'round shank'
              : traits.shankFlat
                ? `flat ${named(traits.shankFlat)}`
                : 'flat: not known'}
          </figcaption>
        </figure>
        {traits.bobbinRuns && (
          <figure className="w-28">
            <BobbinDrawing runs={traits.bobbinRuns} />
            <figcaption className="text-center text-sm">bobbin like a {traits.bobbinRuns}</figcaption>
          </figure>
        )}
      </div>
      <p>
        <Link className="link" href={`${base}/print`}>
          Print its card
        </Link>
      </p>
      {unchecked > 0 && (
        <p className="mt-2 border-l-4 border-warning pl-3">
          {unchecked} of its traits come from a template and are not checked at this machine yet.
        </p>
      )}
      <p>
        <Link className="link" href={`${base}/traits`}>
          {maySet ? 'Answer or change a trait' : 'All its traits'}
        </Link>
      </p>
      <p className="mt-3 text-sm">The machine’s manual wins over everything written here.</p>
    </section>
  )
}
