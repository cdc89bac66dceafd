import * as Type from 'typebox'
import { FAULTS } from '../../knowledge/fault/fault-kind'
import { STAFF } from '../../room/role'
import { strict, words } from '../../schema/shape'
import { kind, Words } from './kind'

/** the line that opened it; absent: every open fault of this name. Read-only, as a tap says it and nobody types it */
const Opened = Type.Optional(Type.String({ format: 'uuid', readOnly: true }))

export const faultCured = kind({
  body: strict({ fault: words(FAULTS), cure: Words, opened: Opened }),
  filter: 'trouble',
  mayWrite: STAFF,
  fold: (state, { fault, opened }) => ({
    ...state,
    faults: state.faults.filter((each) => (opened ? each.eventId !== opened : each.fault !== fault)),
  }),
  words: ({ fault, cure }) => ({ title: fault === 'other' ? 'Cured' : `Cured: ${fault}`, detail: cure }),
})
