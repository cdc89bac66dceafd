'use client'

import { ACCESS_NEEDS, ACCESS_NEED_WORDS, type AccessNeed } from '@/core/knowledge/machine/access'
import { Select } from '@/ui/fields/select'
import { FaultNote } from '@/ui/parts/fault-note'
import { useWrite } from '@/ui/parts/use-write'

interface Person {
  readonly personId: string
  readonly name: string
  readonly comes: 'here' | 'late' | 'absent'
  readonly fromBlock?: number
  readonly needs: readonly AccessNeed[]
}

interface RosterOf {
  readonly sessionId: string
  readonly blocks: number
  readonly mayNeeds: boolean
}

/** Who comes this session, late or not at all, and what each needs of a place; every tap is written at once. */
export function Roster({ roster, ...of }: RosterOf & { readonly roster: readonly Person[] }) {
  const away = roster.filter(({ comes }) => comes === 'absent').length
  return (
    <section aria-labelledby="roster">
      <h2 id="roster" className="text-xl font-bold">
        {roster.length - away} of {roster.length} come
      </h2>
      <ul>
        {roster.map((person) => (
          <OnRoster key={person.personId} person={person} {...of} />
        ))}
      </ul>
    </section>
  )
}

/** One of them; what is written of one waits for no other. */
function OnRoster({ person, sessionId, blocks, mayNeeds }: RosterOf & { readonly person: Person }) {
  const { busy, fault, write } = useWrite()
  const { personId, name, comes, fromBlock, needs } = person
  const come = (value: string) => {
    const late = /^late (\d+)$/.exec(value)
    const body = late
      ? { comes: 'late' as const, fromBlock: Number(late[1]) }
      : { comes: value === 'absent' ? ('absent' as const) : ('here' as const) }
    const words = late ? `${name} comes for block ${late[1]}` : `${name}: ${body.comes}`
    const was = { comes, ...(fromBlock !== undefined && { fromBlock }) }
    void write('set-attendance', { sessionId, personId, ...body, was }, { done: words })
  }
  const need = (each: AccessNeed) =>
    void write(
      'set-needs',
      {
        personId,
        needs: needs.includes(each) ? needs.filter((other) => other !== each) : [...needs, each],
        was: needs,
      },
      { done: `${name}: needs written down` },
    )
  return (
    <li className="seam flex flex-wrap items-center gap-x-6 gap-y-2 py-2">
      <strong className="w-28 text-lg">{name}</strong>
      <div className="w-44">
        <Select
          look="unseen"
          label={`${name} comes`}
          disabled={busy}
          options={[
            ['here', 'comes'],
            ...Array.from({ length: blocks }, (_, index) => index + 1)
              .filter((block) => block > 1 || fromBlock === block)
              .map((block) => [`late ${block}`, `late: from block ${block}`] as const),
            ['absent', 'does not come'],
          ]}
          value={comes === 'late' ? `late ${fromBlock}` : comes}
          set={come}
        />
      </div>
      {mayNeeds &&
        ACCESS_NEEDS.map((each) => (
          <label key={each} className="flex min-h-11 items-center gap-2">
            <input
              type="checkbox"
              className="checkbox"
              aria-label={`${name} needs ${ACCESS_NEED_WORDS[each].need}`}
              checked={needs.includes(each)}
              disabled={busy}
              onChange={() => need(each)}
            />
            <span className="text-sm">{ACCESS_NEED_WORDS[each].need}</span>
          </label>
        ))}
      <FaultNote fault={fault} />
    </li>
  )
}
