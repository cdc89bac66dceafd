'use client'

import { plain } from '@/core/units/words'
import type { HouseRules } from '@/core/room/house-rules'
import { COST_NUMBERS } from '@/core/session/planning-numbers'
import type { PlanCosts } from '@/core/session/plan-question'
import type { SeamTook } from '@/core/session/seams-took'
import { FaultNote } from '@/ui/parts/fault-note'
import { useWrite } from '@/ui/parts/use-write'

/** What the changeovers really took, beside what was planned; where they tell enough, as this room's own minutes to plan with. */
export function Seams({
  seams,
  own,
  rules,
  mayChange,
}: {
  seams: readonly (SeamTook & { readonly name: string })[]
  /** what a change costs here by these seams, and how many times the planned that is */
  own: { readonly costs: PlanCosts; readonly times: number } | undefined
  rules: HouseRules
  mayChange: boolean
}) {
  const { busy, fault, write } = useWrite()
  if (seams.length === 0) return null
  const sum = (of: 'took' | 'planned') => seams.reduce((all, seam) => all + seam[of], 0)
  const numbers = own && {
    ...rules.numbers,
    ...Object.fromEntries(
      (Object.keys(COST_NUMBERS) as (keyof PlanCosts)[]).map((part) => [COST_NUMBERS[part], own.costs[part]]),
    ),
  }
  return (
    <section className="sheet mt-6 p-4" aria-labelledby="seams">
      <h2 id="seams" className="text-xl font-bold">
        What the changeovers took
      </h2>
      <p className="text-lg">
        <span className="numeral text-2xl">{sum('took')}</span> minutes by the books, {plain(sum('planned'))} planned
      </p>
      <ul className="flex flex-wrap gap-x-6">
        {seams.map(({ machineId, block, name, took, planned }) => (
          <li key={`${machineId} ${block}`}>
            {name} to block {block}: {took}, {plain(planned)} planned
          </li>
        ))}
      </ul>
      {own && (
        <p className="mt-2">
          In the middle {plain(Math.round(own.times * 10) / 10)} times what is planned.{' '}
          {mayChange ? (
            <button
              type="button"
              className="btn btn-outline ml-2 print:hidden"
              disabled={busy}
              onClick={() =>
                void write(
                  'change-house-rules',
                  { rules: { ...rules, ...(numbers && { numbers }) }, was: rules },
                  { done: 'Sessions are planned with this room’s own minutes from now on' },
                )
              }
            >
              Plan with this room’s own minutes
            </button>
          ) : (
            'A coordinator may plan with this room’s own minutes.'
          )}
        </p>
      )}
      <FaultNote fault={fault} />
    </section>
  )
}
