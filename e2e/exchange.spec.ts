import { randomUUID } from 'node:crypto'
import { readDeviceLine } from '@/core/fabric/device-line'
import { expect, stateFile, test } from './people'

test.describe('a class, out and in again', () => {
  test.use({ storageState: stateFile('coordinator') })

  test('as a sheet and as a file, without loss', async ({ page, request }) => {
    await page.goto('/kits')
    const csvLink = await page.getByRole('link', { name: 'CSV' }).getAttribute('href')
    const sheet = await request.get(csvLink!)
    expect(sheet.headers()['content-disposition']).toContain('kits-boathouse.csv')
    const text = await sheet.text()
    expect(text.split('\r\n')[0]).toContain('learner,project,cloth,operation,mass_gsm')
    const read = (await (await request.post('/api/kits/sheet', { data: { text } })).json()) as {
      good: { learner: string }[]
      bad: unknown[]
    }
    expect(read.bad).toEqual([])
    expect(read.good.map(({ learner }) => learner)).toEqual(expect.arrayContaining(['Ansa', 'Juna', 'Lotta']))

    const jsonLink = csvLink!.replace('form=csv', 'form=json')
    const file = (await (await request.get(jsonLink)).json()) as { projects: unknown[] }
    expect(file.projects.length).toBeGreaterThanOrEqual(12)
    const landed = await request.post('/api/commands/import-kits', {
      data: { commandId: randomUUID(), body: { file } },
    })
    expect(landed.status()).toBe(200)
    expect(await (await request.get(jsonLink)).json()).toEqual(file)

    expect((await request.get(csvLink!.replace('form=csv', 'form=pdf'))).status()).toBe(400)
    expect((await request.get(`/api/kits/${randomUUID()}?form=json`)).status()).toBe(404)
    expect((await request.get('/api/kits/nonsense?form=json')).status()).toBe(404)
  })

  test('a sheet without its heading says which columns are missing', async ({ request }) => {
    const answer = await request.post('/api/kits/sheet', { data: { text: 'Ida,bag\nJon,bag' } })
    expect(answer.status()).toBe(400)
    expect(await answer.json()).toMatchObject({ error: { code: 'invalid', path: 'text' } })
    expect((await request.post('/api/kits/sheet', { data: { words: 'x' } })).status()).toBe(400)
  })

  test('the table’s stand-ins answer in their line, and only for what lies in the tray', async ({ request }) => {
    const ask = (device: string, more: object = {}) =>
      request.get(`/api/devices/${device}`, {
        params: { name: 'denim', areaCm2: 100, layers: 2, chance: 0.5, ...more },
      })
    const { line } = (await (await ask('scale')).json()) as { line: string }
    expect(readDeviceLine(line)).toEqual({ quantity: 'mass', value: 4, settled: true })
    expect(await (await ask('scale', { name: 'cheese' })).json()).toMatchObject({ error: { path: 'name' } })
    expect((await ask('gauge', { layers: 'many' })).status()).toBe(400)
    expect((await ask('thermometer')).status()).toBe(404)
  })
})

test.describe('a learner', () => {
  test.use({ storageState: stateFile('learner') })

  test('takes nothing of the class away, and types no lines', async ({ request }) => {
    for (const path of [`/api/kits/${randomUUID()}?form=json`, '/api/line'])
      expect([path, (await request.get(path)).status()]).toEqual([path, 403])
    expect((await request.post('/api/kits/sheet', { data: { text: 'x' } })).status()).toBe(403)
  })
})
