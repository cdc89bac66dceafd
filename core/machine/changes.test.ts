import { describe, expect, it } from 'vitest'
import { broken, foundAt, locked, needleOut, readied, setTo, withoutLock } from './changes'
import { UNSEEN } from './fold'
import { needleMisfit } from './needle-misfit'
import type { MachineState } from './state'

const WHITE = { tex: 27, fibre: 'polyester', use: 'all-purpose' } as const
const THICK = { tex: 80, fibre: 'polyester', use: 'topstitch' } as const
const KNOWN: MachineState = { ...UNSEEN, stale: [], thread: WHITE, foot: 'standard', dial: 4, fabricClass: 'woven' }
const staleAfterSetting = (set: Parameters<typeof setTo>[1]) => setTo(KNOWN, set).stale
const at = { eventId: 'e', happenedAt: '2026-03-05T18:00:00.000Z' }

describe('what is set', () => {
  it.each([
    ['the same thread kind in another colour', { thread: WHITE }, ['threading', 'bobbin']],
    ['another kind of thread', { thread: THICK }, ['threading', 'bobbin', 'swatch']],
    ['a bobbin', { bobbinThread: WHITE }, ['bobbin', 'raise', 'no-touch']],
    ['another foot', { foot: 'walking' }, ['settings', 'no-touch']],
    ['the foot that is on', { foot: 'standard' }, []],
    ['another mark of the dial', { dial: 5 }, ['swatch']],
    ['the mark it stands at', { dial: 4 }, []],
    ['the mark 0', { dial: 0 }, ['swatch']],
    ['another class of cloth', { fabricClass: 'knit' }, ['swatch']],
    ['the same class of cloth', { fabricClass: 'woven' }, []],
    ['nothing', {}, []],
  ] as const)('%s makes stale exactly what it touches', (_, set, stale) => {
    expect([...staleAfterSetting(set)].sort()).toEqual([...stale].sort())
  })

  it('is kept, and a thread that nobody had said is another kind', () => {
    const { thread: _, ...unthreaded } = KNOWN
    expect(setTo(unthreaded, { thread: WHITE }).stale).toContain('swatch')
    expect(setTo(KNOWN, { thread: THICK, dial: 5, foot: 'zip' })).toMatchObject({ thread: THICK, dial: 5, foot: 'zip' })
  })

  it('as somebody found it moves dial and foot, and keeps the rest beside what was known', () => {
    const found = foundAt({ ...KNOWN, settings: { lengthMm: 2 } }, { dial: 6, widthMm: 3 })
    expect(found).toMatchObject({ dial: 6, foot: 'standard', settings: { lengthMm: 2, widthMm: 3 } })
    expect(found.settings).not.toHaveProperty('dial')
    expect(foundAt(KNOWN, { foot: 'zip' })).toMatchObject({ dial: 4, foot: 'zip' })
    expect(foundAt(KNOWN, {}).stale).toEqual([])
  })
})

describe('a lock', () => {
  it('is taken off by its kind, and no other with it', () => {
    const lock = (kind: 'red-tag' | 'electrical') => ({ kind, because: 'x', since: at.happenedAt, eventId: kind })
    const both = locked(locked(KNOWN, lock('red-tag')), lock('electrical'))
    expect(both.locks).toHaveLength(2)
    expect(withoutLock(both, 'red-tag').locks.map(({ kind }) => kind)).toEqual(['electrical'])
  })

  it('comes with a needle of which a piece is missing, and says what broke it', () => {
    expect(broken(KNOWN, at, { piecesFound: true }).locks).toEqual([])
    expect(broken(KNOWN, at, {}).locks[0]!.because).toBe('A needle broke and not every piece is found')
    expect(broken(KNOWN, at, { cause: 'struck a pin' }).locks[0]!.because).toBe(
      'A needle broke (struck a pin) and not every piece is found',
    )
    expect(broken(KNOWN, at, {}).stale.length).toBeGreaterThan(5)
  })
})

describe('what is remembered', () => {
  it('is the newest of what was laid out and wound, and of the needles that left', () => {
    const bobbin = (count: number) => ({ happenedAt: at.happenedAt, count })
    const bag = { happenedAt: at.happenedAt, projectId: 'p' }
    let state = readied(KNOWN, { laidOut: [bag] })
    for (let count = 1; count <= 30; count += 1) state = readied(state, { bobbins: [bobbin(count)] })
    expect(state.readied!.bobbins.map(({ count }) => count)).toEqual(
      Array.from({ length: 24 }, (_, index) => index + 7),
    )
    expect(state.readied!.laidOut).toEqual([bag])
    for (let bags = 0; bags < 30; bags += 1) state = readied(state, { laidOut: [{ ...bag, projectId: `p${bags}` }] })
    expect(state.readied!.laidOut).toHaveLength(24)
    expect(needleOut(KNOWN, at.happenedAt, {})).toBe(KNOWN)
  })
})

describe('a needle of another system', () => {
  const fits = (needleSystem: string | undefined, system: string) =>
    needleMisfit(
      { ...(needleSystem !== undefined && { needleSystem }) },
      {
        kind: 'needle-changed',
        body: { in: { system, point: 'universal', sizeNm: 80, condition: 'new' } },
      },
    )
  it('does not seat, whoever writes it; one of the same system does under each of its names', () => {
    expect(fits('130/705 H', '130/705 H')).toBeUndefined()
    expect(fits('130/705 H', 'HA x 1')).toBeUndefined()
    expect(fits('130/705 H', 'DB x 1')).toMatch(/takes needles of system .*does not seat in it/)
    expect(fits(undefined, 'DB x 1')).toBeUndefined()
    expect(needleMisfit({ needleSystem: 'DB x 1' }, { kind: 'oiled', body: {} })).toBeUndefined()
    expect(
      needleMisfit(
        { needleSystem: 'DB x 1' },
        {
          kind: 'needle-changed',
          body: { out: { reason: 'due', state: 'blunt', wentTo: 'sharps' } },
        },
      ),
    ).toBeUndefined()
  })
})
