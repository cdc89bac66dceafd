'use client'

import { Link } from '@/ui/parts/link'
import { StandingMark } from '@/ui/drawings/standing-mark'
import type { PlanMachine } from '@/ui/drawings/room-plan'

/** The same as the plan, in rows: for keys, for ears, and for looking one thing up. */
export function RoomList({ machines }: { machines: readonly PlanMachine[] }) {
  return (
    <table className="table max-sm:hidden">
      <caption className="sr-only">Machines in walking order</caption>
      <thead>
        <tr>
          <th scope="col">Machine</th>
          <th scope="col">Stands</th>
          <th scope="col">In it</th>
          <th scope="col">Set</th>
          <th scope="col">Needle left</th>
          <th scope="col">Whose turn</th>
        </tr>
      </thead>
      <tbody>
        {machines.map((machine) => (
          <tr key={machine.href}>
            <th scope="row" className="max-w-72 min-w-32 text-lg">
              <Link href={machine.href} className="link">
                {machine.name}
              </Link>{' '}
              <span className="text-sm font-normal">no. {machine.number}</span>
            </th>
            <td>
              <StandingMark standing={machine.standing} />
              {machine.call && <strong className="block text-secondary">{machine.call}</strong>}
              {machine.because && <span className="block text-sm">{machine.because}</span>}
            </td>
            <td className="font-semibold whitespace-nowrap">{machine.needle}</td>
            <td>{machine.setting}</td>
            <td className="whitespace-nowrap">{machine.hoursLeft ?? 'not known'}</td>
            <td>{machine.who}</td>
          </tr>
        ))}
      </tbody>
    </table>
  )
}

/** The same on a phone, one under another. */
export function RoomCards({ machines }: { machines: readonly PlanMachine[] }) {
  return (
    <ul className="flex flex-col gap-3 sm:hidden">
      {machines.map((machine) => (
        <li key={machine.href}>
          <Link href={machine.href} className="sheet block p-4">
            <span className="flex items-center justify-between gap-3">
              <span className="text-xl font-bold">{machine.name}</span>
              <StandingMark standing={machine.standing} />
            </span>
            {machine.call && <strong className="block text-secondary">{machine.call}</strong>}
            <span className="mt-1 block font-semibold">{machine.needle}</span>
            <span className="block text-sm">{machine.setting}</span>
            {machine.because && <span className="mt-1 block text-sm">{machine.because}</span>}
          </Link>
        </li>
      ))}
    </ul>
  )
}
