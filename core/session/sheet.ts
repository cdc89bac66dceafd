import { breachesOf, usingUp, type Breach } from '../planner/breach'
import { changesOf, problemOf } from './changeover'
import type { PlanChange, PlanCosts, PlanQuestion } from './plan-question'
import type { PlanSeat } from '../planner/problem'
import { costed, firstCome } from '../planner/seating'

/** What a run sheet says of its seats. */
export interface SheetFigures {
  readonly minutes: number
  readonly needles: number
  /** by `machine block`, what is changed before that seat */
  readonly changes: ReadonlyMap<string, PlanChange>
  readonly breaches: readonly Breach[]
  /** students who have no seat */
  readonly unseated: readonly string[]
}

export const placeKey = (machine: string, block: number): string => `${machine} ${block}`

/** Changeovers, needles and broken rules of these seats. */
export function sheetFigures(question: PlanQuestion, seats: readonly PlanSeat[]): SheetFigures {
  const problem = problemOf(question)
  const known = seats.filter(
    ({ student, machine }) =>
      question.students.some(({ id }) => id === student) && question.machines.some(({ id }) => id === machine),
  )
  const { minutes } = costed(known, problem)
  const seated = new Set(seats.map(({ student }) => student))
  return {
    minutes,
    needles: usingUp(known, problem).length,
    changes: new Map(changesOf(known, question).map((change) => [placeKey(change.machine, change.block), change])),
    breaches: breachesOf(seats, problem),
    unseated: question.students.filter(({ id }) => !seated.has(id)).map(({ id }) => id),
  }
}

/** What it would be by hand: first come, first seated. */
export function byHandFigures(question: PlanQuestion): { minutes: number; needles: number; seated: number } {
  const problem = problemOf(question)
  const { seats, minutes } = firstCome(problem)
  return { minutes, needles: usingUp(seats, problem).length, seated: seats.length }
}

/** Somebody goes to another place; whoever sits there takes theirs, or stands without one. No place: they leave theirs. */
export function moveSeat(
  seats: readonly PlanSeat[],
  student: string,
  to: { readonly machine: string; readonly block: number } | undefined,
): PlanSeat[] {
  const own = seats.find((seat) => seat.student === student)
  const others = seats.filter((seat) => seat !== own)
  if (!to) return others
  const sits = others.find((seat) => seat.machine === to.machine && seat.block === to.block)
  const kept = others.filter((seat) => seat !== sits)
  return [
    ...kept,
    { student, machine: to.machine, block: to.block },
    ...(sits && own ? [{ student: sits.student, machine: own.machine, block: own.block }] : []),
  ]
}

/** What a place would cost somebody: minutes more or fewer than now, and the rules that it would newly break. */
export interface MoveOption {
  readonly machine: string
  readonly block: number
  readonly minutes: number
  readonly breaks: readonly Breach[]
  /** who would change places with them */
  readonly swapsWith?: string
}

/** Every other place of the room for somebody, in the order of machines and blocks. */
export function moveOptions(question: PlanQuestion, seats: readonly PlanSeat[], student: string): MoveOption[] {
  const now = sheetFigures(question, seats)
  const broken = new Set(now.breaches.map(breachKey))
  return question.machines.flatMap(({ id: machine }) =>
    Array.from({ length: question.blocks }, (_, index) => index + 1).flatMap((block) => {
      const sits = seats.find((seat) => seat.machine === machine && seat.block === block)
      if (sits?.student === student) return []
      const then = sheetFigures(question, moveSeat(seats, student, { machine, block }))
      return [
        {
          machine,
          block,
          minutes: then.minutes - now.minutes,
          breaks: then.breaches.filter((breach) => !broken.has(breachKey(breach))),
          ...(sits && { swapsWith: sits.student }),
        },
      ]
    }),
  )
}

const breachKey = ({ kind, students, block, limit }: Breach): string =>
  JSON.stringify([kind, [...students].sort(), block ?? 0, limit?.id ?? ''])

/** The parts of a changeover in words, as a person does them. */
export const PART_WORDS: Readonly<Record<keyof PlanCosts, string>> = {
  needle: 'needle',
  thread: 'thread',
  bobbin: 'bobbin',
  foot: 'foot',
  pressure: 'pressure',
  tensionTest: 'test',
  quickLine: 'a line',
}

/** A broken rule as a sentence. @param nameOf a student's name */
export function breachWords(
  { kind, students, block, because, limit }: Breach,
  nameOf: (student: string) => string,
  whyNot: (student: string) => string | undefined,
): string {
  const names = students.map(nameOf)
  const both = names.join(' and ')
  switch (kind) {
    case 'cannot': {
      const plainly = {
        late: `not there yet in block ${block ?? 1}`,
        out: whyNot(students[0]!) ?? 'the machine takes no part',
        unable: whyNot(students[0]!) ?? 'this machine cannot make it',
      }
      const why = plainly[because ?? 'unable'].replace(/\.$/, '')
      return why.startsWith(both) ? `${why}.` : `${both}: ${why}.`
    }
    case 'taken':
      return `${both} sit at one machine at once.`
    case 'twice':
      return `${both} has two places.`
    case 'apart':
      return `${[...new Set(names)].length === 1 ? `${names[0]} cannot sew two things` : `${both} sit apart, and not`} in block ${block}.`
    case 'together':
      return `${both} sit in one block, or both have no place.`
    case 'limit':
      return `${names.join(', ')}: of ${limit!.words} there ${limit!.most === 1 ? 'is one' : `are ${limit!.most}`}${block ? `, in block ${block}` : ''}.`
  }
}
