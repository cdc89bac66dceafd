import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { spawnSync } from 'node:child_process'
import { afterAll, describe, expect, it, vi } from 'vitest'
import { v7 as uuid } from 'uuid'
import type { Actor } from '@/store/actor'
import { runCommand } from '@/store/commands/run'
import type { Store } from '@/store/connect'
import { aProject, aStaffedVenue, freshStore } from '@/store/testing/store'
import { nightlyCopy } from './backups'
import { eraseAgain, keepErased } from './erased-list'
import { startNights } from './nights'

const folder = mkdtempSync(join(tmpdir(), 'orthodex-erased-'))
afterAll(() => rmSync(folder, { recursive: true, force: true }))
const NOW = new Date('2027-03-05T04:00:00.000Z')
const file = join(folder, 'erased.txt')

const namesIn = async (store: Store, { siteId }: Actor): Promise<string[]> =>
  (await store.selectFrom('person').select('name').where('site_id', '=', siteId).execute()).map(({ name }) => name)

async function aRoom() {
  const room = await freshStore()
  const { coordinator } = await aStaffedVenue(room.store, 'room')
  const courseId = uuid()
  const [ida, bo] = [aProject('Ida'), aProject('Bo')]
  const run = (name: string, body: object) => runCommand(room.store, coordinator, name, { commandId: uuid(), body })
  await run('open-course', { courseId, name: 'Bags' })
  await run('add-projects', { courseId, projects: [ida, bo] })
  return { ...room, coordinator, ida, bo, run }
}

describe('who was erased', () => {
  it('is erased again where an older copy is put back, by the command that does and by every server', async () => {
    const { url, end, coordinator, ida, run } = await aRoom()
    await nightlyCopy(url, folder, NOW)
    await run('erase-person', { personId: ida.personId })
    const said: string[] = []
    // Within the hour in which they were erased, whatever the hour.
    await startNights(url, { backups: folder }, (words) => said.push(words))()
    expect(readFileSync(file, 'utf8')).toContain(`${coordinator.siteId} ${ida.personId}\n`)
    expect(readFileSync(file, 'utf8')).not.toContain('Ida')
    await end()

    const older = await freshStore()
    const restored = spawnSync('bin/restore', [join(folder, 'orthodex-2027-03-05.zip')], {
      encoding: 'utf8',
      env: { ...process.env, DATABASE_URL: older.url },
    })
    expect(restored.stdout).toMatch(/rows are back.*\n1 who were erased since then are erased again/)
    const names = await namesIn(older.store, coordinator)
    expect(names).toContain('Bo')
    expect(names).not.toContain('Ida')

    // Put back by other means: the database’s own.
    await older.store
      .updateTable('person')
      .set({ name: 'Ida', erased_at: null })
      .where('site_id', '=', coordinator.siteId)
      .where('person_id', '=', ida.personId)
      .execute()
    await startNights(older.url, { backups: folder }, (words) => said.push(words))()
    expect(await namesIn(older.store, coordinator)).not.toContain('Ida')
    expect(said).toContain('1 who were erased before are erased again: an older database was put back')
    expect(await eraseAgain(older.store, folder, NOW)).toBe(0)
    await older.end()
  })

  it('stays in the list beside who is erased later, and comes back where their line was taken out', async () => {
    const { store, end, coordinator, ida, bo, run } = await aRoom()
    const ids = () => [...readFileSync(file, 'utf8').matchAll(/ (\S+)\n/g)].map(([, id]) => id)
    rmSync(file, { force: true })
    expect(await keepErased(store, folder, NOW)).toBe(0)
    await run('erase-person', { personId: ida.personId })
    await keepErased(store, folder, NOW)
    await run('erase-person', { personId: bo.personId })
    await keepErased(store, folder, NOW)
    expect(ids().filter((id) => id === ida.personId || id === bo.personId)).toEqual([ida.personId, bo.personId])
    const list = readFileSync(file, 'utf8')
    await keepErased(store, folder, NOW)
    expect(readFileSync(file, 'utf8')).toBe(list)

    const back = { name: 'Ida', erased_at: null }
    await store
      .updateTable('person')
      .set(back)
      .where('site_id', '=', coordinator.siteId)
      .where('person_id', '=', ida.personId)
      .execute()
    writeFileSync(
      file,
      list.replace(/.*\n/g, (line) => (line.includes(ida.personId) ? '' : line)),
    )
    expect(await keepErased(store, folder, NOW)).toBe(0)
    expect(await namesIn(store, coordinator)).toContain('Ida')
    await end()
  })

  it('is in a list that says which of its lines cannot be read, and is not written over', async () => {
    const { store, url, end } = await aRoom()
    writeFileSync(file, '# a note\n2027-03-05 somebody\n')
    await expect(keepErased(store, folder, NOW)).rejects.toThrow(`${file}, line 2: a moment`)
    expect(readFileSync(file, 'utf8')).toContain('somebody')
    const said: string[] = []
    vi.useFakeTimers({ now: new Date(2027, 2, 5, 4), toFake: ['Date'] })
    await startNights(url, { backups: folder }, (words) => said.push(words))()
    vi.useRealTimers()
    expect(said.join('\n')).toMatch(
      /who was erased could not be kept: .*line 2[^]*the night’s erasing was not done: .*line 2/,
    )
    await end()
  })
})
