import { describe, expect, it } from 'vitest'
import { type Gate, type SwatchSign, type Target } from '../knowledge/tension/tension'
import { after, ORDINARY_DIAL } from '../testing/dials'
import type { SwatchAt, TensionQuestion } from './next-step'
import { cameraCorrected, cameraTally, measuredScore, readSwatch, type CameraFace } from './reading'
import { goodLookWords, targetOf } from './target'

const narrow = { min: 1, max: 5, normal: 3, step: 0.25 }
const at = (
  dial: number,
  top: SwatchAt['top'],
  under: SwatchAt['under'] = 'own',
  ...signs: SwatchSign[]
): SwatchAt => ({
  dial,
  top,
  under,
  ...(signs.length > 0 && { signs }),
})
const asLearner = { role: 'learner' } as const
const NOTED = 'a note for staff'

describe('how far off a dial may be found', () => {
  it('is a number and no more, in numbers of its own scale, before anything else is asked', () => {
    const found = (dial: number, more: Partial<TensionQuestion> = {}) => after([at(dial, 'dots')], more).next
    expect(found(5)).not.toMatchObject({ do: 'restore' })
    expect(found(5.5)).toEqual({ do: 'restore', dial: 4 })
    expect(found(3)).not.toMatchObject({ do: 'restore' })
    expect(found(2.5)).toEqual({ do: 'restore', dial: 4 })
    // A number of a scale from 1 to 5 is less than half a mark of it.
    expect(found(3.25, { dial: narrow })).not.toMatchObject({ do: 'restore' })
    expect(found(3.5, { dial: narrow })).toEqual({ do: 'restore', dial: 3 })
  })

  it('with both faces right is noted from more than two numbers on', () => {
    const said = (dial: number, on = ORDINARY_DIAL) => after([at(dial, 'own')], { dial: on }).because.includes(NOTED)
    expect([6, 6.5, 2, 1.5].map((dial) => said(dial))).toEqual([false, true, false, true])
    expect([3.75, 4].map((dial) => said(dial, narrow))).toEqual([false, true])
  })
})

describe('a needle that is worn or wrong', () => {
  const words = (done: readonly Gate[], ...signs: SwatchSign[]) => {
    const { next, because } = after([at(4, 'own', 'own', ...signs)], { done })
    return `${next.do}: ${because}`
  }
  it('comes before the dial, and is told apart from a thread that shreds', () => {
    expect(words([], 'skipped')).toMatch(/^change-needle: Skipped/)
    expect(words([], 'shredding')).toMatch(/^change-needle: Shredding/)
    expect(words(['needle'], 'skipped')).toMatch(/^not-the-dial: Still skipping/)
    expect(words(['needle'], 'skipped', 'shredding')).toMatch(/^not-the-dial: Still skipping/)
    expect(words(['needle'], 'shredding')).toMatch(/^match-thread: /)
    expect(words(['needle', 'same-thread'], 'shredding')).toMatch(/^not-the-dial: Still shredding/)
    // One of several signs is enough.
    expect(words([], 'wobble', 'skipped')).toMatch(/^change-needle/)
  })
})

describe('what the line through the swatches is fitted to', () => {
  const alone = after([at(4, 'dots')]).interval
  it.each([
    ['skipped stitches', at(3, 'line', 'own', 'skipped')],
    ['a thread that shreds', at(3, 'line', 'own', 'shredding')],
    ['a thread that shreds and a seam that wobbles', at(3, 'line', 'own', 'wobble', 'shredding')],
    ['a nest', at(3, 'line', 'nest')],
    ['both faces off', at(3, 'line', 'dots')],
  ])('is no swatch with %s, today or another day', (_, swatch) => {
    expect(after([swatch, at(4, 'dots')]).interval).toEqual(alone)
    expect(after([at(4, 'dots')], { past: [swatch] }).interval).toEqual(alone)
  })
  it('is a swatch that only wobbles', () =>
    expect(after([at(3, 'line', 'own', 'wobble'), at(4, 'dots')]).interval).not.toEqual(alone))

  it('is another day less than today', () => {
    const width = ([from, to]: readonly [number, number]) => to - from
    const today = after([at(2, 'own', 'dots'), at(4, 'dots')]).interval!
    const before = after([at(4, 'dots')], { past: [at(2, 'own', 'dots')] }).interval!
    expect(width(today)).toBeLessThan(width(before))
    expect(width(before)).toBeLessThan(width(alone!))
  })
})

describe('how far the dial is turned', () => {
  it('is a whole number at first, and less only where there is no further to go', () => {
    const first = (dial: number, top: SwatchAt['top'], under: SwatchAt['under'], more: Partial<TensionQuestion> = {}) =>
      after([at(dial, top, under)], { start: dial, ...more }).next
    for (const thick of [0.3, 0.6, 2]) {
      const { dial } = first(4, 'dots', 'own', { stackMm: thick })
      expect(dial).toBeLessThanOrEqual(3)
      expect(first(4, 'own', 'dots', { stackMm: thick }).dial).toBeGreaterThanOrEqual(5)
    }
    // One swatch half a mark from the end: a first move of less than a number shows nothing.
    expect(first(0.5, 'dots', 'own')).toEqual({ do: 'service' })
    expect(first(1, 'dots', 'own')).toEqual({ do: 'dial', dial: 0 })
    expect(first(8.5, 'own', 'dots')).toEqual({ do: 'service' })
    expect(first(8, 'own', 'dots')).toEqual({ do: 'dial', dial: 9 })
    // Later ones may be small.
    expect(after([at(1.5, 'line'), at(0.5, 'dots')], { start: 1.5 }).next).toEqual({ do: 'dial', dial: 0 })
  })

  it('is in marks of the scale where they lie wider apart than a number', () => {
    const whole = { min: 1, max: 5, normal: 3, step: 1 }
    expect(after([at(3, 'dots')], { dial: whole }).next).toEqual({ do: 'dial', dial: 2 })
    expect(after([at(3, 'own', 'dots')], { dial: whole }).next).toEqual({ do: 'dial', dial: 4 })
  })

  it('lies between what was too tight and what was too loose, and only the nearest of each counts', () => {
    const between = [at(6, 'line'), at(2, 'own', 'loops'), at(5, 'dots'), at(3.5, 'own', 'dots')]
    const { next } = after(between)
    expect(next.do).toBe('dial')
    expect(next.dial).toBeGreaterThan(3.5)
    expect(next.dial).toBeLessThan(5)
    // A loose one above a tight one contradicts it and bounds nothing.
    expect(after([at(5, 'own', 'dots'), at(4, 'dots')]).next.dial).toBeLessThan(4)
    expect(after([at(3, 'dots'), at(4, 'own', 'dots')]).next.dial).toBeGreaterThan(4)
  })

  it('is half-way between two marks once, and not at all for a learner whose swatches are used up', () => {
    const either = [at(4, 'dots'), at(3.5, 'own', 'dots')]
    expect(after(either).next).toEqual({ do: 'dial', dial: 3.75 })
    expect(after(either, asLearner).next).toEqual({ do: 'dial', dial: 3.75 })
    const five = [at(5, 'line'), at(3, 'own', 'loops'), at(4.5, 'line'), at(4, 'dots'), at(3.5, 'own', 'dots')]
    expect(after(five, asLearner)).toMatchObject({ reading: 'as-near', next: { do: 'done' } })
    expect(after(five).next).toEqual({ do: 'dial', dial: 3.75 })
  })

  it('that comes no nearer stops at the better of the two', () => {
    const nearer = (top: SwatchAt['top'], under: SwatchAt['under']) =>
      after([at(4, top), at(3.5, 'own', under), at(3.75, 'dots')]).next
    expect(nearer('dots', 'loops')).toEqual({ do: 'done', dial: 3.75 })
    expect(nearer('line', 'dots').dial).toBe(3.5)
    // Nearer to what this stitch wants, which is not always balance.
    const embroidered = [at(4, 'dots'), at(3.5, 'own', 'loops'), at(3.75, 'dots')]
    expect(after(embroidered, { target: 'embroidery' }).next).toEqual({ do: 'done', dial: 3.5 })
    // Of several swatches at one mark the best counts.
    expect(after([at(3.5, 'own', 'loops'), at(3.75, 'line'), at(3.5, 'own', 'dots')]).next.dial).toBe(3.5)
  })
})

describe('who takes over when the dial leads nowhere', () => {
  const down = (from: number, ...looks: SwatchAt['top'][]) => looks.map((top, index) => at(from - index, top))
  it('is a mentor for a learner, after five swatches or at the end of their reach, and says which', () => {
    const five = [at(4, 'line'), at(3, 'line'), at(2.5, 'line'), at(2, 'line'), at(3.5, 'line')]
    expect(after(five, asLearner)).toMatchObject({
      next: { do: 'call-mentor' },
      because: expect.stringContaining('5 swatches are enough') as string,
    })
    expect(after(five.slice(0, 2), asLearner).next).toMatchObject({ do: 'dial' })
    const reached = after([at(4, 'line'), at(2, 'dots')], asLearner)
    expect(reached.next.do).toBe('call-mentor')
    expect(reached.because).toContain('2 is as far as this kit’s dial goes for a learner (2 to 6)')
    const above = after([at(4, 'own', 'loops'), at(6, 'own', 'dots')], asLearner)
    expect(above.because).toContain('6 is as far as this kit’s dial goes for a learner (2 to 6)')
  })

  it('reaches as far as the dial itself where that ends first', () => {
    const low = after([at(1, 'line'), at(0, 'dots')], { start: 1, ...asLearner })
    expect(low.because).toContain('(0 to 3)')
    const high = after([at(8, 'own', 'loops'), at(9, 'own', 'dots')], { start: 8, ...asLearner })
    expect(high.because).toContain('(6 to 9)')
  })

  it('is the bobbin screw at either end of the dial where there is one, and a technician otherwise', () => {
    const low = [at(1, 'line'), at(0, 'dots')]
    const high = [at(8, 'own', 'loops'), at(9, 'own', 'dots')]
    for (const [swatches, start] of [
      [low, 1],
      [high, 8],
    ] as const) {
      expect(after(swatches, { start, bobbinScrew: true }).next.do).toBe('bobbin-screw')
      const { next, because } = after(swatches, { start })
      expect([next.do, because]).toEqual(['service', expect.stringContaining('as far as this dial goes (0 to 9)')])
    }
    // Short of the end there is nothing to say of the bobbin yet.
    expect(after([at(0.5, 'dots')], { start: 0.5, bobbinScrew: true }).next.do).toBe('service')
  })

  it('is nobody while a dial may be slow: three swatches over a number and a half, with less than a fifth of a score each', () => {
    const dead = (...swatches: SwatchAt[]) => after(swatches, { start: swatches[0]!.dial }).next.do
    expect(dead(at(4, 'dots'), at(3.5, 'dots'), at(2.5, 'dots'))).toBe('not-the-dial')
    expect(dead(at(4, 'dots'), at(3.5, 'dots'), at(3, 'dots'))).toBe('dial')
    expect(dead(at(4, 'line'), at(3, 'line'), at(2, 'dots'))).toBe('dial')
    expect(dead(...down(4, 'line', 'line', 'line'))).toBe('check-bobbin')
    // A line before the last three tells nothing of them; three that differ are no such three.
    expect(dead(...down(5, 'dots', 'line', 'line', 'line'))).toBe('check-bobbin')
    expect(dead(at(5, 'line'), at(4, 'own', 'loops'), at(3, 'line'))).not.toBe('check-bobbin')
    const said = after(down(4, 'dots', 'dots', 'dots')).because
    expect(said).toContain('3 swatches over 2 of the dial changed the score by 0 a number')
    // On another scale the same, in its own numbers.
    const on = [at(3, 'dots'), at(2.5, 'dots'), at(2.25, 'dots')]
    expect(after(on, { dial: narrow }).next.do).toBe('not-the-dial')
    expect(after(on, { dial: narrow, ...asLearner }).next.do).not.toBe('not-the-dial')
  })

  it('is asked far away before: where two swatches look alike the third tells a slow dial from a dead one', () => {
    expect(after([at(6, 'dots'), at(5, 'dots')], { start: 6 }).next).toEqual({ do: 'dial', dial: 1.5 })
    expect(after([at(3, 'own', 'dots'), at(4, 'own', 'dots')], { start: 3 }).next).toEqual({ do: 'dial', dial: 7.5 })
    // Of a line nobody knows how much it is: the end of the dial tells.
    expect(after([at(6, 'line'), at(5, 'line')], { start: 6 }).next).toEqual({ do: 'dial', dial: 0 })
    // No further than the dial goes, and not where the second is better, or the two lie either side.
    expect(after([at(3, 'dots'), at(2, 'dots')], { start: 3 }).next).toEqual({ do: 'dial', dial: 0 })
    expect(after([at(6, 'line'), at(5, 'dots')], { start: 6 }).next.dial).toBeGreaterThan(1.5)
    expect(after([at(6, 'dots'), at(5, 'own', 'dots')], { start: 6 }).next).toEqual({ do: 'dial', dial: 5.5 })
    // In numbers of its own scale.
    expect(after([at(4.5, 'dots'), at(4, 'dots')], { dial: narrow, start: 4.5 }).next).toEqual({
      do: 'dial',
      dial: 2.5,
    })
    const wide = { min: 0, max: 90, normal: 40, step: 5 }
    const slow = [at(60, 'line'), at(50, 'line'), at(40, 'dots')]
    expect(after(slow, { dial: wide, start: 60 }).next.do).toBe('dial')
    // Once: the third is on its own.
    const fine = { ...ORDINARY_DIAL, step: 0.1 }
    const third = after([at(6, 'dots'), at(5, 'dots'), at(4.8, 'dots')], { start: 6, dial: fine }).next
    expect(third.dial).toBeGreaterThan(3)
    // A learner is not sent there.
    expect(after([at(4, 'dots'), at(3, 'dots')], asLearner).next.dial).toBeGreaterThanOrEqual(2)
  })
})

describe('what is said with a turn of the dial', () => {
  it('is which thread wins, by how much, and from how many swatches', () => {
    expect(after([at(4, 'dots')]).because).toMatch(/^The bobbin pulls up \(score 1\).*from this swatch/)
    expect(after([at(4, 'own', 'loops')]).because).toMatch(/^The top thread goes below \(score -3\).*from this swatch/)
    expect(after([at(6, 'line'), at(5, 'dots')], { start: 6 }).because).toContain('from 2 swatches')
  })
})

describe('what one swatch says', () => {
  it('is far from more than two scores off on, to either side of what the stitch wants', () => {
    const reading = (target: Target, top: SwatchAt['top'], under: SwatchAt['under']) =>
      readSwatch({ top, under }, target).reading
    expect(reading('straight', 'dots', 'own')).toBe('top-little-tight')
    expect(reading('straight', 'line', 'own')).toBe('top-far-tight')
    expect(reading('straight', 'own', 'dots')).toBe('top-little-loose')
    expect(reading('straight', 'own', 'loops')).toBe('top-far-loose')
    expect(reading('decorative', 'own', 'loops')).toBe('top-little-loose')
    expect(reading('decorative', 'dots', 'own')).toBe('top-little-tight')
    expect(reading('embroidery', 'dots', 'own')).toBe('top-far-tight')
    expect(reading('embroidery', 'own', 'own')).toBe('top-little-tight')
    expect(reading('straight-on-sheer', 'own', 'dots')).toBe('right-for-stitch')
    expect(reading('straight-on-sheer', 'own', 'own')).toBe('balanced')
  })

  it('of a zigzag that lies flat is well with its own colours alone, and only of a zigzag', () => {
    const good = (target: Target, ...signs: SwatchSign[]) =>
      readSwatch({ top: 'own', under: 'own', signs }, target).onTarget
    expect([good('zigzag'), good('zigzag', 'wobble'), good('zigzag', 'ridge'), good('zigzag', 'puckered')]).toEqual([
      true,
      true,
      false,
      false,
    ])
    expect(good('zigzag', 'wobble', 'puckered')).toBe(false)
    expect(good('twin')).toBe(false)
  })

  it('of a nest is threading, with a score below all that a face shows', () => {
    expect(readSwatch({ top: 'dots', under: 'nest' }, 'straight')).toEqual({
      s: -2,
      reading: 'threading',
      onTarget: false,
    })
  })
})

describe('what a camera measured', () => {
  const face = (look: CameraFace['look'], score: number | null) => ({ look, score, spread: 0.2 })
  it('counts where the person agrees, on the side of the face that shows, and short of all there is to see', () => {
    const top = (
      look: SwatchAt['top'],
      seen: CameraFace['look'],
      score: number | null,
      under: SwatchAt['under'] = 'own',
    ) => measuredScore({ top: look, under, camera: { top: face(seen, score) as CameraFace<SwatchAt['top']> } })?.s
    expect(top('dots', 'dots', 1.2)).toBe(1.2)
    expect(top('dots', 'line', 1.2)).toBeUndefined()
    expect(top('dots', 'dots', -1.2)).toBeUndefined()
    expect(top('dots', 'dots', null)).toBeUndefined()
    expect(top('line', 'line', 2.5)).toBe(2.5)
    expect(top('line', 'line', 2.6)).toBeUndefined()
    expect(top('own', 'own', 0.3)).toBeUndefined()
    expect(top('dots', 'dots', 1.2, 'nest')).toBeUndefined()
    const under = (look: Exclude<SwatchAt['under'], 'nest'>, score: number) =>
      measuredScore({ top: 'own', under: look, camera: { under: face(look, score) as CameraFace<SwatchAt['under']> } })
    expect(under('dots', -1.1)).toEqual({ s: -1.1, spread: 0.2 })
    expect(under('dots', 1.1)).toBeUndefined()
    expect(under('own', -0.2)).toBeUndefined()
    expect(measuredScore({ top: 'dots', under: 'own' })).toBeUndefined()
  })

  it('and was corrected in is counted face by face', () => {
    const camera = { top: face('dots', 1), under: face('dots', -1) } as never
    expect(cameraCorrected({ top: 'dots', under: 'dots', camera })).toBe(0)
    expect(cameraCorrected({ top: 'line', under: 'dots', camera })).toBe(1)
    expect(cameraCorrected({ top: 'dots', under: 'own', camera })).toBe(1)
    expect(cameraCorrected({ top: 'own', under: 'own', camera })).toBe(2)
    expect(cameraCorrected({ top: 'own', under: 'own' })).toBe(0)
    expect(
      cameraTally([
        { top: 'line', under: 'dots', camera },
        { top: 'own', under: 'own' },
        { top: 'dots', under: 'own', camera: { top: face('dots', 1) } as never },
      ]),
    ).toEqual({ faces: 3, corrected: 1 })
  })
})

describe('what a swatch should look like', () => {
  const kit = (point: string, iso: string, of = 'straight') => ({ needle: { point }, stitch: { of, iso } })
  const sewn = (operation: string, ...traits: string[]) => ({ operation, fabric: { traits } })
  it('is told from the needle, the job, the stitch and the cloth, in this order', () => {
    expect(targetOf(undefined, sewn('seam'))).toBe('straight')
    expect(targetOf(kit('twin-universal', '301'), undefined)).toBe('straight')
    expect(targetOf(kit('twin-stretch', '304', 'zigzag'), sewn('embroidery'))).toBe('twin')
    expect(targetOf(kit('universal', '304', 'zigzag'), sewn('buttonhole'))).toBe('buttonhole')
    expect(targetOf(kit('embroidery', '304', 'decorative'), sewn('embroidery'))).toBe('embroidery')
    expect(targetOf(kit('universal', '301'), sewn('seam', 'sheer'))).toBe('straight-on-sheer')
    expect(targetOf(kit('universal', '301'), { operation: 'seam', fabric: {} })).toBe('straight')
    expect(targetOf(kit('universal', '304', 'decorative'), sewn('decorative'))).toBe('decorative')
    expect(targetOf(kit('universal', '304', 'zigzag'), sewn('seam', 'sheer'))).toBe('zigzag')
  })

  it('is said of both faces, and is what reads as good', () => {
    expect(goodLookWords('straight')).toEqual(['top: only the top thread', 'underneath: only the bobbin thread'])
    expect(goodLookWords('embroidery')).toEqual([
      'top: only the top thread',
      'underneath: small dots of the top thread',
    ])
    expect(goodLookWords('zigzag')[1]).toBe('underneath: small dots of the top thread')
  })
})
