import { NEEDLE_OUT, REASON_OF_STATE } from '../knowledge/check/needle-out'
import type { PlainKind } from './event'
import type { MachineState } from './state'
import type { Traits } from '../knowledge/machine/trait'

/** The word a kind is typed by; a kind without one is typed by its own name. */
export const SAID_AS: Readonly<Partial<Record<PlainKind, string>>> = {
  'needle-changed': 'needle',
  'needle-broke': 'broke',
  'pieces-found': 'pieces found',
  'set-up': 'set',
  'swatch-stitched': 'swatch',
  used: 'sewn',
  'bobbin-wound': 'bobbin',
  'laid-out': 'laid out',
  'red-tagged': 'red tag',
  'red-tag-lifted': 'tag off',
  noted: 'note',
  'found-off': 'found at',
  'baseline-set': 'baseline',
  'fault-opened': 'fault',
  serviced: 'serviced',
}

/** Other ways to say the same, whole. */
export const ALSO_SAID_AS: Readonly<Partial<Record<PlainKind, readonly string[]>>> = {
  'red-tag-lifted': ['red tag off', 'red tag lifted', 'lift red tag', 'lift tag', 'untag'],
  'needle-broke': ['needle broke', 'needle broken'],
}

/** What a line means where it says nothing: a value, one taken from the machine, or what another field implies. */
export interface LineDefault {
  readonly of?: (traits: Traits, state: MachineState) => string | number | boolean | undefined
  /** what another field that was said implies */
  readonly impliedBy?: { readonly path: string; readonly value: (said: string) => string | undefined }
  /** when neither gives a value that the field may hold */
  readonly otherwise?: string | number | boolean
  /** the part it stands in counts as spoken of, though nothing in it was typed */
  readonly alsoWhen?: (state: MachineState, spokenOf: ReadonlySet<string>) => boolean
}

const outFor = (reason: string) => NEEDLE_OUT[reason as keyof typeof NEEDLE_OUT]
const always = (value: string | number | boolean): LineDefault => ({ of: () => value })
/** A new needle goes in where one is known to be: then the old one came out, though nobody typed so. */
const cameOut = (state: MachineState, spokenOf: ReadonlySet<string>) =>
  state.fitting !== undefined && spokenOf.has('in')

/** What must be said of some machines and goes without saying of others: the field, and where it is asked. */
export const LINE_ASKS: Readonly<
  Partial<Record<PlainKind, { readonly path: string; readonly when: (traits: Traits) => boolean }>>
> = {
  oiled: { path: 'where', when: ({ oiling }) => oiling === 'race-and-arm' },
}

export const LINE_DEFAULTS: Readonly<Partial<Record<PlainKind, Readonly<Record<string, LineDefault>>>>> = {
  'needle-changed': {
    'in.system': { of: (traits) => traits.needleSystem },
    'in.condition': always('new'),
    'out.reason': {
      impliedBy: { path: 'out.state', value: (state) => REASON_OF_STATE[state as keyof typeof REASON_OF_STATE] },
      otherwise: 'due',
      alsoWhen: cameOut,
    },
    'out.state': { impliedBy: { path: 'out.reason', value: (reason) => outFor(reason)?.state }, alsoWhen: cameOut },
    'out.wentTo': {
      impliedBy: { path: 'out.reason', value: (reason) => outFor(reason)?.wentTo },
      otherwise: 'sharps',
      alsoWhen: cameOut,
    },
  },
  'needle-broke': { piecesFound: always(false) },
  'swatch-stitched': {
    dial: { of: (traits, state) => state.dial ?? traits.tensionDial?.normal },
    target: always('straight'),
    top: always('own'),
    under: always('own'),
  },
  used: { 'use.load': { otherwise: 'ordinary', alsoWhen: () => true }, finishedProject: always(false) },
  'bobbin-wound': { count: always(1) },
  serviced: { electrical: always(false) },
}
