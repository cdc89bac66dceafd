import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { KNOWLEDGE } from '../knowledge/knowledge'
import { firstThatHolds } from '../schema/rule'
import { anyRequest, anyStock, anyThread } from '../testing/arbitraries'
import { usualFinish, type Thread } from '../units/thread'
import { kitQuestion } from './facts'
import type { KitRequest, KitStock } from './request'
import { chooseBobbin, planThread, useOf } from './thread-choice'

const planned = (request: KitRequest, asked: Thread | undefined, stock: KitStock | undefined) => {
  const question = kitQuestion(request, KNOWLEDGE)
  return { plan: planThread(asked, question, stock), wish: firstThatHolds(KNOWLEDGE.threadWishes, question.facts).give }
}

describe('what a thread is for', () => {
  it.each([
    ['fine', { tex: 19, fibre: 'polyester' }],
    ['all-purpose', { tex: 20, fibre: 'polyester' }],
    ['all-purpose', { tex: 50, fibre: 'cotton' }],
    ['topstitch', { tex: 51, fibre: 'polyester' }],
    ['topstitch', { tex: 27, fibre: 'polyester', strands: 2 }],
    ['embroidery', { tex: 27, fibre: 'rayon' }],
    ['decorative', { tex: 27, fibre: 'metallic' }],
    ['decorative', { tex: 27, fibre: 'nylon', finish: 'monofilament' }],
    ['heavy', { tex: 27, fibre: 'nylon', finish: 'bonded' }],
  ] as const)('%s: %o', (use, thread) => expect(useOf(thread)).toBe(use))

  it('is as of its usual finish and one strand where nothing else is said', () =>
    fc.assert(
      fc.property(anyThread, ({ tex, fibre }) => {
        expect(useOf({ tex, fibre, finish: usualFinish(fibre), strands: 1 })).toBe(useOf({ tex, fibre }))
      }),
    ))
})

describe('the threads of a kit', () => {
  it('are those wished for where no shelf is known', () =>
    fc.assert(
      fc.property(anyRequest, (request) => {
        const { plan, wish } = planned(request, undefined, undefined)
        expect(plan).toMatchObject({ candidates: wish.threads, free: true, inStock: true })
        expect(plan.standsIn).toBeUndefined()
      }),
    ))

  it('are the one that was asked for, whatever lies on the shelf; whether it does is told', () =>
    fc.assert(
      fc.property(anyRequest, anyThread, fc.option(anyStock, { nil: undefined }), (request, asked, stock) => {
        const one = stock?.threads[0]
        for (const thread of [asked, ...(one ? [{ tex: one.tex, fibre: one.fibre }] : [])]) {
          const { plan } = planned(request, thread, stock)
          expect(plan).toMatchObject({ candidates: [{ ...thread, use: useOf(thread) }], free: false })
          const lies = stock?.threads.some(({ tex, fibre }) => tex === thread.tex && fibre === thread.fibre)
          expect(plan.inStock).toBe(lies ?? true)
        }
      }),
    ))

  it('are taken from the shelf where anything on it will do: all of that, those of the wished fibre and count first', () =>
    fc.assert(
      fc.property(anyRequest, anyStock, (request, stock) => {
        const { plan, wish } = planned(request, undefined, stock)
        const { uses, fromTex, toTex } = wish.shelf
        const does = ({ tex, use }: KitStock['threads'][number]) => uses.includes(use) && tex >= fromTex && tex <= toTex
        const doing = stock.threads.filter(does)
        expect([plan.free, plan.inStock]).toEqual([true, doing.length > 0])
        if (doing.length === 0) return void expect(plan.candidates).toEqual(wish.threads)
        const [first, standby] = [plan.candidates.slice(0, doing.length), plan.candidates.slice(doing.length)]
        const named = ({ tex, fibre, use }: KitStock['threads'][number]) => `${use} ${tex} ${fibre}`
        expect(first.map(named).sort()).toEqual(doing.map(named).sort())
        const wanted = wish.threads[0]!
        for (const [index, after] of first.slice(1).entries()) {
          const before = first[index]!
          const [better, worse] = [before, after].map(({ fibre }) => fibre === wanted.fibre)
          if (better === worse)
            expect(Math.abs(before.tex - wanted.tex)).toBeLessThanOrEqual(Math.abs(after.tex - wanted.tex))
          else expect([better, worse]).toEqual([true, false])
        }
        // Finer ones that the wish names stand by, as near as makers come; nothing else does.
        const isOther = (spool: KitStock['threads'][number]) =>
          !does(spool) && wish.threads.some(({ use, tex }) => use === spool.use && Math.abs(tex - spool.tex) <= 4)
        expect([...new Set(standby.map(named))].sort()).toEqual(
          [...new Set(stock.threads.filter(isOther).map(named))].sort(),
        )
        for (const { use, fibre, finish } of plan.candidates)
          expect(finish).toBe(use === 'heavy' ? 'bonded' : usualFinish(fibre))
        expect(plan.standsIn ?? false).toBe(plan.candidates[0]!.fibre !== wanted.fibre)
      }),
      { numRuns: 400 },
    ))
})

it('the bobbin has the top thread’s own article in one strand, or the one that its row names', () =>
  fc.assert(
    fc.property(anyThread, fc.boolean(), (thread, embroiders) => {
      const top = { ...thread, use: useOf(thread) }
      const finish = thread.finish ?? usualFinish(thread.fibre)
      const facts = {
        operation: embroiders ? ('embroidery' as const) : ('seam' as const),
        threadTex: thread.tex,
        threadFibre: thread.fibre,
        threadFinish: finish,
      }
      const { thread: below, rule } = chooseBobbin(top, facts, KNOWLEDGE)
      const { strands: _, ...single } = top
      const named = firstThatHolds(KNOWLEDGE.bobbinWishes, facts).give.thread
      expect(below).toEqual(named === 'same' ? single : named)
      expect(embroiders ? rule.id : 'any').toBe(embroiders ? 'bobbin-embroidery' : 'any')
    }),
  ))
