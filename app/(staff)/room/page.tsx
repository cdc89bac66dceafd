import type { Metadata } from 'next'
import Link from 'next/link'
import { may } from '@/core/people/role'
import { plain } from '@/core/knowledge/rule'
import { standingOf, type MachineStanding } from '@/core/machine/standing'
import { readMachines, type Machine } from '@/store/machine/machines'
import { readSitters } from '@/store/project/projects'
import { siteOf } from '../../_server/site'
import { RoomPlan, type PlanMachine } from '@/ui/drawings/room-plan'
import { StandingMark } from '@/ui/drawings/standing-mark'
import { hoursWords, shortNeedle } from '@/ui/words'
import { mustSee } from '../../_server/actor'
import { theStore } from '../../_server/store'

export const metadata: Metadata = { title: 'Room' }

export default async function RoomPage() {
  const actor = await mustSee('see-room')
  const store = theStore()
  const [machines, site, sitters] = await Promise.all([
    readMachines(store, actor.siteId, { traits: ['drive', 'spoolPin'] }),
    siteOf(actor.siteId),
    readSitters(store, actor.siteId),
  ])
  const rules = site.houseRules.needle
  const now = new Date().toISOString()
  const plan = machines.map((machine) =>
    planned(machine, standingOf(machine.state, rules, now), rules.lifeHours, sitters.get(machine.machineId) ?? ''),
  )
  const count = (standing: PlanMachine['standing']) => plan.filter((machine) => machine.standing === standing).length

  return (
    <>
      <div className="mb-4 flex flex-wrap items-end gap-x-8 gap-y-2">
        <h1 className="text-3xl font-bold">Room</h1>
        {plan.length > 0 && (
          <ul className="flex flex-wrap gap-6 text-lg">
            {(['ready', 'due', 'stopped'] as const).map((standing) => (
              <li key={standing} className="flex items-center gap-2">
                <span className="numeral text-2xl">{count(standing)}</span>
                <StandingMark standing={standing} />
              </li>
            ))}
          </ul>
        )}
        <nav aria-label="Room" className="ml-auto flex flex-wrap gap-2">
          {plan.length > 0 && (
            <Link href="/room/before" className="btn btn-primary min-h-11">
              Before class
            </Link>
          )}
          {may(actor.role, 'add-machine') && (
            <Link href="/machines/new" className="btn btn-outline min-h-11">
              Add a machine
            </Link>
          )}
        </nav>
      </div>
      {plan.length === 0 ? (
        <section className="sheet p-8 text-lg">
          <h2 className="text-2xl font-bold">No machine stands here yet</h2>
          <p className="mt-2">
            Start with one: stand at it with its manual, and answer what you can see. Check lists, cards and kits are
            made from those answers.
          </p>
        </section>
      ) : (
        <>
          <section className="hidden sm:block" aria-label="Plan of the room">
            <RoomPlan machines={plan} label="Plan of the room, seen from above" />
          </section>
          <h2 className="sr-only sm:hidden">Machines</h2>
          <ul className="flex flex-col gap-3 sm:hidden">
            {plan.map((machine) => (
              <li key={machine.href}>
                <Link href={machine.href} className="sheet block p-4">
                  <span className="flex items-center justify-between gap-3">
                    <span className="text-xl font-bold">{machine.name}</span>
                    <StandingMark standing={machine.standing} />
                  </span>
                  <span className="mt-1 block font-semibold">{machine.needle}</span>
                  <span className="block text-sm">{machine.setting}</span>
                  {machine.because && <span className="mt-1 block text-sm">{machine.because}</span>}
                </Link>
              </li>
            ))}
          </ul>
        </>
      )}
    </>
  )
}

function planned(
  machine: Machine,
  { standing, because, wear }: MachineStanding,
  lifeHours: number,
  who: string,
): PlanMachine {
  const { state } = machine
  const setting = [
    state.dial !== undefined && `dial ${plain(state.dial)}`,
    state.foot,
    state.thread && `${plain(state.thread.tex)} tex`,
  ].filter(Boolean)
  return {
    href: `/machines/${machine.machineId}`,
    name: machine.name,
    number: machine.number,
    place: machine.place,
    standing,
    because: because[0] ?? '',
    needle: state.fitting ? shortNeedle(state.fitting.needle) : 'no needle',
    setting: setting.join(' · ') || 'not set up yet',
    who,
    traits: pick(machine.traits),
    ...(wear &&
      state.fitting?.needle.condition !== 'unverified' && {
        lifeLeft: Math.min(1, wear.remainingHours / lifeHours),
        hoursLeft: `${hoursWords(wear.remainingHours)} of needle left`,
      }),
  }
}

/** Only what the plan draws goes to the browser. */
const pick = ({ drive, spoolPin }: Machine['traits']): PlanMachine['traits'] => ({
  ...(drive && { drive }),
  ...(spoolPin && { spoolPin }),
})
