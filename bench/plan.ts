import { planSeats } from '@/core/session/plan'
import { randomPlan } from '@/core/testing/plans'
import { loadSolver } from '@/workers/solver'
import { Chance } from '../bin/demo-data/random'

/** How long a plan takes, and what it saves against first come, first seated, on seeded classes. */
const solve = await loadSolver()
const clock = () => performance.now() / 1000
const SIZES = [
  { students: 12, machines: 9, blocks: 2, kits: 8, budget: 0.5, count: 20 },
  { students: 24, machines: 12, blocks: 3, kits: 10, budget: 2, count: 20 },
  { students: 40, machines: 16, blocks: 4, kits: 12, budget: 20, count: 10 },
]
for (const size of SIZES) {
  const chance = new Chance(6)
  const rows = Array.from({ length: size.count }, () => {
    const question = randomPlan(() => chance.next(), size)
    const start = clock()
    const answer = planSeats(question, solve, 14, clock)
    return { seconds: clock() - start, answer }
  })
  const times = rows.map(({ seconds }) => seconds).sort((a, b) => a - b)
  const sum = (of: (row: (typeof rows)[number]) => number) => rows.reduce((total, row) => total + of(row), 0)
  console.log(
    `${size.students} × ${size.machines} × ${size.blocks}: median ${times[Math.floor(times.length / 2)]!.toFixed(2)} s, ` +
      `longest ${times.at(-1)!.toFixed(2)} s (budget ${size.budget} s), proved ${rows.filter(({ answer }) => answer.optimal).length} of ${rows.length}, ` +
      `minutes ${sum(({ answer }) => answer.changeoverMinutes)} against ${sum(({ answer }) => answer.byHandMinutes)} by hand`,
  )
}
