import { STALE_AFTER } from '../../knowledge/check/check'
import { TEACHING } from '../../room/role'
import { strict } from '../../schema/shape'
import { kind } from './kind'

/** It stands in the room again. Whatever it went through meanwhile nobody saw: it is looked over as at a first look. */
export const takenOut = kind({
  body: strict({}),
  filter: 'notes',
  mayWrite: TEACHING,
  fold: ({ putAway: _, ...state }) => ({ ...state, stale: STALE_AFTER['first-look'] }),
  words: () => ({ title: 'Taken out again', detail: 'It stands in the room; every check is asked anew' }),
  typed: { as: 'taken out', also: ['take out'] },
})
