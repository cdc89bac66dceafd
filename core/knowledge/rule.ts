/**
 * A rule is a row: when it holds, what it gives, and the sentence that says why.
 * Knowledge adds rows; the code that applies them never names a cloth or an operation.
 */

/** What is known about one question: words, numbers (units in the name), yes or no, or a set of words. */
export type Facts = Readonly<Record<string, string | number | boolean | readonly string[] | undefined>>

/** A test of one fact. Several keys in one test must all hold. A fact that is not known meets only `known: false`. */
export interface Test {
  /** the fact is one of these words */
  readonly in?: readonly string[]
  /** the fact is none of these words (an unknown fact passes) */
  readonly notIn?: readonly string[]
  /** the fact, a set, holds at least one of these words */
  readonly has?: readonly string[]
  /** the fact, a set, holds none of these words */
  readonly lacks?: readonly string[]
  readonly is?: boolean
  readonly known?: boolean
  /** inclusive lower bound */
  readonly from?: number
  /** exclusive upper bound */
  readonly below?: number
  /** exclusive lower bound */
  readonly over?: number
  /** inclusive upper bound */
  readonly upTo?: number
}

/** All facts named must pass; with `any`, at least one of those conditions besides. */
export interface Condition {
  readonly any?: readonly Condition[]
  readonly [fact: string]: Test | readonly Condition[] | undefined
}

export type Confidence = 'high' | 'medium' | 'low'

export interface Rule<Given> {
  /** stable name, unique within its list */
  readonly id: string
  readonly when: Condition
  readonly give: Given
  /** a plain sentence; `{fact}` is filled with that fact, so the numbers that decided are in it */
  readonly because: string
  readonly source: 'common practice' | 'geometry' | 'house rule' | 'maker practice' | 'safety'
  readonly confidence: Confidence
  /** the school this row belongs to, where practitioners differ */
  readonly school?: string
}

const passes = (value: Facts[string], test: Test): boolean => {
  if (test.known !== undefined && (value !== undefined) !== test.known) return false
  if (test.notIn && typeof value === 'string' && test.notIn.includes(value)) return false
  if (test.lacks && Array.isArray(value) && test.lacks.some((word) => value.includes(word))) return false
  if (test.in && !(typeof value === 'string' && test.in.includes(value))) return false
  if (test.has && !(Array.isArray(value) && test.has.some((word) => value.includes(word)))) return false
  if (test.is !== undefined && (value ?? false) !== test.is) return false
  const bounded =
    test.from !== undefined || test.below !== undefined || test.over !== undefined || test.upTo !== undefined
  if (!bounded) return true
  return (
    typeof value === 'number' &&
    value >= (test.from ?? -Infinity) &&
    value < (test.below ?? Infinity) &&
    value > (test.over ?? -Infinity) &&
    value <= (test.upTo ?? Infinity)
  )
}

/** Whether every part of the condition holds for these facts. */
export function holds(condition: Condition, facts: Facts): boolean {
  for (const name in condition) {
    if (name === 'any') {
      if (!condition.any!.some((one) => holds(one, facts))) return false
    } else if (!passes(facts[name], condition[name] as Test)) return false
  }
  return true
}

/** The rows that hold, in the order in which the knowledge lists them. */
export const rulesThatHold = <Given>(rules: readonly Rule<Given>[], facts: Facts): Rule<Given>[] =>
  rules.filter((rule) => holds(rule.when, facts))

/** The first row that holds. Lists that must always answer end with a row whose condition is empty. */
export function firstThatHolds<Given>(rules: readonly Rule<Given>[], facts: Facts): Rule<Given> {
  const found = rules.find((rule) => holds(rule.when, facts))
  if (!found) throw new Error(`No rule of ${rules.length} holds; the list needs a last row with an empty condition`)
  return found
}

/** A number as a person writes it: at most two decimals, no trailing noughts. */
export const plain = (value: number): string => String(Math.round(value * 100) / 100)

const spoken = (value: Exclude<Facts[string], undefined>): string =>
  typeof value === 'number' ? plain(value) : typeof value === 'object' ? value.join(', ') : String(value)

/**
 * Fills the `{fact}` places of a sentence.
 * @throws when a sentence names a fact that is not known: a reason must never show a gap.
 */
export function sentence(template: string, facts: Facts): string {
  return template.replace(/\{(\w+)\}/g, (_, name: string) => {
    const value = facts[name]
    if (value === undefined) throw new Error(`The sentence "${template}" needs the fact "${name}"`)
    return spoken(value)
  })
}
