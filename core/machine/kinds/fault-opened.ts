import * as Type from 'typebox'
import type { Static } from 'typebox'
import { FAULTS, FOR_TECHNICIAN } from '../../knowledge/fault/fault-kind'
import { EVERYONE } from '../../room/role'
import { strict, words } from '../../schema/shape'
import { locked } from '../changes'
import type { OpenFault } from '../state'
import { kind, Words } from './kind'

const Fault = words(FAULTS)
export type Fault = Static<typeof Fault>

export const faultOpened = kind({
  body: strict({ fault: Fault, seen: Type.Optional(Words) }),
  filter: 'trouble',
  mayWrite: EVERYONE,
  fold: (state, { fault, seen }, { happenedAt, eventId }) => {
    const open: OpenFault = {
      fault,
      since: happenedAt,
      eventId,
      ...(seen && { seen }),
      ...(FOR_TECHNICIAN.includes(fault) && { technician: fault }),
    }
    const opened = { ...state, faults: [...state.faults, open] }
    if (fault !== 'electrical') return opened
    const because = `Electrical${seen ? ` (${seen})` : ''}: unplugged until a licensed repair is logged`
    return locked(opened, { kind: 'electrical', because, since: happenedAt, eventId })
  },
  words: ({ fault, seen }) => ({ title: `Fault: ${fault}`, detail: seen ?? '' }),
  typed: { as: 'fault' },
})
