import * as Type from 'typebox'
import { TEACHING } from '../../room/role'
import { strict } from '../../schema/shape'
import { withoutLock } from '../changes'
import { always, kind, Words } from './kind'

export const serviced = kind({
  body: strict({ by: Words, electrical: Type.Boolean(), did: Type.Optional(Words) }),
  filter: 'care',
  mayWrite: TEACHING,
  // Whoever repaired what is electrical need not have looked at what else waits for a technician.
  fold: (state, { electrical }) =>
    electrical
      ? withoutLock({ ...state, faults: state.faults.filter(({ fault }) => fault !== 'electrical') }, 'electrical')
      : { ...state, faults: state.faults.filter(({ technician }) => !technician) },
  care: (counts, _, { happenedAt }) => ({ ...counts, motorMinutesSinceService: 0, servicedAt: happenedAt }),
  words: ({ by, electrical, did }) => ({
    title: electrical ? 'Licensed electrical repair' : 'Serviced',
    detail: [`By ${by}.`, did].filter(Boolean).join(' '),
  }),
  typed: { defaults: { electrical: always(false) } },
})
