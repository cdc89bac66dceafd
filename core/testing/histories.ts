import fc from 'fast-check'
import { CHECK_GROUPS } from '../knowledge/check/check'
import { FEET } from '../knowledge/stitch/foot'
import { TOP_LOOKS, UNDER_LOOKS, TARGETS } from '../knowledge/tension/tension'
import { LOADS } from '../knowledge/needle/wear'
import type { Happening, MachineEvent } from '../machine/event'

const needle = fc.record({
  system: fc.constant('130/705 H'),
  point: fc.constantFrom('universal' as const, 'ballpoint' as const, 'jeans' as const),
  sizeNm: fc.constantFrom(70, 80, 90),
  condition: fc.constantFrom('new' as const, 'part-used' as const, 'unverified' as const),
})
const out = fc.record({
  reason: fc.constantFrom('due' as const, 'struck' as const, 'other-kit' as const),
  state: fc.constantFrom('blunt' as const, 'bent' as const, 'broken' as const),
  wentTo: fc.constantFrom('sharps' as const, 'lost' as const),
})
const thread = fc.record({
  tex: fc.constantFrom(18, 27, 70),
  fibre: fc.constantFrom('polyester' as const, 'cotton' as const),
  use: fc.constant('all-purpose' as const),
})

const idOf = (index: number): string => `01900000-0000-7000-8000-${String(index).padStart(12, '0')}`

/** What may stand in a line of each kind. */
export const ANY_BODY = {
  'needle-changed': fc.oneof(fc.record({ out, in: needle }), fc.record({ in: needle }), fc.record({ out })),
  'needle-broke': fc.record({ piecesFound: fc.boolean() }),
  'pieces-found': fc.constant({}),
  'set-up': fc.oneof(
    fc.record({ thread }),
    fc.record({ foot: fc.constantFrom(...FEET) }),
    fc.record({ dial: fc.integer({ min: 0, max: 9 }) }),
    fc.record({ fabricClass: fc.constantFrom('woven medium', 'knit light') }),
  ),
  'check-run': fc.record({
    list: fc.constantFrom('seat' as const, 'room' as const),
    steps: fc.array(
      fc.record({
        step: fc.constantFrom('a', 'no-touch', 'room-cord', 'zigzag-plate'),
        group: fc.constantFrom(...CHECK_GROUPS),
        result: fc.constantFrom('pass' as const, 'fail' as const, 'not-applicable' as const),
      }),
      { minLength: 1, maxLength: 4 },
    ),
  }),
  'swatch-stitched': fc.record({
    dial: fc.integer({ min: 0, max: 9 }),
    target: fc.constantFrom(...TARGETS),
    top: fc.constantFrom(...TOP_LOOKS),
    under: fc.constantFrom(...UNDER_LOOKS),
    done: fc.constant([]),
  }),
  used: fc.record({
    use: fc.record({ load: fc.constantFrom(...LOADS), motorMinutes: fc.integer({ min: 0, max: 200 }) }),
    finishedProject: fc.boolean(),
  }),
  'turn-ended': fc.record({ finished: fc.boolean() }),
  'bobbin-wound': fc.record({ count: fc.integer({ min: 1, max: 3 }) }),
  'laid-out': fc.record({
    what: fc.constant('two swatches'),
    projectId: fc.constantFrom('019a0000-0000-7000-8000-000000000001', '019a0000-0000-7000-8000-000000000002'),
  }),
  cleaned: fc.constant({}),
  oiled: fc.oneof(fc.constant({}), fc.record({ where: fc.constantFrom('race' as const, 'arm' as const) })),
  'baseline-set': fc.record({
    settings: fc.record({ dial: fc.integer({ min: 0, max: 9 }), lengthMm: fc.constant(2.5) }),
  }),
  'found-off': fc.record({ settings: fc.record({ dial: fc.integer({ min: 0, max: 9 }), widthMm: fc.constant(3) }) }),
  restored: fc.constant({}),
  'trait-learnt': fc.constant({ trait: 'evenFeed', words: 'yes', source: 'tried' }),
  'trait-put-away': fc.constant({ trait: 'evenFeed', words: 'yes' }),
  'fault-opened': fc.record({ fault: fc.constantFrom('electrical' as const, 'jam' as const) }),
  'fault-cured': fc.record({
    fault: fc.constantFrom('electrical' as const, 'jam' as const),
    cure: fc.constant('cleared'),
  }),
  'fault-run': fc.record({
    symptom: fc.constantFrom('skipped' as const, 'loops-under' as const, 'needle-breaks' as const),
    answers: fc.constant([{ check: 'rethread-foot-up' as const, found: true }]),
    outcome: fc.constantFrom('cured' as const, 'handed-on' as const, 'service' as const, 'left' as const),
  }),
  'bobbin-screw-turned': fc.constant({ eighths: -1 }),
  serviced: fc.record({ by: fc.constant('a technician'), electrical: fc.boolean() }),
  'electrical-test': fc.record({ passed: fc.boolean(), by: fc.constant('a technician') }),
  released: fc.constant({ because: 'case opened' }),
  'red-tagged': fc.constant({ because: 'smell' }),
  'put-away': fc.constantFrom({}, { because: 'given to the school' }),
  'taken-out': fc.constant({}),
  redacted: fc.constantFrom({ line: idOf(0) }, { line: idOf(3) }),
  'red-tag-lifted': fc.constant({ because: 'repaired' }),
  'somebody-hurt': fc.constant({ what: 'a finger' }),
  noted: fc.constant({ text: 'a note' }),
} satisfies { [Kind in Happening['kind']]: fc.Arbitrary<Extract<Happening, { kind: Kind }>['body']> }

export const anyHappening: fc.Arbitrary<Happening> = fc.oneof(
  ...(Object.entries(ANY_BODY) as [Happening['kind'], fc.Arbitrary<unknown>][]).map(([kind, body]) =>
    body.map((each) => ({ kind, body: each }) as Happening),
  ),
)

/**
 * Random books of one machine: times out of order and shared, corrections of earlier and later lines, of corrections, and
 * with replacements.
 */
export const anyHistory: fc.Arbitrary<MachineEvent[]> = fc
  .array(
    fc.record({
      minute: fc.integer({ min: 0, max: 30 }),
      happening: anyHappening,
      corrects: fc.option(fc.nat(), { nil: undefined, freq: 4 }),
      replaces: fc.boolean(),
    }),
    { maxLength: 25 },
  )
  .map((lines) =>
    lines.map(({ minute, happening, corrects, replaces }, index): MachineEvent => {
      const envelope = {
        eventId: idOf(index),
        happenedAt: new Date(Date.UTC(2026, 0, 1, 18, minute)).toISOString(),
        personId: idOf(999),
      }
      if (corrects === undefined || index === 0) return { ...envelope, ...happening }
      const body = { corrects: idOf(corrects % index), because: 'a slip', ...(replaces && { replacement: happening }) }
      return { ...envelope, kind: 'correction', body }
    }),
  )

/** Such a book of a machine that never leaves the room and whose words all stay: each line can be written in whatever order. */
export const anyHistoryInTheRoom: fc.Arbitrary<MachineEvent[]> = anyHistory.map((history) =>
  history.map((line): MachineEvent => {
    const note = { kind: 'noted', body: { text: 'it stays' } } as const
    if (line.kind === 'put-away' || line.kind === 'redacted') return { ...line, ...note }
    if (line.kind !== 'correction') return line
    const { replacement } = line.body
    if (replacement?.kind !== 'put-away' && replacement?.kind !== 'redacted') return line
    return { ...line, body: { ...line.body, replacement: note } }
  }),
)
