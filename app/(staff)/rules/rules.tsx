'use client'

import { named } from '@/core/units/words'
import { useMemo } from 'react'
import { type KitRoom } from '@/core/kit/for-room'
import { ROOM_NUMBERS, type RoomNumberName } from '@/core/knowledge/room-number'
import { SCHOOLS, type School } from '@/core/knowledge/school'
import { NEEDLE_SCHOOLS } from '@/core/knowledge/needle/wear'
import type { HouseRules } from '@/core/room/house-rules'
import { FaultNote } from '@/ui/parts/fault-note'
import { Tick } from '@/ui/fields/choice'
import { Amount, Count } from '@/ui/fields/number'
import { Select } from '@/ui/fields/select'
import { Text } from '@/ui/fields/text'
import { useKept } from '@/ui/parts/use-kept'
import { useTheirs } from '@/ui/parts/use-theirs'
import { useWrite } from '@/ui/parts/use-write'
import { type RulesBag, type RulesMachine, whatChanges, needlesChanged } from './what-changes'
import { DEFAULT_WAY_WORDS, NEEDLE_WORDS, FIRST_AID_WORDS } from './rule-words'
import { RoomNumbersFields } from './room-numbers'

interface Props {
  readonly machines: readonly RulesMachine[]
  readonly bags: readonly RulesBag[]
  readonly room: KitRoom
  readonly mayChange: boolean
}

/** The room's choices. A change first shows which of today's kits and needles it would alter. */
export function Rules({ machines, bags, room, mayChange }: Props) {
  const [rules, keep] = useKept<HouseRules>('house-rules', room.rules)
  const { busy, fault, forget, write } = useWrite()
  const theirs = useTheirs(fault, room.rules)
  const changed = JSON.stringify(rules) !== JSON.stringify(room.rules)
  const differences = useMemo(
    () => (changed ? whatChanges(machines, bags, room, { ...room, rules }) : []),
    [changed, machines, bags, room, rules],
  )
  const needles = useMemo(
    () => (changed ? needlesChanged(machines, room.rules, rules) : []),
    [changed, machines, room, rules],
  )

  const save = async () => {
    if (await write('change-house-rules', { rules, was: room.rules }, { done: 'The house rules are changed' }))
      keep(undefined)
  }
  const setSchool = (school: School, way: string) => {
    const { [school]: _, ...others } = rules.schools
    keep({ ...rules, schools: way === '' ? others : { ...others, [school]: way } })
  }
  const setFirstAid = (name: keyof NonNullable<HouseRules['firstAid']>, words: string) => {
    const { [name]: _, ...others } = rules.firstAid ?? {}
    keep({ ...rules, firstAid: words === '' ? others : { ...others, [name]: words } })
  }
  const setNumber = (name: RoomNumberName, value: number) => {
    const { [name]: _, ...others } = rules.numbers ?? {}
    keep({ ...rules, numbers: value === ROOM_NUMBERS[name].usual ? others : { ...others, [name]: value } })
  }
  return (
    <div className="grid grid-cols-1 gap-8 lg:grid-cols-[1fr_24rem]">
      <fieldset disabled={!mayChange} className="flex min-w-0 flex-col gap-6">
        <h1 className="text-3xl font-bold">House rules</h1>
        <p>
          Where practitioners differ the room chooses, and every kit says which way it followed.
          {!mayChange && ' The coordinator changes them.'}
        </p>
        <section aria-labelledby="schools" className="flex flex-col gap-3">
          <h2 id="schools" className="text-xl font-bold">
            Needle points
          </h2>
          {(Object.keys(SCHOOLS) as School[]).map((school) => (
            <Select
              key={school}
              label={SCHOOLS[school].question}
              look="beside"
              value={rules.schools[school] ?? ''}
              set={(way) => setSchool(school, way)}
              options={[
                ['', `usual: ${DEFAULT_WAY_WORDS[school]}`],
                ...Object.entries<string>(SCHOOLS[school].ways).map(([way, words]) => [way, named(words)] as const),
              ]}
            />
          ))}
        </section>
        <section aria-labelledby="life" className="flex flex-col gap-3">
          <h2 id="life" className="text-xl font-bold">
            When a needle is due
          </h2>
          <Select
            label="When a needle is due"
            look="beside"
            value={rules.needle.school}
            set={(school) => keep({ ...rules, needle: { ...rules.needle, school } })}
            options={NEEDLE_SCHOOLS.map((school) => [school, NEEDLE_WORDS[school]])}
          />
          <Amount
            label="Life, in needle hours"
            look="beside"
            value={rules.needle.lifeHours}
            min={1}
            max={100}
            set={(lifeHours) => keep({ ...rules, needle: { ...rules.needle, lifeHours } })}
          />
          <Count
            label="Projects before it is due"
            look="beside"
            value={rules.needle.n}
            min={1}
            max={50}
            set={(n) => keep({ ...rules, needle: { ...rules.needle, n } })}
          />
          <Amount
            label="Share of chair time in which the motor runs"
            look="beside"
            value={rules.duty}
            min={0}
            max={1}
            step={0.05}
            set={(duty) => keep({ ...rules, duty })}
          />
        </section>
        <section aria-labelledby="learners" className="flex flex-col gap-3">
          <h2 id="learners" className="text-xl font-bold">
            Learners
          </h2>
          <Select
            label="Turning the dial"
            look="beside"
            value={rules.tension}
            set={(tension) => keep({ ...rules, tension })}
            options={[
              ['hands-on', 'learners turn it themselves'],
              ['hands-off', 'learners call a mentor'],
            ]}
          />
          <Tick
            label="They unpick: wind a quarter more thread"
            value={rules.beginners ?? false}
            set={(beginners) => keep({ ...rules, beginners })}
          />
        </section>
        <section aria-labelledby="first-aid" className="flex flex-col gap-3">
          <h2 id="first-aid" className="text-xl font-bold">
            When somebody is hurt
          </h2>
          <p className="text-sm">Shown on every page behind “Somebody is hurt”. Fill it in before the first class.</p>
          {(['firstAider', 'box', 'emergency'] as const).map((name) => (
            <Text
              key={name}
              label={FIRST_AID_WORDS[name]}
              look="beside"
              optional
              value={rules.firstAid?.[name] ?? ''}
              set={(words) => setFirstAid(name, words)}
            />
          ))}
        </section>
        <RoomNumbersFields numbers={rules.numbers} set={setNumber} />
      </fieldset>
      <aside aria-label="What it would change" aria-live="polite" className="sheet self-start p-5 lg:sticky lg:top-24">
        {!changed ? (
          <>
            <h2 className="text-xl font-bold">Try a change</h2>
            <p className="mt-1">Before it is saved, you see here which of today’s {bags.length} kits it would alter.</p>
          </>
        ) : (
          <>
            <h2 className="text-xl font-bold">
              {differences.length === 0
                ? 'No kit would change'
                : `${differences.length} of ${bags.length} kits would change`}
            </h2>
            <ul className="mt-2 max-h-96 overflow-y-auto" tabIndex={0} aria-label="Kits that would change">
              {differences.map(({ bag, machine, parts }) => (
                <li key={bag.projectId} className="border-t border-dashed border-base-content/40 py-2">
                  <strong>{bag.learner}</strong>, {bag.name}, on {machine}
                  {parts.map(({ part, from, to }) => (
                    <span key={part} className="block text-sm">
                      {part}: {from} → <strong>{to}</strong>
                    </span>
                  ))}
                </li>
              ))}
            </ul>
            {needles.map((each) => (
              <p key={each} className="text-sm">
                {each}
              </p>
            ))}
            <FaultNote fault={fault} />
            {theirs && (
              <p className="mt-2 border-l-4 border-warning pl-3">
                What is compared above is with the rules as somebody has just left them; yours are still in the fields.
              </p>
            )}
            <div className="mt-3 flex flex-wrap gap-2">
              <button type="button" className="btn btn-primary" disabled={busy} onClick={() => void save()}>
                {theirs ? 'Keep mine' : 'Save the house rules'}
              </button>
              <button
                type="button"
                className="btn btn-ghost"
                onClick={() => {
                  keep(undefined)
                  forget()
                }}
              >
                {theirs ? 'Take theirs' : 'Leave them'}
              </button>
            </div>
          </>
        )}
      </aside>
    </div>
  )
}
