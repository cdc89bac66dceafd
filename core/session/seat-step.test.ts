import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { CHECK_GROUPS } from '../knowledge/check/check'
import { foldMachine, UNSEEN } from '../machine/fold'
import type { Happening, MachineEvent } from '../machine/event'
import { anyHistory } from '../testing/histories'
import { SEAT_STEPS, seatStep } from './seat-step'

const MINE = '019a0000-0000-7000-8000-000000000001'
const OTHER = '019a0000-0000-7000-8000-000000000002'
const turn = { projectId: MINE, machineId: 'heron', from: '2026-03-05T18:00:00.000Z' }
const kit = { machineId: 'heron', givenAt: '2026-03-05T17:50:00.000Z' }

const at = (minute: string) => `2026-03-05T18:${minute}:00.000Z`
const book = (...lines: readonly (Happening & { readonly minute: string })[]) =>
  foldMachine(
    lines.map(({ minute, kind, body }, index) => ({
      eventId: `01900000-0000-7000-8000-${String(index).padStart(12, '0')}`,
      happenedAt: at(minute),
      personId: 'her',
      kind,
      body,
    })) as MachineEvent[],
  )
const groups = CHECK_GROUPS.filter((group) => group !== 'swatch' && group !== 'line')
const checked = (minute: string, failing?: string) =>
  ({
    minute,
    kind: 'check-run',
    body: {
      list: 'seat',
      steps: groups.map((group) => ({
        step: group,
        group,
        result: group === failing ? ('fail' as const) : ('pass' as const),
      })),
    },
  }) as const
const swatch = (minute: string, under: 'own' | 'loops' = 'own') =>
  ({
    minute,
    kind: 'swatch-stitched',
    body: { dial: 4, target: 'straight', top: 'own', under, done: [] },
  }) satisfies Happening & { minute: string }
const over = (minute: string, projectId: string | undefined = MINE) =>
  ({ minute, kind: 'turn-ended', body: { finished: false, ...(projectId && { projectId }) } }) as const

describe('where somebody is on their way', () => {
  it('follows what they write, and says since when', () => {
    expect(seatStep(turn, undefined, UNSEEN)).toEqual({ step: 'bag', since: turn.from })
    expect(seatStep(turn, { ...kit, machineId: 'knot' }, UNSEEN).step).toBe('bag')
    expect(seatStep(turn, kit, UNSEEN)).toEqual({ step: 'check', since: turn.from })
    expect(seatStep(turn, { ...kit, givenAt: at('09') }, UNSEEN)).toEqual({ step: 'check', since: at('09') })
    expect(seatStep(turn, kit, book(checked('10', 'bobbin'))).step).toBe('check')
    expect(seatStep(turn, kit, book(checked('10')))).toEqual({ step: 'swatch', since: at('10') })
    expect(seatStep(turn, kit, book(checked('10'), swatch('14', 'loops'))).step).toBe('swatch')
    const good = book(checked('10'), swatch('14'))
    expect(seatStep(turn, kit, good)).toEqual({ step: 'sewing', since: at('14') })
    expect(seatStep(turn, kit, book(checked('10'), swatch('14'), over('50')))).toEqual({
      step: 'done',
      since: at('50'),
    })
  })

  it('is not done by somebody else’s turn, nor by one of last week, nor after another kit', () => {
    const sewn = [checked('10'), swatch('14')] as const
    expect(seatStep(turn, kit, book(...sewn, over('50', OTHER))).step).toBe('sewing')
    const nextWeek = { ...turn, from: '2026-03-12T18:00:00.000Z' }
    expect(seatStep(nextWeek, kit, book(...sewn, over('50'))).step).toBe('sewing')
    expect(seatStep(turn, { ...kit, givenAt: at('55') }, book(...sewn, over('50'))).step).toBe('sewing')
  })

  it('is done where the line names nobody and the machine is set up for nobody in particular', () => {
    expect(seatStep(turn, kit, book(checked('10'), swatch('14'), over('50', ''))).step).toBe('done')
  })

  it('goes back when something makes the check stale again', () => {
    const broke = { minute: '30', kind: 'needle-broke', body: { piecesFound: true } } as const
    expect(seatStep(turn, kit, book(checked('10'), swatch('14'), broke)).step).toBe('check')
  })

  it('is one of the steps for any book, and never since before their turn', () =>
    fc.assert(
      fc.property(anyHistory, (lines) => {
        const { step, since } = seatStep(turn, kit, foldMachine(lines))
        expect(SEAT_STEPS).toContain(step)
        if (step !== 'done') expect(since >= turn.from).toBe(true)
      }),
    ))
})
