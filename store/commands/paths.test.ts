import fc from 'fast-check'
import { v7 as uuid } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { MachinesFileSchema } from '@/core/exchange/machines-file'
import { readLogLine, saidAs, TYPABLE_KINDS } from '@/core/log-line/log-line'
import { PLAIN_KINDS, type PlainKind } from '@/core/machine/event'
import { UNSEEN } from '@/core/machine/fold'
import { may } from '@/core/wire/permission'
import { ROLES, type Role } from '@/core/room/role'
import { Invalid } from '@/core/schema/invalid'
import { check } from '@/core/schema/validate'
import { ANY_BODY } from '@/core/testing/histories'
import { ORDINARY_TRAITS } from '@/core/testing/ordinary-machine'
import type { Actor } from '../actor'
import type { Store } from '../connect'
import { readMachinesFile } from '../machine/machines-file'
import { aProject, aStaffedVenue, freshStore } from '../testing/store'
import { runCommand } from './run'

/**
 * Every kind of line × every role × every way by which a line can come to stand in a book. What a role may not write
 * directly comes in by no other way, and what it may comes in by each.
 */
let store: Store
let end: () => Promise<void>
let number = 0
const actors = {} as Record<Role, Actor>
const courseId = uuid()

const run = (as: Actor, name: string, body: object, commandId = uuid()) =>
  runCommand(store, as, name, { commandId, body })
const outcome = (work: Promise<unknown>) =>
  work.then(
    () => 'landed',
    (error: unknown) => {
      if (error instanceof Invalid) return error.fault.code === 'not-allowed' ? 'not-allowed' : error.fault.message
      throw error
    },
  )

beforeAll(async () => {
  ;({ store, end } = await freshStore())
  Object.assign(actors, await aStaffedVenue(store, 'paths'))
  await run(actors.coordinator, 'open-course', { courseId, name: 'Bags' })
})
afterAll(() => end())

/** A machine of its own, and whoever writes in its book: a learner has their seat there. */
async function aMachine(role: Role): Promise<{ machineId: string; actor: Actor }> {
  const machineId = uuid()
  number += 1
  const facts = { machineId, name: `Stint ${number}`, number, place: { x: 1, y: 1 }, traits: ORDINARY_TRAITS }
  await run(actors.coordinator, 'add-machine', { ...facts, source: 'manual' })
  if (role !== 'learner') return { machineId, actor: actors[role] }
  const project = aProject(`Ida ${number}`)
  await run(actors.coordinator, 'add-projects', { courseId, projects: [project] })
  await run(actors.coordinator, 'give-kits', {
    kits: [{ kitGivenId: uuid(), projectId: project.projectId, machineId }],
  })
  return { machineId, actor: { siteId: actors.coordinator.siteId, personId: project.personId, role } }
}

const bodyOf = (kind: PlainKind): object => {
  const [body] = fc.sample(ANY_BODY[kind], { numRuns: 1, seed: 7 })
  // The room check is for staff alone, whatever the line is called; who may write which list is told elsewhere.
  return kind === 'check-run' ? { ...body!, list: 'seat' } : body!
}
const OWN = { symptom: 'skipped', answers: [{ check: 'lint', found: false }], outcome: 'left' }

const WAYS: Readonly<Record<string, (kind: PlainKind, role: Role) => Promise<string>>> = {
  // First, while the room to write out is small.
  'by a file that names them': async (kind, role) => {
    const { machineId, actor } = await aMachine(role)
    const file = check(MachinesFileSchema, await readMachinesFile(store, actor.siteId))
    const machines = file.machines.filter((each) => each.machineId === machineId)
    const line = { eventId: uuid(), happenedAt: new Date().toISOString(), personId: actor.personId, kind }
    const book = [{ ...line, body: bodyOf(kind) }]
    const filled = { ...file, machines: machines.map((each) => ({ ...each, book })) }
    const said = await outcome(run(actors.coordinator, 'import-machines', { file: filled }))
    return said.includes('cannot write') ? 'not-allowed' : said
  },
  directly: async (kind, role) => {
    const { machineId, actor } = await aMachine(role)
    const line = { machineId, happenedAt: new Date().toISOString(), kind, body: bodyOf(kind) }
    return outcome(run(actor, 'log', line))
  },
  'by correcting a line of their own into it': async (kind, role) => {
    const { log } = await aBook(role)
    const corrects = await log('fault-run', OWN)
    const replacement = { kind, body: bodyOf(kind) }
    return outcome(log('correction', { corrects, because: 'a slip', replacement }))
  },
  'by correcting their own correction into it': async (kind, role) => {
    const { log } = await aBook(role)
    const first = await log('fault-run', OWN)
    const corrects = await log('correction', { corrects: first, because: 'a slip' })
    const replacement = { kind, body: bodyOf(kind) }
    return outcome(log('correction', { corrects, because: 'another slip', replacement }))
  },
}

async function aBook(role: Role) {
  const { machineId, actor } = await aMachine(role)
  const log = async (kind: string, body: object) => {
    const id = uuid()
    await run(actor, 'log', { machineId, happenedAt: new Date().toISOString(), kind, body }, id)
    return id
  }
  return { log }
}

describe.each(Object.keys(WAYS))('%s', (way) => {
  // Taking words out names a line of the same book and comes in directly or not at all: put-away.test tells.
  it.each(PLAIN_KINDS.filter((kind) => kind !== 'redacted'))(
    'a line “%s” comes into a book for those who may write it, and for nobody else',
    async (kind) => {
      for (const role of ROLES)
        expect([role, await WAYS[way]!(kind, role)]).toEqual([
          role,
          may(role, `log:${kind}`) ? 'landed' : 'not-allowed',
        ])
    },
  )
})

it.each(ROLES)('typed, a %s is offered what they may write and is read nothing else', (role) => {
  const mine = (kind: PlainKind) => may(role, `log:${kind}`)
  const machine = { machineId: 'm1', name: 'Heron', number: 1, code: 'M000001', traits: {}, state: UNSEEN }
  const context = { machines: [machine], may: mine }
  const { next } = readLogLine('heron ', context)
  for (const kind of TYPABLE_KINDS) {
    expect([kind, next.includes(saidAs(kind))]).toEqual([kind, mine(kind)])
    if (!mine(kind)) expect(readLogLine(`heron ${saidAs(kind)} x`, context).happening?.kind).not.toBe(kind)
  }
})
