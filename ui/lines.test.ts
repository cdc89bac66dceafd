import fc from 'fast-check'
import { expect, it } from 'vitest'
import { eachLine } from './lines'

it('reads every line once and in order, however the network cuts them, even inside a letter', () =>
  fc.assert(
    fc.asyncProperty(
      fc.array(fc.record({ words: fc.string({ unit: 'grapheme' }), count: fc.integer() }), { maxLength: 12 }),
      fc.array(fc.integer({ min: 1, max: 9 }), { minLength: 1, maxLength: 20 }),
      async (lines, cuts) => {
        const bytes = new TextEncoder().encode(lines.map((line) => `${JSON.stringify(line)}\n`).join(''))
        const body = new ReadableStream<Uint8Array>({
          start: (controller) => {
            for (let from = 0, turn = 0; from < bytes.length; turn += 1) {
              const to = from + cuts[turn % cuts.length]!
              controller.enqueue(bytes.slice(from, to))
              from = to
            }
            controller.close()
          },
        })
        const read: unknown[] = []
        await eachLine(body, (line) => read.push(line))
        expect(read).toEqual(lines)
      },
    ),
  ))
