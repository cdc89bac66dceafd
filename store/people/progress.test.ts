import { ofEveryVenue } from '@/store/site-wall'
import { v7 as uuid } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { Actor } from '../actor'
import { runCommand } from '../commands/run'
import type { Store } from '../connect'
import { aVenue, freshStore } from '../testing/store'
import { readLearners, readProgress } from './progress'

let store: Store
let end: () => Promise<void>
let staff: Actor
let learner: Actor
beforeAll(async () => {
  ;({ store, end } = await freshStore())
  staff = await aVenue(store, 'learn')
  const courseId = uuid()
  const personId = uuid()
  await run(staff, 'open-course', { courseId, name: 'Bags', classCode: 'bagsbags' })
  await run(staff, 'add-projects', {
    courseId,
    projects: [
      {
        projectId: uuid(),
        personId,
        enrolmentId: uuid(),
        learner: 'Ida',
        name: 'bag',
        fabric: { structure: 'woven', massGsm: 150 },
        layers: { seam: 2, crossing: 2 },
        operation: 'seam',
      },
    ],
  })
  learner = { siteId: staff.siteId, personId, role: 'learner' }
})
afterAll(() => end())

const run = (who: Actor, name: string, body: object, commandId = uuid()) =>
  runCommand(store, who, name, { commandId, body })
const own = async () => (await readProgress(store, staff.siteId, learner.personId)).get(learner.personId)

describe('what somebody learns', () => {
  it('is written by themselves, once however often it is sent, and is theirs alone', async () => {
    const id = uuid()
    await run(learner, 'log-progress', { exercise: 'discs', right: 4, of: 5 }, id)
    await run(learner, 'log-progress', { exercise: 'discs', right: 4, of: 5 }, id)
    await run(learner, 'log-progress', { exercise: 'discs', right: 2, of: 5 })
    expect((await own())!.exercises['discs']).toMatchObject({ tries: 2, best: 0.8 })
    expect((await readProgress(store, staff.siteId, staff.personId)).size).toBe(0)
    expect(await readLearners(store, staff.siteId)).toEqual([{ personId: learner.personId, name: 'Ida' }])
  })

  it('is signed off by staff only, with who and on which kind of machine, and can be withdrawn', async () => {
    const body = { personId: learner.personId, skill: 'tension', machineKind: 'mechanical' }
    await expect(run(learner, 'sign-off', body)).rejects.toMatchObject({ status: 403 })
    await expect(run({ ...staff, role: 'helper' }, 'sign-off', body)).rejects.toMatchObject({ status: 403 })
    await run(staff, 'sign-off', body)
    expect((await own())!.signOffs).toMatchObject([{ skill: 'tension', machineKind: 'mechanical', by: staff.personId }])
    await run(staff, 'sign-off', { ...body, withdrawn: true })
    expect((await own())!.signOffs).toEqual([])
    await expect(run(staff, 'sign-off', { ...body, personId: uuid() })).rejects.toMatchObject({ status: 404 })
    await expect(run(staff, 'sign-off', { ...body, machineKind: 'steam' })).rejects.toMatchObject({
      path: 'machineKind',
    })
  })

  it('keeps every line: nothing is edited or deleted', async () => {
    const rows = await ofEveryVenue(store).selectFrom('person_event').select('kind').orderBy('happened_at').execute()
    expect(rows.map(({ kind }) => kind).sort()).toEqual([
      'exercise-done',
      'exercise-done',
      'sign-off-withdrawn',
      'signed-off',
    ])
  })
})
