import * as Type from 'typebox'
import { COORDINATOR } from '../../room/role'
import { strict } from '../../schema/shape'
import { staleAfter } from '../changes'
import { kind, Words } from './kind'

export const bobbinScrewTurned = kind({
  /** eighths above 0: tighter, clockwise */
  body: strict({ eighths: Type.Integer({ minimum: -8, maximum: 8 }), because: Type.Optional(Words) }),
  filter: 'setting up',
  // In counted eighths, and by somebody who answers for the room.
  mayWrite: COORDINATOR,
  fold: (state) => staleAfter(state, 'bobbin-spring'),
  words: ({ eighths, because }) => {
    const count = Math.abs(eighths) === 1 ? 'one eighth' : `${Math.abs(eighths)} eighths`
    return { title: `Bobbin screw ${count} ${eighths > 0 ? 'tighter' : 'looser'}`, detail: because ?? '' }
  },
})
