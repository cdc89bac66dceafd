import { firstThatHolds, sentence, type Facts } from '../knowledge/rule'
import { BOBBIN_WISHES, THREAD_REASONS, THREAD_WISHES, type KitThread, type ThreadUse } from '../knowledge/thread'
import { usualFinish, type Thread } from '../units/thread'
import type { KitStock, Reason } from './request'

/** Threads over 50 tex, or two in one eye, want a larger eye than the cloth alone would ask for. */
export const isThickThread = (thread: Thread): boolean => thread.tex > 50 || (thread.strands ?? 1) > 1

/** What a thread that somebody names is for. */
export function useOf(thread: Thread): ThreadUse {
  if (thread.finish === 'bonded' || (thread.fibre === 'nylon' && thread.finish === undefined)) return 'heavy'
  if (thread.finish === 'monofilament' || thread.fibre === 'metallic') return 'decorative'
  if (thread.fibre === 'rayon') return 'embroidery'
  if (isThickThread(thread)) return 'topstitch'
  return thread.tex < 20 ? 'fine' : 'all-purpose'
}

/** Counts within this many tex are the same thread to a kit; makers vary as much. */
const SAME_TEX = 4

/** Threads to try for a kit, best first, and why. A thread that was asked for is the only one. */
export interface ThreadPlan {
  readonly candidates: readonly KitThread[]
  /** the kit may choose among them, so they never decide the needle */
  readonly free: boolean
  readonly inStock: boolean
  readonly rule: string
  readonly because: string
}

/** @param stock when given, threads on the shelf come before those that would have to be bought */
export function planThread(asked: Thread | undefined, facts: Facts, stock: KitStock | undefined): ThreadPlan {
  const rule = firstThatHolds(THREAD_WISHES, facts)
  const because = sentence(rule.because, facts)
  if (asked) {
    const thread = { ...asked, use: useOf(asked) }
    const spoken = sentence(THREAD_REASONS.given, { threadTex: asked.tex, threadFibre: asked.fibre })
    const inStock = !stock || stock.threads.some((spool) => spool.tex === asked.tex && spool.fibre === asked.fibre)
    return { candidates: [thread], free: false, inStock, rule: 'thread-given', because: spoken }
  }
  if (!stock) return { candidates: rule.give.threads, free: true, inStock: true, rule: rule.id, because }
  const { uses, fromTex, toTex } = rule.give.shelf
  const shelf = stock.threads.filter((spool) => uses.includes(spool.use) && spool.tex >= fromTex && spool.tex <= toTex)
  if (shelf.length === 0) return { candidates: rule.give.threads, free: true, inStock: false, rule: rule.id, because }
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
  return { candidates, free: true, inStock: true, rule: rule.id, because }
}

/** The bobbin thread for a top thread, with its reason. Two strands above share one strand below. */
export function chooseBobbin(top: KitThread, facts: Facts): { readonly thread: KitThread; readonly reason: Reason } {
  const threadFacts = {
    ...facts,
    threadTex: top.tex,
    threadFibre: top.fibre,
    threadFinish: top.finish ?? usualFinish(top.fibre),
  }
  const rule = firstThatHolds(BOBBIN_WISHES, threadFacts)
  const { strands: _, ...single } = top
  return {
    thread: rule.give.thread === 'same' ? single : rule.give.thread,
    reason: { part: 'bobbin', rule: rule.id, because: sentence(rule.because, threadFacts) },
  }
}
