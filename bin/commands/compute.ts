import { readFileSync } from 'node:fs'
import { compute, COMPUTATIONS, type Tools } from '@/core/compute/computations'
import { Invalid } from '@/core/schema/invalid'

type Outcome = { readonly ok: boolean; readonly text: string }

/** The solver takes a moment to load, so only what asks for it waits. */
const toolsFor = async (name: string): Promise<Tools> =>
  name === 'plan'
    ? { solve: await (await import('@/workers/solver')).loadSolver(), clock: () => performance.now() / 1000 }
    : {}

function answer(name: string, input: string, tools: Tools): Outcome {
  try {
    return { ok: true, text: JSON.stringify(compute(name, parse(input), tools)) }
  } catch (error) {
    if (error instanceof Invalid)
      return {
        ok: false,
        text: JSON.stringify({ error: { code: error.code, message: error.message, path: error.path } }),
      }
    throw error
  }
}

function parse(input: string): unknown {
  try {
    return JSON.parse(input)
  } catch {
    throw new Invalid('not-json', 'The request is not JSON; it must be one JSON object')
  }
}

const [name, flag] = process.argv.slice(2)
if (name === '--schemas') {
  const schemas = Object.entries(COMPUTATIONS).map(([each, { request }]) => [each, request])
  console.log(JSON.stringify(Object.fromEntries(schemas), null, 2))
} else if (name === undefined || (flag !== undefined && flag !== '--lines')) {
  console.error(`usage: bin/compute NAME [--lines] < request.json · bin/compute --schemas
NAME: ${Object.keys(COMPUTATIONS).join(', ')}`)
  process.exitCode = 2
} else {
  const input = readFileSync(0, 'utf8')
  const tools = await toolsFor(name)
  if (flag === '--lines') {
    const lines = input.split(/\r?\n/).filter((line) => line.trim() !== '')
    process.stdout.write(lines.map((line) => answer(name, line, tools).text + '\n').join(''))
  } else {
    const { ok, text } = answer(name, input, tools)
    console.log(text)
    if (!ok) process.exitCode = 2
  }
}
