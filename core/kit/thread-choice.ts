import { firstThatHolds, sentence } from '../schema/rule'
import type { Facts, Rule } from '../knowledge/fact'
import { THREAD_REASONS, THREAD_USE_OF, type KitThread, type ThreadUse } from '../knowledge/thread/thread'
import { usualFinish, type Thread } from '../units/thread'
import type { KitQuestion } from './facts'
import type { KitStock } from './request'

/** What a thread that somebody names is for. */
export function useOf(thread: Thread): ThreadUse {
  const facts = {
    threadTex: thread.tex,
    threadStrands: thread.strands ?? 1,
    threadFibre: thread.fibre,
    threadFinish: thread.finish ?? usualFinish(thread.fibre),
  }
  return firstThatHolds(THREAD_USE_OF, facts).give.use
}

/** Counts within this many tex are the same thread to a kit; makers vary as much. */
const SAME_TEX = 4

/** Threads to try for a kit, best first, and why. A thread that was asked for is the only one. */
export interface ThreadPlan {
  readonly candidates: readonly KitThread[]
  /** the kit may choose among them, so they never decide the needle */
  readonly free: boolean
  readonly inStock: boolean
  /** of another fibre than the one wished for, since that is what lies on the shelf */
  readonly standsIn?: true
  readonly rule: Rule<unknown>
  readonly because: string
}

/** @param stock when given, threads on the shelf come before those that would have to be bought */
export function planThread(
  asked: Thread | undefined,
  { facts, knowledge }: Pick<KitQuestion, 'facts' | 'knowledge'>,
  stock: KitStock | undefined,
): ThreadPlan {
  const rule = firstThatHolds(knowledge.threadWishes, facts)
  const because = sentence(rule.because, facts)
  if (asked) {
    const thread = { ...asked, use: useOf(asked) }
    const spoken = sentence(THREAD_REASONS.given, { threadTex: asked.tex, threadFibre: asked.fibre })
    const inStock = !stock || stock.threads.some((spool) => spool.tex === asked.tex && spool.fibre === asked.fibre)
    return {
      candidates: [thread],
      free: false,
      inStock,
      rule: { ...rule, id: 'thread-given', when: {}, because: THREAD_REASONS.given },
      because: spoken,
    }
  }
  if (!stock) return { candidates: rule.give.threads, free: true, inStock: true, rule, because }
  const { uses, fromTex, toTex } = rule.give.shelf
  const shelf = stock.threads.filter((spool) => uses.includes(spool.use) && spool.tex >= fromTex && spool.tex <= toTex)
  if (shelf.length === 0) return { candidates: rule.give.threads, free: true, inStock: false, rule, because }
  const wanted = rule.give.threads[0]!
  const likeness = (spool: Thread) => (spool.fibre === wanted.fibre ? 0 : 1000) + Math.abs(spool.tex - wanted.tex)
  const nearest = [...shelf].sort((a, b) => likeness(a) - likeness(b))
  // A thread of the kit's own choosing never decides the needle, so the wish's finer threads stand by, if on the shelf.
  const standby = rule.give.threads.flatMap((other) =>
    stock.threads.filter(
      (spool) => !nearest.includes(spool) && spool.use === other.use && Math.abs(spool.tex - other.tex) <= SAME_TEX,
    ),
  )
  const candidates = [...nearest, ...standby].map((spool): KitThread => ({
    ...spool,
    finish: spool.use === 'heavy' ? 'bonded' : usualFinish(spool.fibre),
  }))
  const standsIn = candidates[0]!.fibre !== wanted.fibre
  return { candidates, free: true, inStock: true, ...(standsIn && { standsIn }), rule, because }
}

/**
 * The bobbin thread for a top thread, with its reason. Two strands above share one strand below.
 * @param facts must hold `threadTex`, `threadFibre` and `threadFinish` of the top thread
 */
export function chooseBobbin(
  top: KitThread,
  facts: Facts,
  knowledge: KitQuestion['knowledge'],
): { readonly thread: KitThread; readonly rule: Rule<unknown>; readonly because: string } {
  const rule = firstThatHolds(knowledge.bobbinWishes, facts)
  const { strands: _, ...single } = top
  return {
    thread: rule.give.thread === 'same' ? single : rule.give.thread,
    rule,
    because: sentence(rule.because, facts),
  }
}
