import { mkdtempSync, readdirSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, expect, it } from 'vitest'
import { checkArchive } from '@/store/archive/read'
import { freshStore } from '@/store/testing/store'
import { backUp, nightlyCopy } from './backups'

const folder = mkdtempSync(join(tmpdir(), 'orthodex-nightly-'))
afterAll(() => rmSync(folder, { recursive: true, force: true }))

it('copies of a fortnight are kept, each whole, and those from before an upgrade stay', async () => {
  const { url, end } = await freshStore()
  await backUp(url, join(folder, 'orthodex-2026-01-01-before-0013-erasing.zip'))
  for (let day = 1; day <= 16; day += 1) await nightlyCopy(url, folder, new Date(Date.UTC(2026, 2, day, 3)))
  const names = readdirSync(folder).sort()
  expect(names).toHaveLength(15)
  expect(names.slice(0, 2)).toEqual(['orthodex-2026-01-01-before-0013-erasing.zip', 'orthodex-2026-03-03.zip'])
  for (const name of names) expect((await checkArchive(join(folder, name))).version).toBe(1)
  await expect(nightlyCopy('postgresql://nobody@127.0.0.1:1/none', folder, new Date())).rejects.toThrow()
  expect(readdirSync(folder)).toHaveLength(15)
  await end()
})
