import { v7 as uuid } from 'uuid'
import { codeFrom } from '@/core/people/invitation'
import type { Answered } from '@/core/knowledge/tension/answer'
import type { MachineEvent } from '@/core/machine/event'
import { kitMachine } from '@/core/kit/kit-machine'
import { kitRequestFor } from '@/core/kit/for-room'
import { computeKit } from '@/core/kit/kit'
import type { DropTest } from '@/core/kit/needle-fit'
import type { KitRequest, KitStock } from '@/core/kit/request'
import { itemKey, type NeedleItem, type StockItem } from '@/core/stock/item'
import { needlesFitted } from '@/core/stock/reconcile'
import { DEFAULT_HOUSE_RULES, type HouseRules } from '@/core/room/house-rules'
import type { Actor } from '@/store/actor'
import { runCommand } from '@/store/commands/run'
import type { Store } from '@/store/connect'
import { joinBy } from '@/store/site/invitations'
import { createSite } from '@/store/site/create-site'
import { demoHistory } from './history'
import { DEMO_MACHINES } from './machines'
import { DEMO_PROJECTS } from './projects'
import { Chance } from './random'

/** The demo's sign-ins; made up, and printed when the demo starts. */
export const DEMO_PASSWORD = 'saltmarsh-demo'
export const DEMO_STAFF = [
  { role: 'coordinator', name: 'Mireille', email: 'coordinator@saltmarsh.example' },
  { role: 'instructor', name: 'Tobias', email: 'instructor@saltmarsh.example' },
  { role: 'helper', name: 'Wren', email: 'helper@saltmarsh.example' },
] as const
export const DEMO_CLASS_CODE = 'salt-boathouse'

const HOUSEHOLD = { system: '130/705 H' } as const
const NEEDLES: readonly (Omit<NeedleItem, 'kind'> & { readonly count: number })[] = [
  { ...HOUSEHOLD, point: 'universal', sizeNm: 60, count: 5 },
  { ...HOUSEHOLD, point: 'universal', sizeNm: 70, count: 18 },
  { ...HOUSEHOLD, point: 'universal', sizeNm: 80, count: 22 },
  { ...HOUSEHOLD, point: 'universal', sizeNm: 90, count: 14 },
  { ...HOUSEHOLD, point: 'universal', sizeNm: 100, count: 6 },
  { ...HOUSEHOLD, point: 'universal', sizeNm: 110, count: 4 },
  { ...HOUSEHOLD, point: 'microtex', sizeNm: 60, count: 8 },
  { ...HOUSEHOLD, point: 'microtex', sizeNm: 70, count: 10 },
  { ...HOUSEHOLD, point: 'microtex', sizeNm: 80, count: 5 },
  { ...HOUSEHOLD, point: 'ballpoint', sizeNm: 75, count: 5 },
  { ...HOUSEHOLD, point: 'ballpoint', sizeNm: 80, count: 10 },
  { ...HOUSEHOLD, point: 'ballpoint', sizeNm: 90, count: 5 },
  { ...HOUSEHOLD, point: 'stretch', sizeNm: 75, count: 10 },
  { ...HOUSEHOLD, point: 'stretch', sizeNm: 90, count: 5 },
  { ...HOUSEHOLD, point: 'jeans', sizeNm: 90, count: 5 },
  { ...HOUSEHOLD, point: 'jeans', sizeNm: 100, count: 8 },
  { ...HOUSEHOLD, point: 'jeans', sizeNm: 110, count: 4 },
  { ...HOUSEHOLD, point: 'leather', sizeNm: 100, count: 4 },
  { ...HOUSEHOLD, point: 'leather', sizeNm: 110, count: 3 },
  { ...HOUSEHOLD, point: 'quilting', sizeNm: 90, count: 5 },
  { ...HOUSEHOLD, point: 'topstitch', sizeNm: 80, count: 5 },
  { ...HOUSEHOLD, point: 'topstitch', sizeNm: 90, count: 0 },
  { ...HOUSEHOLD, point: 'twin-ballpoint', sizeNm: 75, count: 2 },
  { ...HOUSEHOLD, point: 'wing', sizeNm: 100, count: 2 },
  { system: 'long shank', point: 'universal', sizeNm: 80, count: 3 },
  { system: 'long shank', point: 'universal', sizeNm: 90, count: 5 },
  { system: 'long shank', point: 'universal', sizeNm: 100, count: 2 },
  { system: '135×17', point: 'universal', sizeNm: 110, count: 6 },
  { system: '135×17', point: 'leather', sizeNm: 110, count: 5 },
  { system: '16×231', point: 'universal', sizeNm: 80, count: 4 },
  { system: '16×231', point: 'universal', sizeNm: 90, count: 8 },
]

const THREADS: KitStock['threads'] = [
  { tex: 27, fibre: 'polyester', use: 'all-purpose' },
  { tex: 18, fibre: 'polyester', use: 'fine' },
  { tex: 20, fibre: 'cotton', use: 'all-purpose' },
  { tex: 60, fibre: 'polyester', use: 'topstitch' },
  { tex: 40, fibre: 'polyester', use: 'heavy' },
  { tex: 60, fibre: 'polyester', use: 'heavy' },
]

/** Needles of which nobody knows where they are. */
const MISSING = { point: 'universal', sizeNm: 80, count: 1 } as const

/** What the table has taught: needles hung on their own threads. */
const DROP_TESTS: readonly (DropTest & { readonly daysAgo: number })[] = [
  { point: 'universal', sizeNm: 90, thread: { tex: 45, fibre: 'polyester' }, result: 'slides', daysAgo: 33 },
  { point: 'universal', sizeNm: 100, thread: { tex: 60, fibre: 'polyester' }, result: 'spirals', daysAgo: 19 },
  {
    point: 'leather',
    sizeNm: 110,
    thread: { tex: 60, fibre: 'polyester', finish: 'bonded' },
    result: 'slides',
    daysAgo: 12,
  },
]

const DEMO_RULES: HouseRules = {
  ...DEFAULT_HOUSE_RULES,
  firstAid: {
    firstAider: 'Wren, or the desk in the front hall',
    box: 'On the wall beside the boathouse door',
    emergency: '112',
  },
}

/** Right answers of five, by learner and exercise. */
const LEARNT: Readonly<Record<string, Readonly<Record<string, number>>>> = {
  Ansa: {
    'needle-parts': 5,
    bobbin: 5,
    discs: 5,
    start: 4,
    tension: 5,
    looser: 5,
    read: 5,
    between: 4,
    sort: 5,
    swatches: 4,
  },
  Chidi: { discs: 4, bobbin: 3 },
  Lotta: { discs: 5, start: 5 },
}
/** What was taken for what, in the exercise that asks what a swatch shows. */
const MIXED: Readonly<Record<string, readonly Answered[]>> = {
  Chidi: [
    { shown: 'threading', said: 'too-loose' },
    { shown: 'good', said: 'good' },
    { shown: 'threading', said: 'too-loose' },
    { shown: 'too-tight', said: 'too-tight' },
    { shown: 'needle', said: 'needle' },
    { shown: 'threading', said: 'threading' },
  ],
  Lotta: [
    { shown: 'threading', said: 'too-loose' },
    { shown: 'too-loose', said: 'too-loose' },
    { shown: 'threading', said: 'too-loose' },
    { shown: 'needle', said: 'good' },
    { shown: 'good', said: 'good' },
    { shown: 'too-tight', said: 'too-tight' },
  ],
}

export interface PracticeVenue {
  /** absent: one is made */
  readonly siteId?: string
  readonly code: string
  /** of every member of staff */
  readonly password: string
  readonly emails: Readonly<Record<(typeof DEMO_STAFF)[number]['role'], string>>
  /** the venue that opened it beside itself, and until when it stays */
  readonly practiceOf?: string | undefined
  readonly endsAt?: Date
}

const DEMO: PracticeVenue = {
  code: DEMO_CLASS_CODE.split('-')[0]!,
  password: DEMO_PASSWORD,
  emails: { coordinator: DEMO_STAFF[0].email, instructor: DEMO_STAFF[1].email, helper: DEMO_STAFF[2].email },
}

/**
 * Makes the Saltmarsh Road Toolshed: nine machines, twelve projects, eight weeks of history up to `today`, all written through
 * the same commands that people use.
 * @returns its id
 */
export async function seedDemo(store: Store, today: Date, venue = DEMO): Promise<string> {
  const { siteId, code: siteCode, password, emails, practiceOf, endsAt } = venue
  const chance = new Chance(20_260)
  const weeksAgo = new Date(today.getTime() - 70 * 24 * 3_600_000)
  const [first, ...others] = DEMO_STAFF
  const coordinator = await store.transaction().execute((tx) =>
    createSite(
      tx,
      {
        ...(siteId && { siteId }),
        code: siteCode,
        name: 'Saltmarsh Road Toolshed',
        timeZone: 'Europe/London',
        practice: true,
        ...(practiceOf && { practiceOf }),
        ...(endsAt && { endsAt }),
      },
      { name: first.name, email: emails.coordinator, password },
    ),
  )
  const id = () => chance.id(weeksAgo)
  const run = (name: string, body: object, who: Actor = coordinator, commandId = id(), now = weeksAgo) =>
    runCommand(store, who, name, { commandId, body }, now)

  const staff: Record<string, Actor> = { coordinator }
  for (const { role, name } of others) {
    const personId = uuid()
    const code = codeFrom(crypto.getRandomValues(new Uint8Array(12)))
    await run('invite-person', { personId, invitationId: uuid(), name, role, code })
    await joinBy(store, { code, email: emails[role], password }, weeksAgo)
    staff[role] = { siteId: coordinator.siteId, personId, role }
  }

  const machineIds = new Map<string, string>()
  for (const machine of DEMO_MACHINES) {
    const machineId = id()
    machineIds.set(machine.name, machineId)
    await run('add-machine', { machineId, source: 'manual', ...machine })
  }

  await run('place-instructor', { place: { x: 63, y: 44 } })
  await run('change-house-rules', { rules: DEMO_RULES })

  const history = demoHistory(chance, today)
  // What was bought is what lies there now and what went into machines since; of one kind a needle is missing.
  for (const { item, count } of boughtNeedles(history.map(({ event }) => event as MachineEvent))) {
    await run('receive-stock', { item, count })
  }
  for (const thread of THREADS) {
    await run('count-stock', { item: { kind: 'thread', ...thread }, count: 6 })
  }

  for (const { daysAgo, ...test } of DROP_TESTS) {
    const testedAt = new Date(today.getTime() - daysAgo * 24 * 3_600_000).toISOString()
    await run('log-drop-test', { ...test, testedAt }, staff['helper'])
  }

  for (const { machine, by, event } of history) {
    const { eventId, happenedAt, kind, body } = event as MachineEvent
    await run(
      'log',
      { machineId: machineIds.get(machine), happenedAt, kind, body },
      staff[by],
      eventId,
      new Date(happenedAt),
    )
  }

  for (const { count, ...item } of NEEDLES) {
    const now = new Date(today.getTime() - 60_000)
    await run('count-stock', { item: { kind: 'needle', ...item }, count }, staff['instructor'], id(), now)
  }

  const courseId = id()
  await run('open-course', { courseId, name: 'Camp Kit', classCode: DEMO_CLASS_CODE.split('-')[1] })
  await planThursdays(store, coordinator.siteId, courseId, today)
  for (const project of DEMO_PROJECTS) {
    const { machine, ...facts } = project
    const projectId = id()
    const personId = id()
    await run('add-project', { projectId, courseId, personId, enrolmentId: id(), ...facts })
    await learn(personId, facts.learner)
    if (machine) await giveBestKit(machine, facts, projectId)
  }

  /** What the class has done in the trainer, and one who was seen to turn the dial. */
  async function learn(personId: string, learner: string): Promise<void> {
    const who: Actor = { siteId: coordinator.siteId, personId, role: 'learner' }
    for (const [exercise, right] of Object.entries(LEARNT[learner] ?? {})) {
      await run('log-progress', { exercise, right, of: 5 }, who, id(), new Date(today.getTime() - 6 * 24 * 3_600_000))
    }
    const answers = MIXED[learner]
    if (answers) {
      const right = answers.filter(({ shown, said }) => shown === said).length
      const lastWeek = new Date(today.getTime() - 8 * 24 * 3_600_000)
      await run('log-progress', { exercise: 'read', right, of: answers.length, answers }, who, id(), lastWeek)
    }
    if (learner === 'Ansa') {
      await run('sign-off', { personId, skill: 'tension', machineKind: 'mechanical' }, staff['instructor'], id(), today)
    }
  }

  async function giveBestKit(
    name: string,
    facts: Pick<KitRequest, 'fabric' | 'layers' | 'operation'>,
    projectId: string,
  ) {
    const known = kitMachine(DEMO_MACHINES.find((each) => each.name === name)!.traits)
    if ('missing' in known) throw new Error(`${name} lacks ${known.missing.join(', ')}`)
    const room = {
      rules: DEMO_RULES,
      stock: { needles: NEEDLES, threads: THREADS },
      dropTests: [...DROP_TESTS].reverse(),
    }
    const { kits, refusals } = computeKit(kitRequestFor(facts, known.machine, room))
    const needle = kits[0]?.needle
    if (!needle) throw new Error(`${name} refuses ${projectId}: ${refusals[0]?.because}`)
    const { point, sizeNm, gapMm } = needle
    const chosen = { point, sizeNm, ...(gapMm !== undefined && { gapMm }) }
    await run(
      'give-kit',
      { projectId, machineId: machineIds.get(name), needle: chosen },
      staff['instructor'],
      id(),
      today,
    )
  }
  return coordinator.siteId
}

/** What must have been bought for the history to have happened and the shelf to hold what it holds. */
function boughtNeedles(events: readonly MachineEvent[]): { item: NeedleItem; count: number }[] {
  const bought = new Map<string, { item: NeedleItem; count: number }>()
  const add = (item: StockItem, count: number) => {
    if (item.kind !== 'needle' || count === 0) return
    const key = itemKey(item)
    bought.set(key, { item, count: (bought.get(key)?.count ?? 0) + count })
  }
  for (const { item } of needlesFitted([{ machineId: '', events }])) add(item, 1)
  for (const { count, ...item } of NEEDLES) add({ kind: 'needle', ...item }, count)
  add({ kind: 'needle', ...HOUSEHOLD, point: MISSING.point, sizeNm: MISSING.sizeNm }, MISSING.count)
  return [...bought.values()]
}

/** The course's six sessions: the next one is the coming Thursday. */
async function planThursdays(store: Store, siteId: string, courseId: string, today: Date): Promise<void> {
  const next = new Date(Date.UTC(today.getUTCFullYear(), today.getUTCMonth(), today.getUTCDate(), 18))
  while (next.getUTCDay() !== 4) next.setUTCDate(next.getUTCDate() + 1)
  const starts = Array.from({ length: 6 }, (_, week) => new Date(next.getTime() + week * 7 * 24 * 3_600_000))
  await store
    .insertInto('session')
    .values(
      starts.map((start) => ({
        site_id: siteId,
        session_id: uuid(),
        course_id: courseId,
        starts_at: start,
        ends_at: new Date(start.getTime() + 2 * 3_600_000),
        blocks: 2,
      })),
    )
    .execute()
}
