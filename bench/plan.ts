import { changeover, problemOf } from '@/core/session/changeover'
import { planSeats } from '@/core/session/plan'
import { PLAN_COSTS, type PlanHolds, type PlanQuestion } from '@/core/session/plan-question'
import type { PlanSeat } from '@/core/planner/problem'
import { planRoom } from '@/core/session/plan'
import { costed, firstCome, mayTake } from '@/core/planner/seating'
import { everyPlan, randomPlan } from '@/core/testing/plans'
import { loadSolver } from '@/workers/solver'
import { Chance } from '../bin/demo-data/random'

/** How long a plan takes, what it saves against two ways by hand, and whether it is the best that there is. */
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
    let near: { seconds: number; minutes: number }[] = []
    const answer = planSeats(question, solve, 14, clock, ({ minutes }) => {
      near = [...near, { seconds: clock() - start, minutes }]
    })
    const seconds = clock() - start
    // When a plan within 5 % of the best was first there to be shown.
    const shown = near.find(({ minutes }) => minutes <= answer.changeoverMinutes * 1.05)?.seconds ?? seconds
    return { seconds, shown, answer }
  })
  const times = rows.map(({ seconds }) => seconds).sort((a, b) => a - b)
  const longestShown = Math.max(...rows.map(({ shown }) => shown))
  console.log(
    `${size.students} × ${size.machines} × ${size.blocks}: median ${times[Math.floor(times.length / 2)]!.toFixed(2)} s, ` +
      `longest ${times.at(-1)!.toFixed(2)} s (budget ${size.budget} s), proved ${rows.filter(({ answer }) => answer.optimal).length} of ${rows.length}, ` +
      `within 5 % shown after ${longestShown.toFixed(2)} s at most`,
  )
}

/** Kit by kit, the largest class first: each takes the machines that change least for it, and fills their blocks. */
function byKit(question: PlanQuestion): PlanSeat[] {
  const kits = new Map(question.kits.map((kit) => [kit.id, kit]))
  const holds = new Map<string, PlanHolds>(question.machines.map(({ id, holds: now }) => [id, now]))
  const groups = new Map<string, typeof question.students>()
  for (const student of question.students) groups.set(student.kit, [...(groups.get(student.kit) ?? []), student])
  const seats: PlanSeat[] = []
  for (const [kitId, students] of [...groups].sort((a, b) => b[1].length - a[1].length)) {
    const kit = kits.get(kitId)!
    for (const student of students) {
      const places = question.machines.flatMap((machine) =>
        Array.from({ length: question.blocks }, (_, index) => index + 1)
          .filter((block) => mayTake(student, machine, block))
          .filter((block) => !seats.some((seat) => seat.machine === machine.id && seat.block === block))
          .map((block) => ({ machine, block, cost: changeover(holds.get(machine.id)!, kit, PLAN_COSTS).minutes })),
      )
      const best = places.sort((a, b) => a.cost - b.cost || a.block - b.block)[0]
      if (!best) continue
      seats.push({ student: student.id, machine: best.machine.id, block: best.block })
      holds.set(best.machine.id, kit)
    }
  }
  return seats
}

const INSTANCES = 50
const chance = new Chance(50)
const totals = { seats: [0, 0, 0], minutes: [0, 0, 0], beaten: 0 }
for (let index = 0; index < INSTANCES; index += 1) {
  const question = randomPlan(() => chance.next(), { students: 12, machines: 9, blocks: 2, kits: 6 })
  const plan = planSeats(question, solve, 14, clock)
  const ways = [
    { seats: plan.seats.length, minutes: plan.changeoverMinutes },
    ...[firstCome(problemOf(question)).seats, byKit(question)].map((seats) => ({
      seats: seats.length,
      minutes: costed(seats, problemOf(question)).minutes,
    })),
  ]
  ways.forEach(({ seats, minutes }, way) => {
    totals.seats[way]! += seats
    totals.minutes[way]! += minutes
  })
  const worse = ways.slice(1).some(({ seats, minutes }) => seats >= ways[0]!.seats && minutes < ways[0]!.minutes)
  if (worse) totals.beaten += 1
}
console.log(
  `${INSTANCES} sessions of 12 × 9 × 2: planned ${totals.seats[0]} seats in ${totals.minutes[0]} minutes; ` +
    `first come ${totals.seats[1]} in ${totals.minutes[1]}; kit by kit ${totals.seats[2]} in ${totals.minutes[2]}; ` +
    `a way by hand was better in ${totals.beaten}`,
)

const SMALL = 200
let agreed = 0
const small = new Chance(200)
for (let index = 0; index < SMALL; index += 1) {
  const size = { students: small.between(1, 6), machines: small.between(1, 3), blocks: small.between(1, 2), kits: 4 }
  const question = randomPlan(() => small.next(), size)
  const best = everyPlan(question)
  const plan = planRoom(question, {}, solve, 14, clock)
  if (plan.seats.length === best.seats && plan.changeoverMinutes === best.minutes && plan.optimal) agreed += 1
}
console.log(`${SMALL} small sessions against trying every plan: ${agreed} agree in seats and minutes`)
