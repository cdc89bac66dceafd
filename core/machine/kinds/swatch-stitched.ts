import * as Type from 'typebox'
import type { CheckGroup } from '../../knowledge/check/check'
import { GATES, SWATCH_SIGNS, TARGETS, TOP_LOOKS, UNDER_LOOKS } from '../../knowledge/tension/tension'
import { EVERYONE } from '../../room/role'
import { strict, words } from '../../schema/shape'
import { cameraCorrected, READING_WORDS, readSwatch, readWritten, type SwatchLook } from '../../tension/reading'
import { plain, spaced } from '../../units/words'
import { sewn } from '../../wear/meter'
import { minus, union } from '../changes'
import { always, kind, ProjectId } from './kind'

/** What a good swatch says as well: a test line is the least that it is. */
/** That a camera read it, and where the person knew better. */
function cameraWords(body: SwatchLook): string {
  if (!body.camera) return ''
  const corrected = cameraCorrected(body)
  return ` Read by a camera${corrected === 0 ? '' : `, and corrected on ${corrected === 1 ? 'one face' : 'both faces'}`}.`
}

const SAID: readonly CheckGroup[] = ['swatch', 'line']

const cameraFace = <Looks extends readonly string[]>(looks: Looks) =>
  strict({
    look: words(looks),
    score: Type.Union([Type.Number({ minimum: -3, maximum: 3 }), Type.Null()]),
    spread: Type.Number({ minimum: 0, maximum: 3 }),
  })

export const swatchStitched = kind({
  body: strict({
    dial: Type.Number(),
    target: words(TARGETS),
    top: words(TOP_LOOKS),
    under: words(UNDER_LOOKS),
    signs: Type.Optional(Type.Array(words(SWATCH_SIGNS), { uniqueItems: true })),
    /** what a camera said of the faces that were photographed, beside what the person says of them */
    camera: Type.Optional(
      strict(
        { top: Type.Optional(cameraFace(TOP_LOOKS)), under: Type.Optional(cameraFace(UNDER_LOOKS)) },
        { readOnly: true },
      ),
    ),
    done: Type.Array(words(GATES), { uniqueItems: true }),
    /** the mark taken between two that disagree: as near as this dial comes, and good */
    asNear: Type.Optional(Type.Number()),
    projectId: ProjectId,
  }),
  filter: 'swatches',
  mayWrite: EVERYONE,
  fold: (state, body, { eventId, happenedAt }) => {
    const { s: _, ...reading } = readWritten(body)
    const looked = { ...state, dial: reading.dial, lastSwatch: { eventId, happenedAt, ...reading } }
    return reading.onTarget
      ? { ...looked, stale: minus(looked.stale, SAID), failed: minus(looked.failed, SAID) }
      : { ...looked, stale: union(looked.stale, ['swatch']) }
  },
  care: (counts, _, { happenedAt }) => sewn(counts, happenedAt),
  words: (body) => {
    const { reading } = readSwatch(body, body.target)
    const near = body.asNear === undefined ? '' : `; ${plain(body.asNear)} is as near as this dial comes`
    return {
      title: `Swatch at ${plain(body.dial)}: ${spaced(reading)}${near}`,
      detail: `${spaced(body.target)}. ${READING_WORDS[reading]}${cameraWords(body)}`,
    }
  },
  typed: {
    as: 'swatch',
    defaults: {
      dial: { of: (traits, state) => state.dial ?? traits.tensionDial?.normal },
      target: always('straight'),
      top: always('own'),
      under: always('own'),
    },
  },
})
