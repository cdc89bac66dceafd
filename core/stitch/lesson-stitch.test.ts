import { expect, it } from 'vitest'
import { LESSON } from '../knowledge/tension/lesson'
import { lessonStitch } from './lesson-stitch'

/** What each moment says of itself is what the model shows of it. */
it.each([
  ['good', 'own', 'own'],
  ['loose', 'own', 'dots'],
  ['tight', expect.stringMatching(/dots|line/), 'own'],
  ['slack', 'own', 'own'],
  ['run', 'own', 'own'],
  ['discs', 'own', 'nest'],
  ['thread', expect.stringMatching(/dots|line/), 'own'],
  ['needle', 'own', 'own'],
  ['zigzag', 'own', 'dots'],
  ['zigzag-tight', expect.stringMatching(/dots|line/), 'own'],
])('the lesson’s %s shows what its answer says', (id, top, under) => {
  const { look, skipped } = lessonStitch(LESSON.find((each) => each.id === id)!).result
  expect(look.top).toEqual(top)
  expect(look.under).toBe(under)
  expect(skipped > 0).toBe(id === 'needle')
})

it('the lesson’s ridge stands, and its plain twin has none', () => {
  const ridge = (id: string) => lessonStitch(LESSON.find((each) => each.id === id)!).result.ridge
  expect(ridge('twin')).toBeLessThan(1)
  expect(ridge('twin-ridge')).toBeGreaterThan(1)
})

it('the lesson’s slack seam is balanced, and both its threads pull far less than in the good one', () => {
  const [good, slack] = ['good', 'slack'].map((id) => lessonStitch(LESSON.find((each) => each.id === id)!).result)
  expect(slack!.topTension).toBeLessThan(good!.topTension / 2)
  expect(slack!.bobbinTension).toBeLessThan(good!.bobbinTension / 2)
})
