import { readdirSync } from 'node:fs'
import { join } from 'node:path'
import { randomUUID } from 'node:crypto'
import { request as playwrightRequest, type APIRequestContext } from '@playwright/test'
import { codeOf } from '@/core/code/code'
import { EVENT_KINDS } from '@/core/machine/event'
import { DEFAULT_HOUSE_RULES } from '@/core/room/house-rules'
import { ACTIONS, type Action, type Deed } from '@/core/wire/permission'
import { COMMANDS } from '@/store/commands/run'
import { expect, stateFile, test } from './people'

const ROLES = ['coordinator', 'instructor', 'helper', 'learner'] as const
type Allowed = Readonly<Record<(typeof ROLES)[number], boolean>>

const row = (marks: string): Allowed => {
  const [coordinator, instructor, helper, learner] = [...marks].map((mark) => mark === '●')
  return { coordinator: coordinator!, instructor: instructor!, helper: helper!, learner: learner! }
}

/** Who may do what: coordinator, instructor, helper, learner. A new action without a row here fails. */
const MATRIX: Readonly<Record<Action, Allowed>> = {
  'log:needle-changed': row('●●●·'),
  'log:needle-broke': row('●●●●'),
  'log:pieces-found': row('●●●·'),
  'log:set-up': row('●●●·'),
  'log:check-run': row('●●●●'),
  'log:swatch-stitched': row('●●●●'),
  'log:used': row('●●●·'),
  'log:turn-ended': row('●●●●'),
  'log:bobbin-wound': row('●●●·'),
  'log:laid-out': row('●●●·'),
  'log:cleaned': row('●●●·'),
  'log:oiled': row('●●●·'),
  'log:baseline-set': row('●●··'),
  'log:found-off': row('●●●·'),
  'log:restored': row('●●●·'),
  'log:trait-learnt': row('●●··'),
  'log:trait-put-away': row('●●··'),
  'log:fault-opened': row('●●●●'),
  'log:fault-cured': row('●●●·'),
  'log:fault-run': row('●●●●'),
  'log:bobbin-screw-turned': row('●···'),
  'log:serviced': row('●●··'),
  'log:electrical-test': row('●●··'),
  'log:released': row('●···'),
  'log:red-tagged': row('●●●·'),
  'log:put-away': row('●●··'),
  'log:taken-out': row('●●··'),
  'log:redacted': row('●●··'),
  'log:red-tag-lifted': row('●●··'),
  'log:somebody-hurt': row('●●●●'),
  'log:noted': row('●●●·'),
  'log:correction': row('●●●●'),
  'leave-line': row('···●'),
  'hand-over-line': row('●●●·'),
  'decide-left-line': row('●●●·'),
  'call-staff': row('●●●●'),
  'take-call-back': row('●●●●'),
  'visit-seat': row('●●●·'),
  'see-calls': row('●●●·'),
  'go-to-call': row('●●●·'),
  'end-call': row('●●●·'),
  'put-away': row('●●··'),
  'take-out': row('●●··'),
  'rename-project': row('●●··'),
  'rename-machine': row('●●··'),
  'give-kit': row('●●··'),
  'give-kits': row('●●··'),
  'take-kits-back': row('●●··'),
  'add-project': row('●●··'),
  'add-projects': row('●●··'),
  'change-project': row('●●··'),
  'import-kits': row('●···'),
  'log-drop-test': row('●●●·'),
  'open-course': row('●●··'),
  'add-machine': row('●●··'),
  'place-machine': row('●●··'),
  'place-instructor': row('●●··'),
  'confirm-traits': row('●●··'),
  'set-trait': row('●●··'),
  'put-trait-away': row('●●··'),
  'place-in-rows': row('●●··'),
  'put-shelf-away': row('●●··'),
  'receive-stock': row('●●··'),
  'count-stock': row('●●··'),
  'take-stock': row('●●●·'),
  'adjust-stock': row('●●··'),
  'import-machines': row('●···'),
  'add-sessions': row('●●··'),
  'change-session': row('●●··'),
  'tell-class': row('●●··'),
  'set-attendance': row('●●●·'),
  'set-needs': row('●●··'),
  'pair-people': row('●●··'),
  'end-pair': row('●●··'),
  'set-plan': row('●●··'),
  'log-progress': row('●●●●'),
  'sign-off': row('●●··'),
  'make-key': row('●···'),
  'end-key': row('●···'),
  'invite-person': row('●···'),
  'end-invitation': row('●···'),
  'let-in-again': row('●···'),
  'change-role': row('●···'),
  'end-person': row('●···'),
  'set-own-units': row('●●●·'),
  'rename-person': row('●●··'),
  'erase-person': row('●···'),
  'set-machine-photograph': row('●●··'),
  'change-venue': row('●···'),
  'take-archive': row('●···'),
  'rename-course': row('●●··'),
  'set-class': row('●●··'),
  'change-class-code': row('●●··'),
  'close-course': row('●●··'),
  'reopen-course': row('●●··'),
  'copy-course': row('●●··'),
  'change-house-rules': row('●···'),
  'see-room': row('●●●·'),
  'see-kits': row('●●●·'),
  'see-book': row('●●●·'),
  'see-stores': row('●●●·'),
  'see-sessions': row('●●●·'),
  'see-people': row('●···'),
  'see-lab': row('●●●●'),
  'see-first-aid': row('●●●●'),
  'see-progress': row('●●··'),
  'see-rules': row('●●●·'),
  'see-station': row('···●'),
}

/** Every page of the application and what seeing it asks for. */
const PAGES: Readonly<Record<string, Action | 'anyone'>> = {
  '/': 'anyone',
  '/sign-in': 'anyone',
  '/enter': 'anyone',
  '/setup': 'anyone',
  '/join': 'anyone',
  '/forgotten': 'anyone',
  '/away': 'anyone',
  '/tablet': 'anyone',
  '/you': 'see-room',
  '/begin': 'see-people',
  '/kits/classes': 'see-kits',
  '/put-away': 'see-room',
  '/room': 'see-room',
  '/room/before': 'see-room',
  '/room/care': 'see-room',
  '/room/now': 'see-room',
  '/room/wall': 'see-room',
  '/room/arrange': 'place-machine',
  '/kits': 'see-kits',
  '/kits/new': 'add-project',
  '/kits/sheet': 'add-projects',
  '/kits/desk': 'see-kits',
  '/kits/labels': 'see-kits',
  '/kits/[project]': 'see-kits',
  '/kits/[project]/print': 'see-kits',
  '/open/[code]': 'anyone',
  '/open/[code]/[face]': 'anyone',
  '/sessions': 'see-sessions',
  '/sessions/new': 'add-sessions',
  '/sessions/[session]': 'see-sessions',
  '/sessions/[session]/bench': 'see-sessions',
  '/sessions/[session]/changeover': 'see-sessions',
  '/sessions/[session]/people': 'see-sessions',
  '/sessions/[session]/close': 'see-sessions',
  '/sessions/course/[course]': 'see-sessions',
  '/rules': 'see-rules',
  '/machines/exchange': 'import-machines',
  '/machines/new': 'add-machine',
  '/machines/[machine]': 'see-book',
  '/machines/[machine]/needle': 'see-book',
  '/machines/[machine]/check': 'see-book',
  '/machines/[machine]/print': 'see-book',
  '/machines/[machine]/swatch': 'see-book',
  '/machines/[machine]/fault': 'see-book',
  '/machines/[machine]/curve': 'see-book',
  '/room/patterns': 'see-progress',
  '/hurt': 'see-first-aid',
  '/lab': 'see-lab',
  '/lab/trainer': 'see-lab',
  '/lab/words': 'see-lab',
  '/lab/cloth': 'see-lab',
  '/lab/demonstration': 'see-lab',
  '/lab/hand-out': 'see-lab',
  '/lab/progress': 'see-progress',
  '/machines/[machine]/traits': 'see-book',
  '/stores': 'see-stores',
  '/stores/labels': 'see-stores',
  '/stores/sheet': 'count-stock',
  '/people': 'see-people',
  '/people/kept': 'see-people',
  '/people/deeds': 'see-people',
  '/venue': 'see-people',
  '/station': 'see-station',
  '/station/check': 'see-station',
  '/station/swatch': 'see-station',
  '/station/fault': 'see-station',
}

/** Route handlers, each checked in this file or open on purpose. */
const HANDLERS = [
  '/api/archive',
  '/api/care/[secret]',
  '/api/commands/[name]',
  '/api/compute/[name]',
  '/api/courses/[course]/plan',
  '/api/devices/[device]',
  '/api/forgotten',
  '/api/health',
  '/api/kits/[course]',
  '/api/join',
  '/api/kept',
  '/api/kits/sheet',
  '/api/letters',
  '/api/line',
  '/api/machines',
  '/api/machines/[machine]/photograph',
  '/api/machines/sheet',
  '/api/meter',
  '/api/people/[person]',
  '/api/practice',
  '/api/practice-room',
  '/api/sessions/[session]/plan',
  '/api/sessions/[session]/sheet',
  '/api/sessions/[session]/report',
  '/api/setup',
  '/api/stores/sheet',
  '/api/told',
  '/api/sign-in/[...all]',
  '/livez',
  '/metrics',
  '/readyz',
]

const nowhere = randomUUID()
const SESSION = { startsAt: '2030-01-10T18:00:00.000Z', endsAt: '2030-01-10T20:00:00.000Z', blocks: 2 }
const METALLIC = { kind: 'needle', system: '130/705 H', point: 'metallic', sizeNm: 90 }
const fabric = { structure: 'woven', massGsm: 150 }
const facts = { fabric, layers: { seam: 2, crossing: 2 }, operation: 'seam' }

/** A body that fits its schema and names only things that do not exist: being allowed changes nothing. */
const BODIES: Readonly<Record<Deed, object>> = {
  'leave-line': {
    machineId: nowhere,
    happenedAt: '2026-01-01T10:00:00.000Z',
    kind: 'turn-ended',
    body: { finished: false },
  },
  'hand-over-line': {
    ...{ lineId: nowhere, personId: nowhere, machineId: nowhere, happenedAt: '2026-01-01T10:00:00.000Z' },
    ...{ kind: 'cleaned', body: {} },
  },
  'decide-left-line': { lineId: nowhere, take: true },
  'call-staff': { machineId: nowhere, found: {} },
  'take-call-back': { callId: nowhere },
  'visit-seat': { machineId: nowhere, personId: nowhere },
  'see-calls': { callIds: [nowhere] },
  'go-to-call': { callId: nowhere },
  'end-call': { callId: nowhere },
  'give-kit': { projectId: nowhere, machineId: nowhere, needle: { point: 'universal', sizeNm: 80 } },
  'give-kits': {
    kits: [{ kitGivenId: nowhere, projectId: nowhere, machineId: nowhere, needle: { point: 'universal', sizeNm: 80 } }],
  },
  'put-away': { what: 'project', id: nowhere },
  'take-out': { what: 'session', id: nowhere },
  'rename-project': { projectId: nowhere, name: 'x' },
  'rename-machine': { machineId: nowhere, name: 'x', number: 9999, notes: '' },
  'take-kits-back': { kitGivenIds: [nowhere] },
  'add-project': {
    projectId: nowhere,
    courseId: nowhere,
    personId: nowhere,
    enrolmentId: nowhere,
    learner: 'x',
    name: 'x',
    ...facts,
  },
  'add-projects': {
    courseId: nowhere,
    projects: [{ projectId: nowhere, personId: nowhere, enrolmentId: nowhere, learner: 'x', name: 'x', ...facts }],
  },
  'change-project': { projectId: nowhere, ...facts },
  'import-kits': {
    file: {
      orthodex: 'kits',
      version: 1,
      course: { courseId: nowhere, name: 'x', classCode: 'matrix' },
      projects: [],
    },
  },
  'log-drop-test': {
    point: 'metallic',
    sizeNm: 90,
    thread: { tex: 199, fibre: 'metallic' },
    result: 'slides',
  },
  'open-course': { courseId: nowhere, name: 'Camp Kit again', classCode: 'boathouse' },
  'add-machine': { machineId: nowhere, name: 'Heron', number: 1, place: { x: 1, y: 1 }, traits: {}, source: 'manual' },
  'place-machine': { machineId: nowhere, place: { x: 1, y: 1 } },
  'place-instructor': { place: { x: 63, y: 44 } },
  'put-trait-away': { machineId: nowhere, trait: 'evenFeed' },
  'place-in-rows': { perRow: 3 },
  'put-shelf-away': { item: { ...METALLIC, sizeNm: 100 } },
  'confirm-traits': { machineId: nowhere, traits: ['evenFeed'] },
  'set-trait': { machineId: nowhere, trait: 'evenFeed', value: true, source: 'tried' },
  'receive-stock': { item: METALLIC, count: 1 },
  'count-stock': { item: METALLIC, count: 0 },
  'take-stock': { item: { ...METALLIC, sizeNm: 80 }, count: 1 },
  'adjust-stock': { item: METALLIC, change: 0, because: 'for the matrix' },
  'import-machines': { file: { orthodex: 'machines', version: 1, people: [], machines: [] } },
  'add-sessions': { courseId: nowhere, sessions: [{ sessionId: nowhere, ...SESSION }] },
  'change-session': { sessionId: nowhere, ...SESSION },
  'tell-class': { sessionId: nowhere, said: 'Bring your zip' },
  'set-attendance': { sessionId: nowhere, personId: nowhere, comes: 'absent' },
  'set-needs': { personId: nowhere, needs: [] },
  'pair-people': { pairId: nowhere, kind: 'apart', people: [nowhere, randomUUID()] },
  'end-pair': { pairId: nowhere },
  'set-plan': { sessionId: nowhere, basedOn: null, plan: { seats: [], leftOut: [] } },
  'log-progress': { exercise: 'discs', right: 1, of: 1 },
  'sign-off': { personId: nowhere, skill: 'tension', machineKind: 'mechanical' },
  'make-key': { keyId: nowhere, purpose: 'run-meter', machineId: nowhere, name: 'x', secret: 'x'.repeat(40) },
  'end-key': { keyId: nowhere },
  'invite-person': {
    personId: randomUUID(),
    invitationId: nowhere,
    name: 'x',
    role: 'helper',
    code: 'abcd-efgh-jkmn',
  },
  'end-invitation': { invitationId: randomUUID() },
  'let-in-again': { personId: nowhere, invitationId: randomUUID(), code: 'nnnn-nnnn-nnnn' },
  'change-role': { personId: nowhere, role: 'helper' },
  'end-person': { personId: nowhere },
  'set-own-units': { units: null },
  'rename-person': { personId: nowhere, name: 'x' },
  'erase-person': { personId: nowhere },
  'set-machine-photograph': { machineId: nowhere, picture: null },
  'change-venue': { name: 'Saltmarsh Road Toolshed', timeZone: 'Europe/London' },
  'take-archive': {},
  'rename-course': { courseId: nowhere, name: 'x' },
  'change-class-code': { courseId: nowhere },
  'close-course': { courseId: nowhere },
  'reopen-course': { courseId: nowhere },
  'set-class': { courseId: nowhere, settings: {} },
  'copy-course': { courseId: randomUUID(), copyOf: nowhere, name: 'x', learners: true },
  'change-house-rules': { rules: DEFAULT_HOUSE_RULES },
}
const swatch = { dial: 4, target: 'straight', top: 'own', under: 'own', done: [] }
const EVENTS: Readonly<Record<(typeof EVENT_KINDS)[number], object>> = {
  'needle-changed': { out: { reason: 'due', state: 'blunt', wentTo: 'sharps' } },
  'needle-broke': { piecesFound: true },
  'pieces-found': {},
  'set-up': { dial: 4 },
  'check-run': { list: 'seat', steps: [{ step: 'x', group: 'bobbin', result: 'pass' }] },
  'swatch-stitched': swatch,
  'turn-ended': { finished: false },
  used: { use: { load: 'ordinary', motorMinutes: 1 }, finishedProject: false },
  'bobbin-wound': { count: 1 },
  'laid-out': { what: 'x' },
  cleaned: {},
  oiled: {},
  'baseline-set': { settings: { dial: 4 } },
  'found-off': { settings: { dial: 4 } },
  restored: {},
  'trait-learnt': { trait: 'evenFeed', words: 'yes', source: 'tried' },
  'trait-put-away': { trait: 'evenFeed', words: 'yes' },
  'fault-opened': { fault: 'jam' },
  'fault-cured': { fault: 'jam', cure: 'x' },
  'fault-run': { symptom: 'skipped', answers: [], outcome: 'left' },
  'bobbin-screw-turned': { eighths: 1 },
  serviced: { by: 'x', electrical: false },
  'electrical-test': { passed: true, by: 'x' },
  released: { because: 'x' },
  'red-tagged': { because: 'x' },
  'put-away': {},
  'taken-out': {},
  redacted: { line: nowhere },
  'red-tag-lifted': { because: 'x' },
  'somebody-hurt': {},
  noted: { text: 'x' },
  correction: { corrects: nowhere, because: 'x' },
}
const logBody = (kind: keyof typeof EVENTS) => ({
  machineId: nowhere,
  happenedAt: new Date().toISOString(),
  kind,
  body: EVENTS[kind],
})

const post = async (request: APIRequestContext, name: string, body: object) => {
  const answer = await request.post(`/api/commands/${name}`, { data: { commandId: randomUUID(), body } })
  return {
    status: answer.status(),
    code: ((await answer.json()) as { error?: { code: string } }).error?.code ?? 'landed',
  }
}

const routesIn = (folder: string, file: string, path = ''): string[] =>
  readdirSync(folder, { withFileTypes: true }).flatMap((entry) => {
    if (!entry.isDirectory()) return entry.name === file ? [path || '/'] : []
    const part = entry.name.startsWith('(') ? '' : `/${entry.name}`
    return routesIn(join(folder, entry.name), file, path + part)
  })

test('every action, command, page and route handler stands in the matrix', () => {
  expect(Object.keys(MATRIX).sort()).toEqual([...ACTIONS].sort())
  expect(Object.keys(COMMANDS).sort()).toEqual([...Object.keys(BODIES), 'log'].sort())
  expect(routesIn('app', 'page.tsx').sort()).toEqual(Object.keys(PAGES).sort())
  expect(routesIn('app', 'route.ts').sort()).toEqual([...HANDLERS].sort())
})

for (const role of ROLES) {
  test.describe(`a ${role}`, () => {
    test.use({ storageState: stateFile(role) })

    test('writes what they may and nothing else', async ({ request }) => {
      for (const kind of EVENT_KINDS) {
        const { status, code } = await post(request, 'log', logBody(kind))
        const allowed = MATRIX[`log:${kind}`][role]
        // An unknown machine is not a learner's own seat, which is another refusal than not being allowed at all.
        expect([kind, status, code]).toEqual([
          kind,
          allowed && role !== 'learner' ? 404 : 403,
          allowed ? (role === 'learner' ? 'not-yours' : 'not-found') : 'not-allowed',
        ])
      }
      for (const deed of Object.keys(BODIES) as Deed[]) {
        const { status, code } = await post(request, deed, BODIES[deed])
        if (MATRIX[deed][role]) expect([deed, [200, 404, 409]]).toEqual([deed, expect.arrayContaining([status])])
        else expect([deed, status, code]).toEqual([deed, 403, 'not-allowed'])
      }
    })

    test('plans a session only where they may', async ({ request }) => {
      const ask = { commandId: randomUUID(), basedOn: null }
      const unknown = randomUUID()
      const [session, course] = [
        await request.post(`/api/sessions/${unknown}/plan`, { data: ask }),
        await request.post(`/api/courses/${unknown}/plan`, { data: {} }),
      ]
      const expected = MATRIX['set-plan'][role] ? 404 : 403
      expect([session.status(), course.status()]).toEqual([expected, expected])
      const sheet = await request.get(`/api/sessions/${unknown}/sheet`)
      expect(sheet.status()).toBe(MATRIX['see-sessions'][role] ? 404 : 403)
    })

    test('is told of what they may see, and of nothing if something else is asked along with it', async ({
      request,
      baseURL,
    }) => {
      const { cookies } = await request.storageState()
      const cookie = cookies.map(({ name, value }) => `${name}=${value}`).join('; ')
      const status = async (...names: string[]) => {
        const over = new AbortController()
        const of = new URLSearchParams(names.map((name) => ['of', name])).toString()
        const answer = await fetch(`${baseURL}/api/told?${of}`, { headers: { cookie }, signal: over.signal })
        over.abort()
        return answer.status
      }
      for (const [name, sight] of [
        ['live-room', 'see-room'],
        ['machines', 'see-room'],
        ['own-seat', 'see-station'],
        ['calls-unnamed', 'see-calls'],
      ] as const) {
        const may = MATRIX[sight][role] ? 200 : 403
        expect([name, await status(name), await status('calls', name)]).toEqual([name, may, may])
      }
      expect([await status('calls'), await status(), await status('calls', 'calls'), await status('weather')]).toEqual([
        200, 400, 400, 400,
      ])
    })

    test('sees the pages they may and nothing else', async ({ request, baseURL }) => {
      const ids = await knownIds(baseURL!)
      for (const [path, needs] of Object.entries(PAGES)) {
        const answer = await request.get(
          path
            .replace('[machine]', ids.machine)
            .replace('[project]', ids.project)
            .replace('[session]', ids.session)
            .replace('[course]', ids.course)
            .replace('[code]/[face]', `${codeOf('project', ids.project)}/top`)
            .replace('[code]', codeOf('machine', ids.machine)),
        )
        expect([path, answer.status()]).toEqual([path, needs === 'anyone' || MATRIX[needs][role] ? 200 : 404])
      }
    })
  })
}

/** Ids of a machine, a project, a session and a class of the demo, looked up by somebody who may see them. */
async function knownIds(
  baseURL: string,
): Promise<{ machine: string; project: string; session: string; course: string }> {
  const context = await playwrightRequest.newContext({ baseURL, storageState: stateFile('coordinator') })
  const first = async (page: string, pattern: RegExp) => pattern.exec(await (await context.get(page)).text())![1]!
  const ids = {
    machine: await first('/room', /\/machines\/([0-9a-f-]{36})/),
    project: await first('/kits', /href="\/kits\/([0-9a-f-]{36})/),
    session: await first('/sessions', /href="\/sessions\/([0-9a-f-]{36})/),
    course: await first('/sessions', /href="\/sessions\/course\/([0-9a-f-]{36})/),
  }
  await context.dispose()
  return ids
}

test.describe('somebody who is signed out', () => {
  test('writes and computes nothing, and is shown the way in', async ({ request }) => {
    expect(await post(request, 'log', logBody('noted'))).toEqual({ status: 401, code: 'signed-out' })
    for (const deed of Object.keys(BODIES) as Deed[])
      expect(await post(request, deed, BODIES[deed])).toMatchObject({ status: 401 })
    expect((await request.post('/api/compute/kit', { data: {} })).status()).toBe(401)
    const ask = { commandId: randomUUID(), basedOn: null }
    expect((await request.post(`/api/sessions/${nowhere}/plan`, { data: ask })).status()).toBe(401)
    expect((await request.post(`/api/courses/${nowhere}/plan`)).status()).toBe(401)
    expect((await request.get(`/api/sessions/${nowhere}/sheet`)).status()).toBe(401)
    expect((await request.get('/api/told?of=calls')).status()).toBe(401)
    for (const [path, needs] of Object.entries(PAGES)) {
      if (needs === 'anyone') continue
      const answer = await request.get(path.replace(/\[\w+\]/, nowhere), { maxRedirects: 0 })
      expect([path, answer.status(), answer.headers()['location']]).toEqual([path, 307, '/sign-in'])
    }
  })
})

test.describe('a signed-in request', () => {
  test.use({ storageState: stateFile('coordinator') })

  test('that is not what the schema says answers 4xx with its path, never 5xx', async ({ request }) => {
    const wrong: [string, unknown, number, string][] = [
      [
        '/api/commands/log',
        { commandId: randomUUID(), body: { ...logBody('noted'), machineId: 'heron' } },
        400,
        'machineId',
      ],
      ['/api/commands/log', { commandId: 'x', body: {} }, 400, 'commandId'],
      ['/api/commands/log', [], 400, ''],
      ['/api/commands/dance', { commandId: randomUUID(), body: {} }, 404, ''],
      ['/api/compute/kit', { fabric }, 400, 'layers'],
      ['/api/compute/wool', {}, 400, ''],
    ]
    for (const [path, data, status, at] of wrong) {
      const answer = await request.post(path, { data })
      expect([path, answer.status()]).toEqual([path, status])
      expect(((await answer.json()) as { error: { path: string; message: string } }).error).toMatchObject({
        path: at,
        message: expect.stringMatching(/.{10}/),
      })
    }
    expect(
      (
        await request.post('/api/commands/log', {
          headers: { 'content-type': 'application/json' },
          data: Buffer.from('{oops'),
        })
      ).status(),
    ).toBe(400)
    expect((await request.post('/api/commands/log', { form: { a: 'b' } })).status()).toBe(415)
    expect((await request.post('/api/compute/needle-size', { data: { text: '80/11' } })).status()).toBe(200)
    const holds = { needle: 'n', thread: 't', foot: 'f' }
    const planned = await request.post('/api/compute/plan', {
      data: {
        blocks: 1,
        machines: [{ id: 'heron', can: ['a'], holds }],
        kits: [{ id: 'a', ...holds }],
        students: [{ id: 'ida', kit: 'a' }],
      },
    })
    expect(await planned.json()).toMatchObject({
      seats: [{ student: 'ida', machine: 'heron', block: 1 }],
      optimal: true,
    })
    expect((await request.post('/api/compute/plan', { data: { blocks: 0 } })).status()).toBe(400)
  })

  test('from another site is refused', async ({ request }) => {
    const data = { commandId: randomUUID(), body: logBody('noted') }
    for (const headers of [{ origin: 'https://elsewhere.example' }, { 'sec-fetch-site': 'cross-site' }] as Record<
      string,
      string
    >[]) {
      const answer = await request.post('/api/commands/log', { data, headers })
      expect([answer.status(), ((await answer.json()) as { error: { code: string } }).error.code]).toEqual([
        403,
        'cross-site',
      ])
    }
  })
})
