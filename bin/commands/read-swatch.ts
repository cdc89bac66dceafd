import { resolve } from 'node:path'
import { createInterface } from 'node:readline'
import { parseArgs } from 'node:util'
import { readPhotograph, type PhotographAsked } from '@/core/camera/read-photograph'
import { Invalid } from '@/core/schema/invalid'
import { openPhotograph } from '@/workers/photograph'
import { findTags } from '@/workers/tag-finder'

// Answers alone stand on standard output, whatever a library finds worth saying.
const say = (answer: unknown) => process.stdout.write(`${JSON.stringify(answer)}\n`)
console.log = console.error

const HEX = /^#[0-9a-f]{6}$/i

function asked(values: { readonly top?: string; readonly bobbin?: string; readonly face?: string }): PhotographAsked {
  const { top, bobbin, face } = values
  for (const [name, hex] of [
    ['top', top],
    ['bobbin', bobbin],
  ] as const)
    if (hex === undefined || !HEX.test(hex))
      throw new Invalid('invalid', `--${name} is the colour of a thread, like '#23406e'`, name)
  if (face !== undefined && face !== 'top' && face !== 'under')
    throw new Invalid('invalid', '--face is top or under', 'face')
  return { top: top!, bobbin: bobbin!, ...(face && { face }) }
}

/** @returns whether there was a photograph to read */
async function answer(path: string, question: PhotographAsked): Promise<boolean> {
  try {
    const picture = await openPhotograph(resolve(process.env['ORTHODEX_FROM'] ?? '.', path))
    const result = readPhotograph(picture, await findTags(picture), question)
    // Where it lies on the photograph is for a screen.
    const { seen: _, ...said } = { seen: undefined, ...result }
    say(said)
    return true
  } catch (error) {
    if (!(error instanceof Invalid)) throw error
    say({ error: { code: error.code, message: error.message } })
    return false
  }
}

try {
  const { values, positionals } = parseArgs({
    allowPositionals: true,
    options: {
      top: { type: 'string' },
      bobbin: { type: 'string' },
      face: { type: 'string' },
      lines: { type: 'boolean' },
    },
  })
  const question = asked(values)
  const [path, ...more] = positionals
  if (values.lines ? path !== undefined : path === undefined || more.length > 0)
    throw new Invalid(
      'invalid',
      "usage: bin/read-swatch PHOTO --top '#rrggbb' --bobbin '#rrggbb' [--face top|under] · --lines",
    )
  let all = true
  if (values.lines) {
    for await (const line of createInterface({ input: process.stdin }))
      if (line.trim() !== '') all = (await answer(line.trim(), question)) && all
  } else all = await answer(path!, question)
  process.exitCode = all ? 0 : 2
} catch (error) {
  const message = error instanceof Error ? error.message : String(error)
  say({ error: { code: error instanceof Invalid ? error.code : 'invalid', message } })
  process.exitCode = 2
}
