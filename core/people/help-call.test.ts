import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { Happening } from '../machine/event'
import { foldMachine } from '../machine/fold'
import { KINDS } from '../machine/kinds/kinds'
import { anyHappening, anyHistory } from '../testing/histories'
import { callForStop, callRaisedBy, STILL_THERE_MS } from './help-call'

const WRITTEN = Date.parse('2027-01-04T18:00:00.000Z')
const written = (line: Happening) => ({
  ...line,
  eventId: 'ff',
  personId: 'p',
  happenedAt: new Date(WRITTEN).toISOString(),
})
const learners = anyHappening.filter(({ kind }) => (KINDS[kind].mayWrite as readonly string[]).includes('learner'))

describe('a line that a learner writes', () => {
  it('calls somebody whenever it stops the machine, whatever it is called and whatever stood in the book', () =>
    fc.assert(
      fc.property(anyHistory, learners, (history, happening) => {
        const line = written(happening)
        const [before, after] = [foldMachine(history), foldMachine([...history, line])]
        const stops = after.locks.some(({ eventId }) => eventId === line.eventId)
        const call = callRaisedBy(line) ?? callForStop('learner', line, { before, after }, WRITTEN)
        if (stops) expect(call).toBeDefined()
        // Whoever comes reads a learner’s words at the machine, where they can be taken out.
        if (stops && !callRaisedBy(line)) expect(JSON.stringify(call)).not.toContain('a finger')
        expect(callForStop('helper', line, { before, after }, WRITTEN)).toBeUndefined()
        expect(callForStop('learner', line, { before, after }, WRITTEN + STILL_THERE_MS + 1)).toBeUndefined()
      }),
      { numRuns: 400 },
    ))

  it('calls nobody where it stops nothing that ran', () => {
    const broke = { ...written({ kind: 'needle-broke', body: { piecesFound: false } }), eventId: 'aa' }
    const stopped = foldMachine([broke])
    const swatch = written({ kind: 'cleaned', body: {} })
    const after = foldMachine([broke, swatch])
    expect(callForStop('learner', swatch, { before: stopped, after }, WRITTEN)).toBeUndefined()
  })
})
