import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { PlannedSeat } from '@/core/session/session-schema'
import { kitsToGive, pinTurned, seatedAtUnsound, seatsMoved } from './seats'

const anySeats: fc.Arbitrary<PlannedSeat[]> = fc
  .uniqueArray(fc.record({ machine: fc.nat(3), block: fc.integer({ min: 1, max: 3 }) }), {
    selector: ({ machine, block }) => `${machine} ${block}`,
    minLength: 1,
  })
  .map((places) =>
    places.map(({ machine, block }, index) => ({
      projectId: `p${index}`,
      machineId: `m${machine}`,
      block,
      ...(index % 3 === 0 && { pinned: true as const }),
    })),
  )
const at = ({ machineId, block }: PlannedSeat) => `${machineId} ${block}`

describe('seats that are moved by hand', () => {
  it('hold nobody twice and no place twice, and only who was moved or in the way goes elsewhere', () =>
    fc.assert(
      fc.property(anySeats, fc.nat(3), fc.integer({ min: 1, max: 3 }), (seats, machine, block) => {
        const to = { machine: `m${machine}`, block }
        const after = seatsMoved(seats, 'p0', to)
        expect(after.find(({ projectId }) => projectId === 'p0')).toEqual({
          projectId: 'p0',
          machineId: to.machine,
          block,
        })
        expect(new Set(after.map(at)).size).toBe(after.length)
        expect(after.length).toBe(seats.length)
        const elsewhere = after.filter(
          (seat) => !seats.some((before) => at(before) === at(seat) && before.projectId === seat.projectId),
        )
        expect(elsewhere.length).toBeLessThanOrEqual(2)
        expect(seatsMoved(seats, 'p0', undefined)).toHaveLength(seats.length - 1)
      }),
    ))

  it('are pinned and freed again, one alone', () =>
    fc.assert(
      fc.property(anySeats, (seats) => {
        const turned = pinTurned(seats, 'p0')
        expect(turned[0]!.pinned).toBeUndefined()
        expect(turned.slice(1)).toEqual(seats.slice(1))
        expect(pinTurned(turned, 'p0')).toEqual(seats)
      }),
    ))
})

describe('a block that begins', () => {
  const seats: PlannedSeat[] = [
    { projectId: 'a', machineId: 'heron', block: 1 },
    { projectId: 'b', machineId: 'curlew', block: 1 },
    { projectId: 'c', machineId: 'heron', block: 2 },
  ]
  const kit = { words: '', needle: { point: 'universal', sizeNm: 80, system: '130/705 H', sizeUs: 12 } as never }
  const who = new Map([
    ['a', { kits: { heron: kit } }],
    ['b', { kits: { curlew: { ...kit, given: true as const } } }],
    ['c', { kits: { heron: { ...kit, byHand: 'a chosen foot' } } }],
  ])

  it('gives each kit that nobody has yet, with its needle unless a person chose', () => {
    expect(kitsToGive(seats, 1, who, [], (words) => words)).toEqual([
      { kitGivenId: '1 a heron', projectId: 'a', machineId: 'heron', needle: { point: 'universal', sizeNm: 80 } },
    ])
    expect(kitsToGive(seats, 2, who, [], (words) => words)).toEqual([
      { kitGivenId: '2 c heron', projectId: 'c', machineId: 'heron' },
    ])
  })

  it('gives none for a machine that is stopped, and says of whom, and who sits at one that something is wrong with', () => {
    const heron = { machineId: 'heron', name: 'Heron', faults: [] }
    const stopped = [{ ...heron, stopped: 'red tag' }]
    expect(kitsToGive(seats, 1, who, stopped, (words) => words)).toEqual([])
    expect(seatedAtUnsound(seats, 1, stopped, () => 'Ida')).toEqual([
      'Ida gets no kit, since Heron is stopped: red tag.',
    ])
    const noisy = [{ ...heron, faults: ['Fault open: noise'] }]
    expect(kitsToGive(seats, 1, who, noisy, (words) => words)).toHaveLength(1)
    expect(seatedAtUnsound(seats, 1, noisy, () => 'Ida')).toEqual(['Ida sits at Heron. Fault open: noise.'])
    expect(seatedAtUnsound(seats, 1, [heron], () => 'Ida')).toEqual([])
  })
})
