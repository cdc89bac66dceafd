'use client'

import { UNSOUND_WORDS } from '@/core/machine/standing'
import { FaultNote } from '@/ui/parts/fault-note'
import { useFormId } from '@/ui/parts/use-form-id'
import { useWrite } from '@/ui/parts/use-write'
import type { AtTheirSide } from '../../../_server/at-their-side'

/** The machines that are free just now and do this cloth, the best first: one tap gives the kit there. */
export function MoveTo({ who, projectId, moves }: { who: string; projectId: string; moves: AtTheirSide['moves'] }) {
  const { busy, fault, write } = useWrite()
  const { idOf, renew } = useFormId(`move ${projectId}`)
  const move = async (machineId: string, name: string) => {
    const kits = [{ kitGivenId: idOf(machineId), projectId, machineId }]
    if (await write('give-kits', { kits }, { done: `${who} sits at ${name} now, with the kit for it` })) renew()
  }
  if (moves.length === 0) return <p>No machine that does this cloth is free just now.</p>
  return (
    <>
      <ul className="flex flex-wrap gap-2">
        {moves.map(({ machineId, name, verdict, unsound }) => (
          <li key={machineId}>
            <button
              type="button"
              className="btn btn-outline min-h-11"
              disabled={busy}
              onClick={() => void move(machineId, name)}
            >
              <span>
                {name}
                {verdict === 'marginal' && <span className="font-normal">, only just does it</span>}
                {unsound && <span className="font-normal">{UNSOUND_WORDS[unsound]}</span>}
              </span>
            </button>
          </li>
        ))}
      </ul>
      <p className="mt-1 text-sm">The kit is given for that machine; a plan of the session stays as it is.</p>
      <FaultNote fault={fault} />
    </>
  )
}
