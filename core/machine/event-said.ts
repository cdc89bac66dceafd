import type { PlainKind } from './event'
import type { MachineState } from './state'
import type { Traits } from './trait'

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

/** What a line means where it says nothing: a value, one taken from the machine, or the same as another field. */
export interface LineDefault {
  readonly of?: (traits: Traits, state: MachineState) => string | number | boolean | undefined
  readonly sameAs?: string
  /** when neither gives a value that the field may hold */
  readonly otherwise?: string | number | boolean
  /** the part it stands in counts as spoken of, though nothing in it was typed */
  readonly alsoWhen?: (state: MachineState, spokenOf: ReadonlySet<string>) => boolean
}

const always = (value: string | number | boolean): LineDefault => ({ of: () => value })
/** A new needle goes in where one is known to be: then the old one came out, though nobody typed so. */
const cameOut = (state: MachineState, spokenOf: ReadonlySet<string>) =>
  state.fitting !== undefined && spokenOf.has('in')

export const LINE_DEFAULTS: Readonly<Partial<Record<PlainKind, Readonly<Record<string, LineDefault>>>>> = {
  'needle-changed': {
    'in.system': { of: (traits) => traits.needleSystem },
    'in.condition': always('new'),
    'out.reason': { sameAs: 'out.state', otherwise: 'due', alsoWhen: cameOut },
    'out.state': { sameAs: 'out.reason', otherwise: 'not-looked', alsoWhen: cameOut },
    'out.wentTo': { otherwise: 'sharps', alsoWhen: cameOut },
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
