import { spaced } from '../units/words'
import { PLAIN_KINDS, type Happening, type PlainKind } from '../machine/event'
import { KINDS } from '../machine/kinds/kinds'
import type { LineDefault, Typed } from '../machine/kinds/kind'
import type { MachineState } from '../machine/state'
import type { Traits } from '../knowledge/machine/trait'
import { nameKey, sameName } from '../people/same-name'
import { NeedleSizeError } from '../units/needle-size'
import { parseNeedleSize } from '../kit/read-needle'
import { lineFields, type LineField, type LineFields } from './fields'

/** A machine that a line may speak of. */
export interface LineMachine {
  readonly machineId: string
  readonly name: string
  readonly number: number
  readonly code: string
  readonly traits: Traits
  readonly state: MachineState
}

export interface LineContext {
  readonly machines: readonly LineMachine[]
  /** the machine a line speaks of when it names none */
  readonly here?: string
  readonly may: (kind: PlainKind) => boolean
}

/** What is wrong, and where in the text: `from` … `to`. */
export interface LineFault {
  readonly from: number
  readonly to: number
  readonly message: string
}

export interface LineRead {
  readonly machine?: LineMachine
  /** whole, once nothing is missing */
  readonly happening?: Happening
  readonly fault?: LineFault
  /** words that could stand at the end of the text */
  readonly next: readonly string[]
}

interface Word {
  readonly text: string
  readonly from: number
  readonly to: number
}

/** Kinds that can be typed at all, with their fields; made once from the schemas. */
const TYPABLE = new Map<PlainKind, LineFields>(
  PLAIN_KINDS.flatMap((kind) => {
    const fields = lineFields(KINDS[kind].body)
    return fields ? [[kind, fields] as [PlainKind, LineFields]] : []
  }),
)

export const TYPABLE_KINDS: readonly PlainKind[] = [...TYPABLE.keys()]

const typedOf = (kind: PlainKind): Typed => KINDS[kind].typed ?? {}

/** How a kind is typed: its short word, else its own name with spaces. */
export const saidAs = (kind: PlainKind): string => typedOf(kind).as ?? spaced(kind)

const wordsOf = (text: string): Word[] =>
  [...text.matchAll(/"([^"]*)"?|\S+/g)].map((found) => ({
    text: found[1] ?? found[0],
    from: found.index,
    to: found.index + found[0].length,
  }))

const plainWord = (text: string): string => spaced(text.toLowerCase())

/**
 * Reads one typed line: a machine, what happened, and what belongs to it, in any order.
 * "heron needle ballpoint 80 blunt" · "3 cleaned lots of fluff" · "knot sewn chair 45 hard"
 */
export function readLogLine(text: string, context: LineContext): LineRead {
  const words = wordsOf(text)
  const open = text.length > 0 && !/\s$/.test(text)
  const [first, ...rest] = words
  if (!first) return { next: [...machineNames(context), ...(context.here ? kindNames(context) : [])] }

  const named = machineNamed(first.text, context)
  const here = context.machines.find(({ machineId }) => machineId === context.here)
  const machine = named.length === 1 ? named[0] : named.length === 0 ? here : undefined
  if (!machine) {
    const starts = machineNames(context).filter((name) => nameKey(name).startsWith(nameKey(first.text)))
    const which = named.length > 1 ? `“${first.text}” can be ${named.map(({ name }) => name).join(' or ')}` : undefined
    return {
      next: starts,
      ...(words.length > 1 || !open || starts.length === 0
        ? { fault: { ...span(first), message: which ?? `No machine is called “${first.text}”` } }
        : {}),
    }
  }
  const after = named.length === 1 ? rest : words
  const kinds = TYPABLE_KINDS.filter(context.may)
  if (after.length === 0) {
    const whole = machineNames(context).some((name) => nameKey(name) === nameKey(first.text)) || !open
    return { machine, next: whole ? kindNames(context) : [machine.name.toLowerCase()] }
  }

  const { kind, used } = kindOf(after, kinds)
  if (!kind) {
    const typed = plainWord(after[0]!.text)
    const starts = kindNames(context).filter((name) => name.startsWith(typed))
    const unfinished = open && after.length === 1 && starts.length > 0
    return {
      machine,
      next: starts,
      ...(!unfinished && {
        fault: {
          ...span(after[0]!),
          message: `“${after[0]!.text}” is nothing that happens; say ${kindNames(context).slice(0, 6).join(', ')} …`,
        },
      }),
    }
  }
  if (!context.may(kind))
    return {
      machine,
      next: [],
      fault: {
        from: after[0]!.from,
        to: after[used - 1]!.to,
        message: `“${saidAs(kind)}” is not yours to write; ask an instructor`,
      },
    }
  const last = after[used - 1]!
  if (
    open &&
    after.length === used &&
    !kindNames(context).includes(plainWord(last.text)) &&
    saidAs(kind).startsWith(plainWord(last.text))
  )
    return { machine, next: [saidAs(kind)] }
  return { machine, ...readBody(kind, machine, after.slice(used), text.length, open) }
}

const span = ({ from, to }: Word) => ({ from, to })
const machineNames = ({ machines }: LineContext): string[] => machines.map(({ name }) => name.toLowerCase())
const kindNames = ({ may }: LineContext): string[] => TYPABLE_KINDS.filter(may).map(saidAs)

function machineNamed(text: string, { machines }: LineContext): LineMachine[] {
  const typed = nameKey(text)
  const exact = machines.filter(({ number, code }) => String(number) === typed || code.toLowerCase() === typed)
  if (exact.length > 0) return exact
  const named = sameName(text, machines)
  if (named.length > 0) return named
  return typed.length < 2 ? [] : machines.filter(({ name }) => nameKey(name).startsWith(typed))
}

/** The kind whose name takes most of the words; a single word may be cut short where only one kind begins so. */
function kindOf(words: readonly Word[], kinds: readonly PlainKind[]): { kind?: PlainKind; used: number } {
  const typed = words.map(({ text }) => plainWord(text))
  // All there are: what somebody may not say is refused as that, and never read as the beginning of something else.
  const names = TYPABLE_KINDS.flatMap((kind) =>
    [...new Set([saidAs(kind), spaced(kind), ...(typedOf(kind).also ?? [])])].map((name) => ({
      kind,
      name,
    })),
  )
  const whole = names
    // A word with a dash is several of a name's: "red-tag off".
    .map(({ kind, name }) => ({
      kind,
      name,
      used: typed.findIndex((_, index) => typed.slice(0, index + 1).join(' ') === name) + 1,
    }))
    .filter(({ used }) => used > 0)
    .sort((a, b) => b.name.length - a.name.length)[0]
  if (whole) return { kind: whole.kind, used: whole.used }
  const begun = kinds.filter((kind) => saidAs(kind).startsWith(typed[0]!))
  return begun.length === 1 && typed[0]!.length >= 3 ? { kind: begun[0]!, used: 1 } : { used: 0 }
}

type Values = Map<string, string | number | boolean | readonly string[]>

function readBody(
  kind: PlainKind,
  machine: LineMachine,
  words: readonly Word[],
  end: number,
  open: boolean,
): Omit<LineRead, 'machine'> {
  const { fields, parts } = TYPABLE.get(kind)!
  const values: Values = new Map()
  const texts: Word[] = []
  const free = (test: (field: LineField) => boolean) =>
    fields.filter((field) => (field.many ?? !values.has(field.path)) && test(field))

  for (let i = 0; i < words.length; i += 1) {
    const word = words[i]!
    const typed = plainWord(word.text)
    const number = numberOf(word.text)
    const enumerated = free(
      ({ kind: of, words: allowed }) => of === 'word' && allowed.some((each) => plainWord(each) === typed),
    )[0]
    if (enumerated) {
      const chosen = enumerated.words.find((each) => plainWord(each) === typed)!
      const sofar = (values.get(enumerated.path) ?? []) as readonly string[]
      values.set(enumerated.path, enumerated.many ? [...new Set([...sofar, chosen])] : chosen)
      continue
    }
    const yes = free(({ kind: of, name }) => of === 'yes' && (name === typed || name.split(' ').includes(typed)))[0]
    if (yes) {
      values.set(yes.path, true)
      continue
    }
    const day = free(({ kind: of }) => of === 'day')[0]
    if (day && DAY.test(word.text)) {
      const moment = new Date(`${word.text}T00:00:00.000Z`)
      if (Number.isNaN(moment.getTime()) || !moment.toISOString().startsWith(word.text))
        return { next: [], fault: { ...span(word), message: `${word.text} is no day of the calendar` } }
      values.set(day.path, moment.toISOString())
      // Its name before it is no part of what is said otherwise: "by the tester, next due 2027-12-10".
      while (texts.length > 0 && day.name.split(' ').includes(plainWord(texts.at(-1)!.text))) texts.pop()
      continue
    }
    const counted = namedNumber(
      words,
      i,
      free(({ kind: of }) => of === 'number'),
    )
    if (counted) {
      values.set(counted.field.path, counted.value)
      i += counted.words
      continue
    }
    const sized = free(({ reading }) => reading === 'needle size')[0]
    if (sized && /^\d{1,3}(\/\d{1,3})?$/.test(word.text)) {
      try {
        values.set(sized.path, parseNeedleSize(word.text).sizeNm)
        continue
      } catch (error) {
        if (!(error instanceof NeedleSizeError)) throw error
        return { next: [], fault: { ...span(word), message: error.message } }
      }
    }
    if (number !== undefined) {
      const [needed = free(({ kind: of }) => of === 'number')[0]] = free(
        ({ kind: of, required }) => of === 'number' && required,
      )
      if (!needed)
        return {
          next: [],
          fault: { ...span(word), message: `${saidAs(kind)} has no place for the number ${word.text}` },
        }
      values.set(needed.path, number)
      continue
    }
    texts.push(word)
  }

  const next = nextWords(free(() => true))
  const wordy = free(({ kind: of }) => of === 'text')
  if (texts.length > 0) {
    const into = wordy.find(({ required }) => required) ?? wordy[0]
    const last = texts.at(-1)!
    const begun = open && last.to === end ? next.filter((each) => each.startsWith(plainWord(last.text))) : []
    if (!into) {
      if (begun.length > 0 && texts.length === 1) return { next: begun }
      const strange = texts[0]!
      return {
        next,
        fault: {
          ...span(strange),
          message: `“${strange.text}” says nothing of ${saidAs(kind)}; say ${next.slice(0, 8).join(', ')} …`,
        },
      }
    }
    values.set(into.path, texts.map(({ text }) => text).join(' '))
  }
  for (const { path, many, required } of fields) if (many && required && !values.has(path)) values.set(path, [])
  fillDefaults(kind, fields, values, machine)
  const asked = typedOf(kind).asks
  const unsaid = asked?.when(machine.traits) && !values.has(asked.path)
  const missing = missingOf(kind, fields, parts, values) ?? (unsaid && fields.find(({ path }) => path === asked!.path))
  if (missing)
    return {
      next: nextWords([missing]),
      fault: {
        from: end,
        to: end,
        message: `Still needs ${missing.reading ?? `the ${NOUNS[missing.name] ?? missing.name}`}${missing.words.length > 0 ? `: ${missing.words.slice(0, 12).join(', ')}` : ''}`,
      },
    }
  return { next, happening: { kind, body: nested(values) } as Happening }
}

/** A day as it is written everywhere alike. */
const DAY = /^\d{4}-\d{2}-\d{2}$/

/** A part of a line whose name is no noun. */
const NOUNS: Readonly<Record<string, string>> = { because: 'reason' }

/** A number said by its name, or by a word of it: "chair minutes 45", "chair 45", "dial 4.5". */
function namedNumber(words: readonly Word[], at: number, fields: readonly LineField[]) {
  for (const field of fields) {
    const name = field.name.split(' ')
    const first = plainWord(words[at]!.text)
    if (!name.includes(first)) continue
    const whole = name.every((part, index) => words[at + index] && plainWord(words[at + index]!.text) === part)
    const used = whole ? name.length : 1
    const value = numberOf(words[at + used]?.text)
    if (value !== undefined) return { field, value, words: used }
  }
  return undefined
}

const numberOf = (text: string | undefined): number | undefined => {
  const value = Number(text?.replace(',', '.'))
  return text === undefined || text.trim() === '' || !Number.isFinite(value) ? undefined : value
}

/** What could be typed next: the words of open choices, the names of open numbers and yeses. */
const nextWords = (fields: readonly LineField[]): string[] => [
  ...new Set(
    fields.flatMap((field) =>
      field.kind === 'word' ? field.words.map(plainWord) : field.kind === 'text' ? [] : [field.name],
    ),
  ),
]

const groupOf = (path: string): string => path.split('.').slice(0, -1).join('.')

/** Fills what was not said, where there is a usual answer and what it stands in is spoken of. */
function fillDefaults(kind: PlainKind, fields: readonly LineField[], values: Values, machine: LineMachine): void {
  const groups = new Set([...values.keys()].map(groupOf))
  for (const [path, usual] of Object.entries(typedOf(kind).defaults ?? {})) {
    if (values.has(path)) continue
    const spokenOf =
      groupOf(path) === '' || groups.has(groupOf(path)) || (usual.alsoWhen?.(machine.state, groups) ?? false)
    if (!spokenOf) continue
    const value = usualValue(usual, machine, values)
    const field = fields.find((each) => each.path === path)
    if (value !== undefined && (!field || field.words.length === 0 || field.words.includes(String(value))))
      values.set(path, value)
    else if (usual.otherwise !== undefined) values.set(path, usual.otherwise)
  }
}

const usualValue = ({ impliedBy, of }: LineDefault, { traits, state }: LineMachine, values: Values) => {
  const said = impliedBy && values.get(impliedBy.path)
  return said === undefined ? of?.(traits, state) : impliedBy!.value(String(said))
}

/** The first field that must be there and is not, in a part of the body that is spoken of. */
function missingOf(
  kind: PlainKind,
  fields: readonly LineField[],
  parts: readonly string[],
  values: Values,
): LineField | undefined {
  const empty = parts.find((part) => ![...values.keys()].some((path) => path.startsWith(`${part}.`)))
  if (empty) return fields.find(({ path }) => path.startsWith(`${empty}.`))
  const groups = new Set([...values.keys()].flatMap((path) => [groupOf(path), groupOf(groupOf(path))]))
  const missing = fields.find(
    ({ path, required }) => required && !values.has(path) && (groupOf(path) === '' || groups.has(groupOf(path))),
  )
  if (missing) return missing
  const schema = KINDS[kind].body as unknown as {
    minProperties?: number
    anyOf?: { required: string[] }[]
    oneOf?: { required: string[] }[]
  }
  const wantsMore =
    values.size === 0 && ((schema.minProperties ?? 0) > 0 || schema.anyOf !== undefined || schema.oneOf !== undefined)
  return wantsMore ? fields[0] : undefined
}

function nested(values: Values): Record<string, unknown> {
  const body: Record<string, unknown> = {}
  for (const [path, value] of values) {
    const keys = path.split('.')
    let at = body
    for (const key of keys.slice(0, -1)) at = (at[key] ??= {}) as Record<string, unknown>
    at[keys.at(-1)!] = value
  }
  return body
}
