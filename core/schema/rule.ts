import { named, plain } from '../units/words'

/**
 * A rule is a row: when it holds, what it gives, and the sentence that says why.
 * Knowledge adds rows; the code that applies them never names a cloth or an operation.
 */

/** One thing that is known: a word, a number (unit in its name), yes or no, or a set of words. */
export type Fact = string | number | boolean | readonly string[] | undefined

/** What is known about one question, by name. */
export type Facts<Name extends string = string> = { readonly [Each in Name]?: Fact }

/** A test of one fact. Several keys in one test must all hold. A fact that is not known meets only `known: false`. */
export interface Test<Name extends string = string> {
  /** the fact is one of these words */
  readonly in?: readonly string[]
  /** the fact is none of these words (an unknown fact passes) */
  readonly notIn?: readonly string[]
  /** the fact, a set, holds at least one of these words, or of those in the fact named */
  readonly has?: readonly string[] | Name
  /** the fact, a set, holds none of these words */
  readonly lacks?: readonly string[]
  readonly is?: boolean
  readonly known?: boolean
  /** inclusive lower bound: a number, or the name of the fact that holds it */
  readonly from?: Bound<Name>
  /** exclusive upper bound */
  readonly below?: Bound<Name>
  /** exclusive lower bound */
  readonly over?: Bound<Name>
  /** inclusive upper bound */
  readonly upTo?: Bound<Name>
}

/** A number, or the name of the fact that holds it. */
type Bound<Name extends string = string> = number | Name

/** All facts named must pass; with `any`, at least one of those conditions besides; with `all`, each of those. */
export type Condition<Name extends string = string> = string extends Name
  ? AnyCondition
  : { readonly [Each in Name]?: Test<Name> } & {
      readonly any?: readonly Condition<Name>[]
      readonly all?: readonly Condition<Name>[]
    }

/** A condition on facts of whatever names, as the evaluator takes it. */
interface AnyCondition {
  readonly any?: readonly AnyCondition[]
  readonly all?: readonly AnyCondition[]
  readonly [fact: string]: Test | readonly AnyCondition[] | undefined
}

export type Confidence = 'high' | 'medium' | 'low'

export interface Rule<Given, Name extends string = string> {
  /** stable name, unique within its list */
  readonly id: string
  readonly when: Condition<Name>
  readonly give: Given
  /** a plain sentence; `{fact}` is filled with that fact, so the numbers that decided are in it */
  readonly because: string
  readonly source: 'common practice' | 'geometry' | 'house rule' | 'maker practice' | 'safety'
  readonly confidence: Confidence
  /** the school this row belongs to, where practitioners differ */
  readonly school?: string
}

/** A bound as a number. A bound that names a fact nobody knows is met by nothing. */
const at = (bound: Bound | undefined, facts: Facts, absent: number): number => {
  if (bound === undefined) return absent
  const value = typeof bound === 'string' ? facts[bound] : bound
  return typeof value === 'number' ? value : NaN
}

type Holds = (facts: Facts) => boolean

/** One test of one fact, as far as it asks anything: rows are read once and asked thousands of times a second. */
function* testsOf(name: string, test: Test): Generator<Holds> {
  const { known, notIn, lacks, in: among, has, is, from, below, over, upTo } = test
  if (known !== undefined) yield (facts) => (facts[name] !== undefined) === known
  if (notIn)
    yield (facts) => {
      const value = facts[name]
      return !(typeof value === 'string' && notIn.includes(value))
    }
  if (lacks)
    yield (facts) => {
      const value = facts[name]
      return !(Array.isArray(value) && lacks.some((word) => value.includes(word)))
    }
  if (among)
    yield (facts) => {
      const value = facts[name]
      return typeof value === 'string' && among.includes(value)
    }
  if (has)
    yield (facts) => {
      const value = facts[name]
      const wanted = typeof has === 'string' ? facts[has] : has
      if (!Array.isArray(value) || !Array.isArray(wanted)) return false
      return (wanted as readonly string[]).some((word) => value.includes(word))
    }
  if (is !== undefined) yield (facts) => (facts[name] ?? false) === is
  if (from !== undefined || below !== undefined || over !== undefined || upTo !== undefined)
    yield (facts) => {
      const value = facts[name]
      return (
        typeof value === 'number' &&
        value >= at(from, facts, -Infinity) &&
        value < at(below, facts, Infinity) &&
        value > at(over, facts, -Infinity) &&
        value <= at(upTo, facts, Infinity)
      )
    }
}

const READ = new WeakMap<AnyCondition, Holds>()

function read(condition: AnyCondition): Holds {
  const tests: Holds[] = []
  for (const name in condition) {
    if (name === 'any') {
      const any = condition.any!.map(read)
      tests.push((facts) => any.some((each) => each(facts)))
    } else if (name === 'all') tests.push(...condition.all!.map(read))
    else tests.push(...testsOf(name, condition[name] as Test))
  }
  return (facts) => {
    for (const test of tests) if (!test(facts)) return false
    return true
  }
}

/** Whether every part of the condition holds for these facts. */
export function holds<Name extends string>(named: Condition<Name>, facts: Facts): boolean {
  const condition = named
  let known = READ.get(condition)
  if (!known) READ.set(condition, (known = read(condition)))
  return known(facts)
}

/** The rows that hold, in the order in which the knowledge lists them. */
export const rulesThatHold = <Given, Name extends string>(
  rules: readonly Rule<Given, Name>[],
  facts: Facts,
): Rule<Given, Name>[] => rules.filter((rule) => holds(rule.when, facts))

/** The first row that holds. Lists that must always answer end with a row whose condition is empty. */
export function firstThatHolds<Given, Name extends string>(
  rules: readonly Rule<Given, Name>[],
  facts: Facts,
): Rule<Given, Name> {
  const found = rules.find((rule) => holds(rule.when, facts))
  if (!found) throw new Error(`No rule of ${rules.length} holds; the list needs a last row with an empty condition`)
  return found
}

const spoken = (value: Exclude<Facts[string], undefined>): string =>
  typeof value === 'number'
    ? plain(value).replace('-', '−')
    : typeof value === 'object'
      ? value.map((each) => named(String(each))).join(', ')
      : named(String(value))

/** Facts with a few more: some sixty are looked through and not copied, which would cost more than all the rules. */
export const besides = (facts: Facts, more: Facts): Facts =>
  Object.assign(Object.create(facts) as Record<string, Facts[string]>, more)

const NAMED = /\{(\w+)\}/g

/** A sentence taken apart once: words and, at the odd places, names of facts. */
const TAKEN_APART = new Map<string, readonly string[]>()
function partsOf(template: string): readonly string[] {
  let parts = TAKEN_APART.get(template)
  if (!parts) TAKEN_APART.set(template, (parts = template.split(NAMED)))
  return parts
}

const ONE_OF = /^ (layer|bobbin|hour|day|minute)s\b/

/**
 * Fills the `{fact}` places of a sentence; one of a thing is spoken of as one.
 * @param more facts that are only spoken here; they go before the others
 * @throws when a sentence names a fact that is not known: a reason must never show a gap.
 */
export function sentence(template: string, facts: Facts, more?: Facts): string {
  const parts = partsOf(template)
  let text = parts[0]!
  for (let i = 1; i < parts.length; i += 2) {
    const name = parts[i]!
    const value = more?.[name] ?? facts[name]
    if (value === undefined) throw new Error(`The sentence "${template}" needs the fact "${name}"`)
    const after = parts[i + 1]!
    text += spoken(value) + (value === 1 ? after.replace(ONE_OF, ' $1') : after)
  }
  return text
}

/** Every fact that a condition asks about. */
function* askedBy(condition: AnyCondition): Generator<string> {
  for (const [name, test] of Object.entries(condition)) {
    if (name === 'any' || name === 'all') for (const one of condition[name] ?? []) yield* askedBy(one)
    else {
      yield name
      for (const bound of Object.values(test as Test)) if (typeof bound === 'string') yield bound
    }
  }
}

const KNOWN_TO = new WeakMap<object, ReadonlySet<string>>()

/** The facts that a rule rests on: those it asks about and those its sentence speaks. */
export function restsOn<Name extends string>(rule: Rule<unknown, Name>): ReadonlySet<string> {
  const known = KNOWN_TO.get(rule)
  if (known) return known
  const names = new Set([...askedBy(rule.when), ...[...rule.because.matchAll(NAMED)].map(([, name]) => name!)])
  KNOWN_TO.set(rule, names)
  return names
}

const TEST_WORDS: ReadonlySet<string> = new Set([
  'in',
  'notIn',
  'has',
  'lacks',
  'is',
  'known',
  'from',
  'below',
  'over',
  'upTo',
] satisfies (keyof Test)[])

/** Words in a condition that the evaluator does not know, with where they stand: such a row would decide at random. */
function* unknownWords(condition: AnyCondition, at: string): Generator<string> {
  for (const [name, test] of Object.entries(condition)) {
    if (name === 'any' || name === 'all') {
      for (const [index, one] of (test as readonly AnyCondition[]).entries())
        yield* unknownWords(one, `${at}.${name}.${index}`)
      continue
    }
    if (test === null || typeof test !== 'object' || Array.isArray(test)) yield `${at}.${name}`
    else for (const word of Object.keys(test)) if (!TEST_WORDS.has(word)) yield `${at}.${name}.${word}`
  }
}

/**
 * Rows whose conditions the evaluator can read, given back as they are.
 * @throws when a condition uses a word that the evaluator does not know, or asks nothing of a fact it names
 */
export function readable<Given, Name extends string>(
  rules: readonly Rule<Given, Name>[],
): readonly Rule<Given, Name>[] {
  const wrong = rules.flatMap(({ id, when }) => [...unknownWords(when, id)])
  if (wrong.length > 0) throw new Error(`Conditions use words that nothing reads: ${wrong.join(', ')}`)
  return rules
}
