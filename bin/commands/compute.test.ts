import { spawnSync } from 'node:child_process'
import { statSync, utimesSync, writeFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'

const compute = (args: readonly string[], input = '') => {
  const { status, stdout, stderr } = spawnSync('bin/compute', args, { input, encoding: 'utf8' })
  return { status, stdout, stderr }
}

describe('bin/compute', () => {
  it('prints one answer and ends with 0', () => {
    const { status, stdout } = compute(['needle-size'], '{"text":"14"}')
    expect([status, JSON.parse(stdout)]).toEqual([0, { sizeNm: 90, sizeUs: 14, assumed: [] }])
  })

  it.each([
    ['needle-size', '{"text":"14"', 'not-json', ''],
    ['needle-size', '{"text":"85"}', 'invalid', 'text'],
    ['needle-size', '{"text":"14","colour":"red"}', 'invalid', 'colour'],
    ['thread', '{"notation":"50/3"}', 'ambiguous', 'notation'],
    ['plan', '{}', 'invalid', 'blocks'],
    ['knitting', '{}', 'unknown-name', ''],
  ])('refuses %s %s with code %s, its path and exit 2', (name, input, code, path) => {
    const { status, stdout } = compute([name], input)
    const { error } = JSON.parse(stdout) as { error: { code: string; path: string; message: string } }
    expect([status, error.code, error.path]).toEqual([2, code, path])
    expect(error.message.length).toBeGreaterThan(15)
  })

  it('answers a request a line, in order, good and bad, skipping blank lines', () => {
    const { status, stdout } = compute(['needle-size', '--lines'], '{"text":"80"}\n\n{oops\n{"text":"12"}\n')
    const answers = stdout
      .trim()
      .split('\n')
      .map((line) => JSON.parse(line) as { sizeNm?: number; error?: { code: string } })
    expect(status).toBe(0)
    expect(answers.map((answer) => answer.sizeNm ?? answer.error?.code)).toEqual([80, 'not-json', 80])
  })

  it('runs from one bundled file, made anew when a source is newer', () => {
    compute(['needle-size'], '{"text":"80"}')
    const bundle = 'node_modules/.cache/orthodex/compute.mjs'
    utimesSync(bundle, 0, 0)
    writeFileSync(bundle, 'process.exit(7)')
    utimesSync(bundle, 0, 0)
    expect(compute(['needle-size'], '{"text":"80"}').status).toBe(0)
    const made = statSync(bundle).mtimeMs
    expect(made).toBeGreaterThan(Date.now() - 60_000)
    compute(['needle-size'], '{"text":"80"}')
    expect(statSync(bundle).mtimeMs).toBe(made)
  })

  it('prints a schema for every computation', () => {
    const schemas = JSON.parse(compute(['--schemas']).stdout) as Record<string, { additionalProperties?: boolean }>
    expect(Object.keys(schemas).sort()).toEqual([
      'fabric',
      'fault',
      'kit',
      'needle-fit',
      'needle-size',
      'plan',
      'tension',
      'thread',
      'thread-use',
      'wear',
    ])
    for (const schema of Object.values(schemas)) expect(schema.additionalProperties).toBe(false)
  })

  it('plans with a solver of its own', () => {
    const holds = { needle: 'n', thread: 't', foot: 'f' }
    const { status, stdout } = compute(
      ['plan'],
      JSON.stringify({
        blocks: 2,
        machines: [{ id: 'heron', can: ['a', 'b'], holds }],
        kits: [
          { id: 'a', ...holds },
          { id: 'b', ...holds, needle: 'm' },
        ],
        students: [
          { id: 'ida', kit: 'b' },
          { id: 'jon', kit: 'a' },
        ],
      }),
    )
    expect([status, JSON.parse(stdout)]).toMatchObject([
      0,
      { changeoverMinutes: 7, byHandMinutes: 14, optimal: true, boundMinutes: 7 },
    ])
  })

  it('says how it is used when it is asked nothing', () => {
    const { status, stderr } = compute([])
    expect([status, stderr.includes('usage: bin/compute NAME')]).toEqual([2, true])
  })
})
