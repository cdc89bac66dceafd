import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { Chance } from '@/practice/random'
import { CLOTH_QUESTIONS } from '../knowledge/cloth/cloth-question'
import { NAMED_FABRICS } from '../knowledge/cloth/named-fabric'
import { completeFabric } from './intake'
import { guessedFabric, MOST_QUESTIONS, nextClothQuestion, whichCloth, type ClothAnswers } from './which-cloth'

/** Somebody at a table who looks, and now and then sees something else. */
function asked(name: string, wrong: (answers: number, truth: number) => number): ClothAnswers {
  const cloth = completeFabric(NAMED_FABRICS.find((each) => each.name === name)!)
  let answered: ClothAnswers = {}
  for (let question = nextClothQuestion(answered); question; question = nextClothQuestion(answered)) {
    const seen = wrong(question.answers.length, question.of(cloth))
    answered = { ...answered, [question.id]: question.answers[seen]!.id }
  }
  return answered
}

describe('which cloth it is', () => {
  it('is found for every named cloth by whoever looks well, in six questions at most', () => {
    for (const named of NAMED_FABRICS) {
      const answered = asked(named.name, (_, truth) => truth)
      expect(Object.keys(answered).length).toBeLessThanOrEqual(MOST_QUESTIONS)
      const found = whichCloth(answered)
      expect([named.name, found.structure]).toEqual([named.name, named.structure])
      const { massGsm } = completeFabric(named)
      expect(Math.abs(found.massGsm.value - massGsm), named.name).toBeLessThan(Math.max(60, 2.5 * found.massGsm.spread))
    }
  })

  it('is found ninety-seven times in a hundred by an eye that errs in one answer of fifteen', () => {
    const chance = new Chance(3)
    let [structures, traits, all] = [0, 0, 0]
    const counts: number[] = []
    for (const named of NAMED_FABRICS)
      for (let times = 0; times < 20; times += 1) {
        const answered = asked(named.name, (answers, truth) =>
          chance.next() < 1 / 15 ? (truth + 1 + Math.floor(chance.next() * (answers - 1))) % answers : truth,
        )
        const found = whichCloth(answered)
        counts.push(Object.keys(answered).length)
        all += 1
        if (found.structure === named.structure) structures += 1
        const wanted = new Set(named.traits ?? [])
        if (found.traits.length === wanted.size && found.traits.every((trait) => wanted.has(trait))) traits += 1
      }
    counts.sort((a, b) => a - b)
    const figures = { structures: structures / all, traits: traits / all, median: counts[counts.length >> 1]! }
    console.log(
      `which cloth: structure ${(100 * figures.structures).toFixed(1)} %, all traits ${(100 * figures.traits).toFixed(1)} %, median ${figures.median} questions, ${all} tries`,
    )
    expect(figures.structures).toBeGreaterThanOrEqual(0.97)
    expect(figures.traits).toBeGreaterThanOrEqual(0.9)
    expect(figures.median).toBeLessThanOrEqual(4)
  })

  it('never asks a thing twice, and only what tells something', () =>
    fc.assert(
      fc.property(fc.array(fc.nat(), { minLength: MOST_QUESTIONS, maxLength: MOST_QUESTIONS }), (picks) => {
        let answered: ClothAnswers = {}
        for (const pick of picks) {
          const question = nextClothQuestion(answered)
          if (!question) break
          expect(answered[question.id]).toBeUndefined()
          answered = { ...answered, [question.id]: question.answers[pick % question.answers.length]!.id }
        }
        const found = whichCloth(answered)
        expect(found.sure).toBeGreaterThan(0)
        expect(found.nearest).toHaveLength(3)
        for (const { value, spread } of [found.massGsm, found.thicknessMm, found.stretchPercent])
          expect(Number.isFinite(value) && spread >= 0).toBe(true)
      }),
    ))

  it('is a guess in every number until somebody measures, and hides go by their thickness', () => {
    const told = (name: string) => guessedFabric(whichCloth(asked(name, (_, truth) => truth)))
    expect(told('poplin').guessed).toEqual(['massGsm', 'thicknessMm', 'stretchPercent'])
    expect(completeFabric(told('poplin')).estimated).toContain('massGsm')
    expect(told('bag leather')).not.toHaveProperty('massGsm')
    expect(told('bag leather').guessed).not.toContain('massGsm')
  })

  it('has an answer of its own for every named cloth in every question', () => {
    for (const question of CLOTH_QUESTIONS)
      for (const named of NAMED_FABRICS)
        expect(question.answers[question.of(completeFabric(named))], `${question.id} ${named.name}`).toBeDefined()
  })
})
