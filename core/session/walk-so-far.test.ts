import fc from 'fast-check'
import { expect, it } from 'vitest'
import type { BenchTask } from '../care/before-class'
import { foldMachine } from '../machine/fold'
import { standingOf } from '../machine/standing'
import { DEFAULT_HOUSE_RULES } from '../room/house-rules'
import { anyHistory } from '../testing/histories'
import { walkDone, wantsLooking } from './walk-so-far'

const TASKS: BenchTask[] = [
  { id: 'clean', title: 'Lint out', because: 'Due.', event: { kind: 'cleaned', body: {} } },
  { id: 'service', title: 'Service by a technician', because: 'Due.', leadsTo: 'by-others' },
]
const NOW = '2027-06-01T18:00:00.000Z'

it('is well only where nothing is left to do, nothing stopped and no fault open, and else names each machine', () =>
  fc.assert(
    fc.property(fc.array(fc.record({ book: anyHistory, tasks: fc.subarray(TASKS) })), (room) => {
      const walk = room.map(({ book, tasks }, index) => {
        const state = foldMachine(book)
        return { name: `no${index}`, state, tasks, ...standingOf(state, DEFAULT_HOUSE_RULES.needle, NOW) }
      })
      for (const stop of walk)
        expect(wantsLooking(stop)).toBe(
          stop.tasks.length > 0 || stop.state.locks.length > 0 || stop.state.faults.length > 0,
        )
      const said = walkDone(walk, 'tonight')
      expect(said === undefined).toBe(walk.some(({ tasks }) => tasks.includes(TASKS[0]!)))
      if (said === undefined) return
      const wrong = walk.filter(({ state }) => state.locks.length > 0 || state.faults.length > 0)
      expect(said.includes('every machine stands')).toBe(wrong.length === 0)
      for (const { name } of wrong) expect(said).toContain(name)
    }),
    { numRuns: 100 },
  ))
