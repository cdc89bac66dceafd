import { changeover, problemOf } from '@/core/session/changeover'
import { planSeats } from '@/core/session/plan'
import { PLAN_COSTS, type PlanHolds, type PlanQuestion } from '@/core/session/plan-question'
import type { PlanSeat } from '@/core/planner/problem'
import { planRoom } from '@/core/session/plan'
import { costed, firstCome, mayTake } from '@/core/planner/seating'
import { everyPlan, randomPlan } from '@/core/testing/plans'
import { planCourse } from '@/core/session/course-plan'
import { planSession, type SessionRequest } from '@/core/session/session-plan'
import { session, SESSION_AT, sessionLearner, sessionMachine } from '@/core/testing/sessions'
import { loadSolver } from '@/workers/solver'
import { Chance } from '@/practice/random'

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

const KINDS = ['iron-front-loader', 'lettered-dial', 'vintage-straight'] as const
const crowded = session({
  machines: Array.from({ length: 10 }, (_, index) => sessionMachine(`Machine ${index}`, KINDS[index % KINDS.length])),
  // Six have no place.
  blocks: 1,
  learners: Array.from({ length: 16 }, (_, index) => sessionLearner(`Learner ${index}`, index)),
})
const asked = (facts: typeof crowded, seconds: number): SessionRequest => ({
  facts,
  pins: [],
  weights: {},
  seconds,
  now: SESSION_AT,
})
function sessionFigures(): void {
  const start = clock()
  let first: number | undefined
  let planned = 0
  planSession(asked(crowded, 10), solve, clock, (_, stage) => {
    first ??= clock() - start
    if (stage === 'planned') planned = clock() - start
  })
  console.log(
    `16 projects, 10 machines: first plan after ${first!.toFixed(2)} s (budget 1), planned after ${planned.toFixed(2)} s (budget 3); ` +
      `beside it the same when what would help is waited for: ${(clock() - start).toFixed(2)} s`,
  )
}
function courseFigures(): void {
  const weeks = Array.from({ length: 6 }, (_, week) => ({
    sessionId: `${week}`,
    startsAt: new Date(new Date(SESSION_AT).getTime() + week * 7 * 24 * 3_600_000).toISOString(),
    request: asked({ ...crowded, blocks: 2 }, 2),
  }))
  const start = clock()
  const shown: number[] = []
  planCourse(weeks, solve, clock, (_, stage) => {
    if (stage === 'planned') shown.push(clock() - start)
  })
  console.log(
    `six weeks: the first after ${shown[0]!.toFixed(2)} s, all after ${shown.at(-1)!.toFixed(2)} s (budget 15); ` +
      `beside it with what would help: ${(clock() - start).toFixed(2)} s`,
  )
}
sessionFigures()
courseFigures()
