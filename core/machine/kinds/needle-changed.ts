import * as Type from 'typebox'
import type { Static } from 'typebox'
import { NEEDLE_OUT, REASON_OF_STATE } from '../../knowledge/check/needle-out'
import type { SetupChange } from '../../knowledge/check/check'
import { POINTS, systemWords } from '../../knowledge/needle/needle'
import { NEEDLE_SIGNS } from '../../knowledge/needle/wear'
import { PointWord, SizeWord } from '../../knowledge/vocabulary'
import { STAFF } from '../../room/role'
import { Above0, From0, strict, words } from '../../schema/shape'
import { sizeText } from '../../units/needle-size'
import { plain, spaced } from '../../units/words'
import { broken, needleOut, staleAfter } from '../changes'
import type { MachineState } from '../state'
import { always, kind } from './kind'

export const CHANGE_REASONS = [...NEEDLE_SIGNS, 'due', 'other-kit', 'unknown-age', 'broken'] as const
export const NEEDLE_STATES = ['sharp', 'blunt', 'bent', 'burr', 'broken', 'not-looked'] as const
export const WENT_TO = ['sharps', 'part-used', 'lost'] as const

const NeedleOutSchema = strict({
  reason: words(CHANGE_REASONS),
  state: words(NEEDLE_STATES),
  wentTo: words(WENT_TO),
  /** of a needle that broke: whether every piece of it lies on the table */
  piecesFound: Type.Optional(Type.Boolean()),
})
export type NeedleOut = Static<typeof NeedleOutSchema>

const NeedleInSchema = strict({
  system: Type.String({ minLength: 1, maxLength: 80 }),
  point: PointWord,
  sizeNm: SizeWord,
  gapMm: Type.Optional(Above0),
  condition: words(['new', 'part-used', 'unverified'] as const),
  /** hours it brings with it, from its tag */
  effectiveHours: Type.Optional(From0),
})
export type NeedleIn = Static<typeof NeedleInSchema>

/** A needle taken out broken is broken, whatever else is said of it. */
export const isBroken = ({ state, reason }: NeedleOut): boolean => state === 'broken' || reason === 'broken'

const needle = (each: NeedleIn) => `${POINTS[each.point].words} ${sizeText(each.sizeNm)}${systemWords(each.system)}`
const outFor = (reason: string) => NEEDLE_OUT[reason as keyof typeof NEEDLE_OUT]
/** A new needle goes in where one is known to be: then the old one came out, though nobody typed so. */
const cameOut = (state: MachineState, spokenOf: ReadonlySet<string>) =>
  state.fitting !== undefined && spokenOf.has('in')

export const needleChanged = kind({
  body: strict(
    { in: Type.Optional(NeedleInSchema), out: Type.Optional(NeedleOutSchema) },
    { anyOf: [{ required: ['out'] }, { required: ['in'] }] },
  ),
  filter: 'needles',
  mayWrite: STAFF,
  fold: (state, body, line) => {
    const before = state.fitting?.needle
    // Taken out broken is broken, unless the break is in the book already and this clears it away.
    const breaks = before !== undefined && body.out !== undefined && isBroken(body.out)
    const left = needleOut(state, line.happenedAt, {
      ...(body.out && { out: body.out }),
      ...(breaks && { broke: true }),
    })
    const empty = breaks ? broken(left, line, { piecesFound: body.out?.piecesFound }) : left
    if (!body.in) return staleAfter(empty, 'other-needle')
    const same =
      before &&
      before.system === body.in.system &&
      before.point === body.in.point &&
      before.sizeNm === body.in.sizeNm &&
      before.gapMm === body.in.gapMm
    const struck = body.out?.reason === 'struck' || body.out?.state === 'bent'
    const change: SetupChange = struck ? 'strike' : same ? 'like-for-like-needle' : 'other-needle'
    const fitting = { needle: body.in, fittedAt: line.happenedAt, eventId: line.eventId, uses: [], projects: 0 }
    return staleAfter({ ...empty, fitting }, change)
  },
  words: ({ out, in: fitted }) => {
    const went = out && `Out: ${spaced(out.state)}, because ${spaced(out.reason)}, to ${spaced(out.wentTo)}.`
    const came =
      fitted &&
      `In: ${needle(fitted)}, ${spaced(fitted.condition)}${fitted.effectiveHours ? `, ${plain(fitted.effectiveHours)} h on its tag` : ''}.`
    return {
      title: fitted ? `Needle: ${needle(fitted)}` : 'Needle taken out',
      detail: [went, came].filter(Boolean).join(' '),
    }
  },
  typed: {
    as: 'needle',
    defaults: {
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
  },
})
