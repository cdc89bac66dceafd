import * as Type from 'typebox'
import { TEACHING } from '../../room/role'
import { strict, words } from '../../schema/shape'
import { Name } from '../../kit/project'
import { Id, type Commands } from './shape'

/** What is put away by its row; a machine is by a line in its book. A learner is one of a class: their enrolment. */
export const PUTTABLE = ['project', 'learner', 'session'] as const
export type Puttable = (typeof PUTTABLE)[number]
const which = strict({ what: words(PUTTABLE), id: Id })

/** What is not at work any more is put away, and taken out again; whatever names it still finds it. Anything with a name gets another. */
export const PUTTING_AWAY = {
  'put-away': { mayWrite: TEACHING, body: which },
  'take-out': { mayWrite: TEACHING, body: which },
  'rename-project': { mayWrite: TEACHING, body: strict({ projectId: Id, name: Name, was: Type.Optional(Name) }) },
  'rename-machine': {
    mayWrite: TEACHING,
    body: strict({
      machineId: Id,
      name: Name,
      number: Type.Integer({ minimum: 1, maximum: 9999 }),
      notes: Type.String({ maxLength: 500 }),
    }),
  },
} as const satisfies Commands
