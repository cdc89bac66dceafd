import * as Type from 'typebox'
import { Name } from '../../kit/project'
import { KEY_PURPOSES } from '../../people/key'
import { PERSON_EVENTS } from '../../people/progress'
import { COORDINATOR, EVERYONE, STAFF, STAFF_ROLES, TEACHING } from '../../room/role'
import { UnitsSchema } from '../../room/venue-settings-schema'
import { strict, words } from '../../schema/shape'
import { Id, OneTimeCode, type Commands } from './shape'

/** People, what they have learnt, and keys for devices. */
export const PEOPLE = {
  'log-progress': { mayWrite: EVERYONE, body: PERSON_EVENTS['exercise-done'] },
  'sign-off': {
    mayWrite: TEACHING,
    body: strict({
      personId: Id,
      ...PERSON_EVENTS['signed-off'].properties,
      withdrawn: Type.Optional(Type.Boolean()),
    }),
  },
  'invite-person': {
    mayWrite: COORDINATOR,
    body: strict({ personId: Id, invitationId: Id, name: Name, role: words(STAFF_ROLES), code: OneTimeCode }),
  },
  'end-invitation': { mayWrite: COORDINATOR, body: strict({ invitationId: Id }) },
  'let-in-again': { mayWrite: COORDINATOR, body: strict({ personId: Id, invitationId: Id, code: OneTimeCode }) },
  'change-role': { mayWrite: COORDINATOR, body: strict({ personId: Id, role: words(STAFF_ROLES) }) },
  'end-person': { mayWrite: COORDINATOR, body: strict({ personId: Id }) },
  /** null: as the venue does */
  'set-own-units': { mayWrite: STAFF, body: strict({ units: Type.Union([UnitsSchema, Type.Null()]) }) },
  'rename-person': { mayWrite: TEACHING, body: strict({ personId: Id, name: Name }) },
  /** for good: nobody can take it back */
  'erase-person': { mayWrite: COORDINATOR, body: strict({ personId: Id }) },
  'make-key': {
    mayWrite: COORDINATOR,
    body: strict({
      keyId: Id,
      purpose: words(KEY_PURPOSES),
      machineId: Type.Optional(Id),
      name: Name,
      secret: Type.String({ pattern: '^[A-Za-z0-9_-]{32,100}$' }),
    }),
  },
  'end-key': { mayWrite: COORDINATOR, body: strict({ keyId: Id }) },
} as const satisfies Commands
