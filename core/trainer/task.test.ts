import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { ANSWERS, CHANGES, VERDICTS, type Answered } from '../knowledge/tension/answer'
import { sewLine } from '../stitch/lockstitch'
import { answerTask, newTask, TASK_KINDS, taskBecause, verdictOn, type Task } from './task'

/** Chance as it comes, and the same again for the same seed. */
function chanceOf(seed: number): () => number {
  let state = seed + 1
  return () => {
    state = (state * 48_271) % 2_147_483_647
    return (state % 1_000_000) / 1_000_000
  }
}
const anySeed = fc.integer({ min: 1, max: 1_000_000 })
const anyAnswer = fc.record({ shown: fc.constantFrom(...ANSWERS), said: fc.constantFrom(...ANSWERS) })
const anyAnswers = fc.array(anyAnswer, { maxLength: 30 })
const anyTask = fc
  .tuple(fc.constantFrom(...TASK_KINDS), anySeed, anyAnswers)
  .map(([kind, seed, answers]) => newTask(kind, answers, chanceOf(seed)))

const scores = (task: Task) => task.swatches.map((each) => sewLine(each).s)
const looks = (task: Task) => task.swatches.map((each) => JSON.stringify(sewLine(each).look))

describe('a task', () => {
  it('has one right answer among those that are offered, full marks for it and a reason', () =>
    fc.assert(
      fc.property(anyTask, (task) => {
        const { right, of, answered } = answerTask(task, task.right)
        expect(right).toBe(of)
        expect(answered?.shown).toBe(answered?.said)
        expect(taskBecause(task)).toMatch(/\.$/)
        const offered = task.kind === 'read' ? VERDICTS : task.kind === 'between' ? CHANGES : undefined
        const wrong = offered?.filter((each) => each !== task.right)
        for (const each of wrong ?? []) {
          expect(answerTask(task, each)).toMatchObject({ right: 0, answered: { shown: task.right, said: each } })
        }
      }),
    ))

  it('can be told by eye: what is compared looks different, on one face or the other', () =>
    fc.assert(
      fc.property(anyTask, (task) => {
        expect(new Set(looks(task)).size).toBe(task.swatches.length)
      }),
    ))

  it('calls looser what the stitch model draws lower', () =>
    fc.assert(
      fc.property(anySeed, anyAnswers, (seed, answers) => {
        const pair = newTask('looser', answers, chanceOf(seed))
        const [a, b] = scores(pair)
        expect(pair.right).toBe(a! < b! ? 0 : 1)
        const five = newTask('sort', answers, chanceOf(seed))
        const inOrder = (five.right as readonly number[]).map((index) => scores(five)[index]!)
        expect(inOrder).toEqual([...inOrder].sort((x, y) => x - y))
      }),
    ))

  it('takes loose for tight only where one is loose and the other tight', () =>
    fc.assert(
      fc.property(anySeed, anyAnswers, (seed, answers) => {
        const pair = newTask('looser', answers, chanceOf(seed))
        const verdicts = pair.swatches.map(verdictOn)
        const { answered } = answerTask(pair, pair.right === 0 ? 1 : 0)
        const told = verdicts.includes('too-loose') && verdicts.includes('too-tight')
        expect(answered).toEqual(told ? { shown: 'too-loose', said: 'too-tight' } : undefined)
      }),
    ))

  it('says of two swatches what was really done between them', () =>
    fc.assert(
      fc.property(anySeed, (seed) => {
        const task = newTask('between', [], chanceOf(seed))
        const [before, after] = scores(task)
        const [was, is] = task.swatches.map(verdictOn)
        if (task.right === 'dial-up') expect(after).toBeGreaterThan(before!)
        if (task.right === 'dial-down') expect(after).toBeLessThan(before!)
        if (task.right === 'rethread') expect([was, is]).toEqual(['threading', 'good'])
        if (task.right === 'change-needle') expect([was, is]).toEqual(['needle', 'good'])
      }),
    ))

  it('marks an order less for two out of turn, and one that is turned round as loose taken for tight', () => {
    const task = newTask('sort', [], chanceOf(7))
    const order = task.right as readonly number[]
    expect(answerTask(task, [...order].reverse())).toEqual({
      right: 0,
      of: 4,
      answered: { shown: 'too-loose', said: 'too-tight' },
    })
    const [first, second, ...rest] = order
    expect(answerTask(task, [second!, first!, ...rest])).toMatchObject({
      right: 3,
      answered: { said: 'too-loose' },
    })
  })

  it('shows oftener what this person took for something else', () => {
    const mixed: Answered[] = Array.from({ length: 4 }, () => ({ shown: 'threading', said: 'too-loose' }))
    const times = (answers: readonly Answered[]) =>
      Array.from({ length: 400 }, (_, seed) => newTask('read', answers, chanceOf(seed * 97 + 5)).right).filter(
        (each) => each === 'threading' || each === 'too-loose',
      ).length
    expect(times(mixed)).toBeGreaterThan(times([]) * 1.3)
  })
})
