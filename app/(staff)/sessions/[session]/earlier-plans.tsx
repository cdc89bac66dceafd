import type { EarlierPlan, SheetMachine } from './sheet-props'

/** What was planned before: to be looked at, and to be taken again. */
export function EarlierPlans({
  plans,
  machines,
  nameOf,
  mayTake,
  take,
}: {
  plans: readonly EarlierPlan[]
  machines: readonly SheetMachine[]
  nameOf: (project: string) => string
  mayTake: boolean
  take: (plan: EarlierPlan) => void
}) {
  return (
    <details className="mt-6 print:hidden">
      <summary className="min-h-11 cursor-pointer py-2 font-bold">Earlier plans ({plans.length})</summary>
      <ol>
        {plans.map((plan) => (
          <li key={plan.planId} className="seam py-2">
            <details>
              <summary className="cursor-pointer">
                {plan.when}, {plan.by}: {plan.seats.length === 1 ? 'one seat' : `${plan.seats.length} seats`}
              </summary>
              <ul className="my-2 grid gap-x-6 sm:grid-cols-2">
                {plan.seats.map(({ projectId, machineId, block }) => (
                  <li key={`${projectId} ${block}`}>
                    {nameOf(projectId)}: {machines.find((each) => each.machineId === machineId)?.name ?? 'a machine'},
                    block {block}
                  </li>
                ))}
              </ul>
              <button type="button" className="btn btn-outline" disabled={!mayTake} onClick={() => take(plan)}>
                Take this plan again
              </button>
            </details>
          </li>
        ))}
      </ol>
    </details>
  )
}
