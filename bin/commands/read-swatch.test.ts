import { spawnSync } from 'node:child_process'
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join, resolve } from 'node:path'
import sharp from 'sharp'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { photograph } from '@/stand-ins/camera'
import { sceneOf } from '@/stand-ins/camera-scenes'

const command = resolve('bin/read-swatch')
let folder: string
const COLOURS = ['--top', '#23406e', '--bobbin', '#e07a1f']
const run = (args: readonly string[], input = '') => {
  const { status, stdout } = spawnSync(command, args, { cwd: folder, input, encoding: 'utf8' })
  return {
    status,
    lines: stdout
      .trim()
      .split('\n')
      .map((line) => JSON.parse(line) as Record<string, unknown>),
  }
}

beforeAll(async () => {
  folder = mkdtempSync(join(tmpdir(), 'orthodex-photographs-'))
  const { scene } = sceneOf(1)
  const { picture } = photograph({
    ...scene,
    seam: {
      ...scene.seam,
      to: scene.seam.from + 36,
      widthMm: 0,
      stitchMm: 2.5,
      skipped: 0,
      otherShare: 0,
      frayed: false,
    },
    cloth: { look: 'plain', colour: [0.7, 0.65, 0.55], perCm: 18 },
    own: { hex: '#23406e', lustre: 0.3 },
    other: { hex: '#e07a1f', lustre: 0.3 },
    widthMm: 46,
    pxPerMm: 12,
    tag: 'https://room.example/s/1/top',
  })
  const { width, height, pixels } = picture
  const image = sharp(Buffer.from(pixels), { raw: { width, height, channels: 3 } })
  await image.clone().png().toFile(join(folder, 'swatch.png'))
  await image.clone().webp({ quality: 92 }).toFile(join(folder, 'swatch.webp'))
  // Held on its side, and its own mark says so.
  await image
    .clone()
    .rotate(90)
    .jpeg({ quality: 94 })
    .withMetadata({ orientation: 8 })
    .toFile(join(folder, 'turned.jpg'))
})
afterAll(() => rmSync(folder, { recursive: true, force: true }))

describe('bin/read-swatch', () => {
  it('reads a photograph of any kind beside whoever asks, as one line of JSON', () => {
    for (const name of ['swatch.png', 'swatch.webp', 'turned.jpg']) {
      const { status, lines } = run([name, ...COLOURS])
      expect(lines).toHaveLength(1)
      expect(lines[0]).toMatchObject({ read: true, face: 'top', look: 'own', skipped: 0 })
      expect((lines[0]!['lengthMm'] as { median: number }).median).toBeCloseTo(2.5, 1)
      expect(status).toBe(0)
    }
  })

  it('reads a photograph in the packing that phones keep, and says when that is cut off', () => {
    const heic = resolve('stand-ins/photographs/good-top.heic')
    writeFileSync(join(folder, 'cut.heic'), readFileSync(heic).subarray(0, 50_000))
    const { lines } = run(['--lines', ...COLOURS], `${heic}\ncut.heic\n`)
    expect(lines[0]).toMatchObject({ read: true, face: 'top', look: 'own', skipped: 0 })
    expect((lines[0]!['lengthMm'] as { median: number }).median).toBeCloseTo(2.5, 1)
    expect(lines[1]).toMatchObject({ error: { code: 'cut-off' } })
  })

  it('says what is no photograph, is cut off or not there, and goes on with the next', () => {
    writeFileSync(join(folder, 'words.png'), 'no picture')
    writeFileSync(join(folder, 'cut.png'), readFileSync(join(folder, 'swatch.png')).subarray(0, 60_000))
    const { status, lines } = run(['--lines', ...COLOURS], 'words.png\ncut.png\nnone.png\n\nswatch.png\n')
    expect(lines.map((line) => (line['error'] as { code: string } | undefined)?.code ?? line['look'])).toEqual([
      'not-an-image',
      'cut-off',
      'not-found',
      'own',
    ])
    expect(status).toBe(2)
  })

  it('says which colour it was not told', () => {
    expect(run(['swatch.png', '--top', 'blue', '--bobbin', '#e07a1f'])).toMatchObject({
      status: 2,
      lines: [{ error: { code: 'invalid', message: expect.stringContaining('--top') as string } }],
    })
    expect(run([]).status).toBe(2)
  })

  it('says no with the reason where there is no seam, and that is no error', () => {
    const { status, lines } = run(['swatch.png', '--top', '#1f7a33', '--bobbin', '#c03a8c'])
    expect(lines[0]).toMatchObject({ read: false, because: expect.any(String) as string })
    expect(status).toBe(0)
  })
})
