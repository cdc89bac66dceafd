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

/** Who comes this session, late or not at all, and what each needs of a place; every tap is written at once. */
export function Roster({
  sessionId,
  blocks,
  roster,
  mayNeeds,
}: {
  sessionId: string
  blocks: number
  roster: readonly Person[]
  mayNeeds: boolean
}) {
  const { busy, fault, write } = useWrite()
  const come = (person: Person, value: string) => {
    const late = /^late (\d+)$/.exec(value)
    const body = late
      ? { comes: 'late' as const, fromBlock: Number(late[1]) }
      : { comes: value === 'absent' ? ('absent' as const) : ('here' as const) }
    const words = late ? `${person.name} comes for block ${late[1]}` : `${person.name}: ${body.comes}`
    const was = { comes: person.comes, ...(person.fromBlock !== undefined && { fromBlock: person.fromBlock }) }
    void write('set-attendance', { sessionId, personId: person.personId, ...body, was }, { done: words })
  }
  const need = ({ personId, name, needs }: Person, each: AccessNeed) =>
    void write(
      'set-needs',
      {
        personId,
        needs: needs.includes(each) ? needs.filter((other) => other !== each) : [...needs, each],
        was: needs,
      },
      { done: `${name}: needs written down` },
    )
  const away = roster.filter(({ comes }) => comes === 'absent').length
  return (
    <section aria-labelledby="roster">
      <h2 id="roster" className="text-xl font-bold">
        {roster.length - away} of {roster.length} come
      </h2>
      <FaultNote fault={fault} />
      <ul>
        {roster.map((person) => (
          <li key={person.personId} className="seam flex flex-wrap items-center gap-x-6 gap-y-2 py-2">
            <strong className="w-28 text-lg">{person.name}</strong>
            <div className="w-44">
              <Select
                look="unseen"
                label={`${person.name} comes`}
                disabled={busy}
                options={[
                  ['here', 'comes'],
                  ...Array.from({ length: blocks }, (_, index) => index + 1)
                    .filter((block) => block > 1 || person.fromBlock === block)
                    .map((block) => [`late ${block}`, `late: from block ${block}`] as const),
                  ['absent', 'does not come'],
                ]}
                value={person.comes === 'late' ? `late ${person.fromBlock}` : person.comes}
                set={(value) => come(person, value)}
              />
            </div>
            {mayNeeds &&
              ACCESS_NEEDS.map((each) => (
                <label key={each} className="flex min-h-11 items-center gap-2">
                  <input
                    type="checkbox"
                    className="checkbox"
                    aria-label={`${person.name} needs ${ACCESS_NEED_WORDS[each].need}`}
                    checked={person.needs.includes(each)}
                    disabled={busy}
                    onChange={() => need(person, each)}
                  />
                  <span className="text-sm">{ACCESS_NEED_WORDS[each].need}</span>
                </label>
              ))}
          </li>
        ))}
      </ul>
    </section>
  )
}
