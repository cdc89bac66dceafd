import { stringify as stableText } from 'safe-stable-stringify'
import { createHash } from 'node:crypto'
import * as Type from 'typebox'
import { aboutOf } from '@/core/wire/about'
import { byServersClock } from '@/core/wire/device-clock'
import { check } from '@/core/schema/validate'
import type { CommandName } from '@/core/wire/commands'
import { strict } from '@/core/schema/shape'
import { refuseUnlessAllowed, type Actor } from '../actor'
import type { Store } from '../connect'
import { Refused } from '../refused'
import type { Command } from './command'
import { callStaff, endCall, goToCall, seeCalls, takeCallBack, visitSeat } from './call'
import { decideLeftLine, handOverLine, leaveLine } from './left-line'
import { log } from './log'
import {
  addMachine,
  confirmTraits,
  placeInRows,
  placeInstructor,
  placeMachine,
  putTraitAway,
  setTrait,
} from './machine'
import { changeVenue, takeArchive } from './venue'
import {
  changeRole,
  endInvitation,
  endPerson,
  erase,
  invitePerson,
  letInAgain,
  renamePerson,
  setOwnUnits,
} from './people'
import { logProgress, signOff } from './progress'
import { logDropTest } from './drop-test'
import { changeHouseRules } from './house-rules'
import { importKits } from './import-kits'
import { setMachinePhotograph } from './photograph'
import { importMachines } from './import-machines'
import { changeClassCode, closeCourse, copyCourse, openCourse, renameCourse, reopenCourse, setClass } from './course'
import { addProject, addProjects, changeProject, giveKit, giveKits, takeKitsBack } from './project'
import { putAway, renameMachine, renameProject, takeOut } from './put-away'
import { endKey, makeKey } from './keys'
import { addSessions, changeSession, endPair, pairPeople, setAttendance, setNeeds, setPlan, tellClass } from './session'
import { adjustStock, countStock, putShelfAway, receiveStock, takeStock } from './stock'

/** Everything that can be written, by the name it has on the wire. */
export const COMMANDS: Readonly<Record<CommandName, Command>> = {
  log,
  'leave-line': leaveLine,
  'hand-over-line': handOverLine,
  'decide-left-line': decideLeftLine,
  'call-staff': callStaff,
  'visit-seat': visitSeat,
  'take-call-back': takeCallBack,
  'see-calls': seeCalls,
  'go-to-call': goToCall,
  'end-call': endCall,
  'give-kit': giveKit,
  'give-kits': giveKits,
  'take-kits-back': takeKitsBack,
  'add-project': addProject,
  'add-projects': addProjects,
  'change-project': changeProject,
  'open-course': openCourse,
  'set-class': setClass,
  'put-away': putAway,
  'take-out': takeOut,
  'rename-project': renameProject,
  'rename-machine': renameMachine,
  'take-archive': takeArchive,
  'add-machine': addMachine,
  'place-machine': placeMachine,
  'place-instructor': placeInstructor,
  'place-in-rows': placeInRows,
  'set-trait': setTrait,
  'put-trait-away': putTraitAway,
  'confirm-traits': confirmTraits,
  'receive-stock': receiveStock,
  'count-stock': countStock,
  'take-stock': takeStock,
  'adjust-stock': adjustStock,
  'put-shelf-away': putShelfAway,
  'add-sessions': addSessions,
  'change-session': changeSession,
  'tell-class': tellClass,
  'set-attendance': setAttendance,
  'set-needs': setNeeds,
  'pair-people': pairPeople,
  'end-pair': endPair,
  'set-plan': setPlan,
  'log-progress': logProgress,
  'sign-off': signOff,
  'make-key': makeKey,
  'end-key': endKey,
  'import-kits': importKits,
  'import-machines': importMachines,
  'log-drop-test': logDropTest,
  'change-house-rules': changeHouseRules,
  'invite-person': invitePerson,
  'end-invitation': endInvitation,
  'let-in-again': letInAgain,
  'change-role': changeRole,
  'end-person': endPerson,
  'set-own-units': setOwnUnits,
  'rename-person': renamePerson,
  'erase-person': erase,
  'set-machine-photograph': setMachinePhotograph,
  'change-venue': changeVenue,
  'rename-course': renameCourse,
  'change-class-code': changeClassCode,
  'close-course': closeCourse,
  'reopen-course': reopenCourse,
  'copy-course': copyCourse,
}

const isCommand = (name: string): name is CommandName => Object.hasOwn(COMMANDS, name)

export const EnvelopeSchema = strict({
  commandId: Type.String({ format: 'uuid' }),
  /** who wrote it, where it waited on a device on which somebody else may be signed in by now */
  as: Type.Optional(Type.String({ format: 'uuid' })),
  /** when it was sent, by the clock that says when it happened: of a device, which may be off */
  sentAt: Type.Optional(Type.String({ format: 'date-time' })),
  body: Type.Unknown(),
})

/** `before`: this very command had landed already, so nothing was written again. */
export interface Landed {
  readonly commandId: string
  readonly landed: 'now' | 'before'
}

/**
 * Runs one command: validated, allowed, in one transaction, once. The same id sent again with the same body lands once;
 * with another body it is refused.
 * @param now for histories that are told afterwards; absent: the database's clock
 * @param found how the server itself runs a command of that name
 * @throws Invalid (400) with the path of the fault, or Refused with its status; nothing is half-written
 */
export async function runCommand(
  store: Store,
  actor: Actor,
  name: string,
  envelope: unknown,
  now?: Date,
  found: Command | undefined = isCommand(name) ? COMMANDS[name] : undefined,
): Promise<Landed> {
  if (!found)
    throw new Refused(404, 'unknown-name', `"${name}" is no command; allowed are ${Object.keys(COMMANDS).join(', ')}`)
  const { commandId, as, sentAt, body: raw } = check(EnvelopeSchema, envelope)
  if (as !== undefined && as !== actor.personId)
    throw new Refused(403, 'not-you', 'Somebody else wrote this: it waits until they are signed in here', 'as')
  const body: unknown = check(found.schema, raw)
  refuseUnlessAllowed(actor, found.action(body))
  try {
    return await landOnce(store, actor, name, { commandId, body, sentAt }, found, now)
  } catch (error) {
    throw databaseRefusal(error) ?? error
  }
}

async function landOnce(
  store: Store,
  actor: Actor,
  name: string,
  {
    commandId,
    body,
    sentAt,
  }: { readonly commandId: string; readonly body: unknown; readonly sentAt?: string | undefined },
  found: Command,
  asked: Date | undefined,
): Promise<Landed> {
  const digest = createHash('sha256')
    .update(stableText(body) ?? '')
    .digest('hex')
  // PostgreSQL itself keeps a command to the venue of whoever gave it.
  return store
    .ofVenue(actor.siteId)
    .transaction()
    .execute(async (tx) => {
      const landed = await tx
        .insertInto('command')
        .values({
          site_id: actor.siteId,
          command_id: commandId,
          name,
          body_digest: digest,
          person_id: actor.personId,
          about: aboutOf(body) ?? null,
        })
        .onConflict((conflict) => conflict.doNothing())
        .returning('recorded_at')
        .executeTakeFirst()
      if (!landed) {
        const before = await tx
          .selectFrom('command')
          .select(['name', 'body_digest', 'person_id'])
          .where('site_id', '=', actor.siteId)
          .where('command_id', '=', commandId)
          .executeTakeFirstOrThrow()
        if (before.name === name && before.body_digest === digest && before.person_id === actor.personId) {
          return { commandId, landed: 'before' }
        }
        throw new Refused(
          409,
          'id-taken',
          'This id has landed already with something else; make a new one',
          'commandId',
        )
      }
      // The database's clock: of several copies of the program each has its own, and one may be an hour off.
      const now = asked ?? landed.recorded_at
      await found.run({ tx, actor, commandId, now }, sentAt === undefined ? body : byServersClock(body, sentAt, now))
      return { commandId, landed: 'now' }
    })
}

/** What PostgreSQL says of input that no schema can know to be wrong; anything else stays the fault it is. */
function databaseRefusal(error: unknown): Refused | undefined {
  const code = error !== null && typeof error === 'object' && 'code' in error ? String(error.code) : ''
  if (code === '23505') return new Refused(409, 'taken', 'One of the ids or names sent is taken already')
  if (code === '23503') return new Refused(404, 'not-found', 'Something that this names is not known here')
  if (code.startsWith('22')) return new Refused(400, 'invalid', 'The text holds a character that cannot be kept')
  return undefined
}
