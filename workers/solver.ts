import highs from 'highs'
import type { Solve } from '@/core/planner/problem'

/** Loads the solver: HiGHS, compiled to WebAssembly. It blocks its thread while it thinks, so give it one of its own. */
export async function loadSolver(): Promise<Solve> {
  const solver = await highs()
  return (program, seconds) => {
    const answer = solver.solve(program, {
      time_limit: seconds,
      mip_rel_gap: 0,
      mip_abs_gap: 1e-6,
      output_flag: false,
    })
    if (answer.Status === 'Infeasible')
      return { optimal: true, objective: Infinity, columns: new Map(), rows: new Map() }
    if (answer.Status !== 'Optimal' && answer.Status !== 'Time limit reached') return undefined
    const columns = new Map(
      Object.entries(answer.Columns).map(([name, column]) => {
        const { Primal: value = 0, Dual: dual = 0 } = column as { Primal?: number; Dual?: number }
        return [name, { value, dual }]
      }),
    )
    // Out of time with an answer that is not whole is no answer.
    const whole = [...columns.values()].every(({ value }) => Math.abs(value - Math.round(value)) < 1e-6)
    if (answer.Status === 'Time limit reached' && !whole) return undefined
    const rows = new Map(
      (answer.Rows as readonly { Name: string; Dual?: number }[]).map(({ Name, Dual = 0 }) => [Name, Dual]),
    )
    return { optimal: answer.Status === 'Optimal', objective: answer.ObjectiveValue, columns, rows }
  }
}
