import { FAULTS } from '../../knowledge/fault/fault-kind'
import { STAFF } from '../../room/role'
import { strict, words } from '../../schema/shape'
import { kind, Words } from './kind'

export const faultCured = kind({
  body: strict({ fault: words(FAULTS), cure: Words }),
  filter: 'trouble',
  mayWrite: STAFF,
  fold: (state, { fault }) => ({ ...state, faults: state.faults.filter((each) => each.fault !== fault) }),
  words: ({ fault, cure }) => ({ title: `Cured: ${fault}`, detail: cure }),
})
