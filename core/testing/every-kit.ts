import fc from 'fast-check'
import { computeKit } from '../kit/kit'
import type { Kit, KitAnswer, KitRequest } from '../kit/request'
import { anyRequest } from './arbitraries'

/** Other requests with each run of the tests; within one run every law is asked of the same, each computed once. */
const DRAW = { seed: fc.sample(fc.integer(), 1)[0]!, numRuns: 2_000 }
/** So many at most where time is short: to draw them takes as long as to answer them. */
const BRIEF = 400

interface Drawn {
  readonly request: KitRequest
  readonly answer: KitAnswer
}
let requests: readonly KitRequest[] | undefined
let drawn: readonly Drawn[] | undefined

function draw(): readonly Drawn[] {
  const limitMs = fc.readConfigureGlobal().interruptAfterTimeLimit
  // A mutation run asks which law computes what, and so none borrows the answers of another.
  if (drawn && limitMs === undefined) return drawn
  requests ??= fc.sample(anyRequest, { ...DRAW, numRuns: limitMs === undefined ? DRAW.numRuns : BRIEF })
  const until = performance.now() + (limitMs ?? Infinity)
  const all: Drawn[] = []
  for (const request of requests) {
    all.push({ request, answer: computeKit(request) })
    if (performance.now() > until) break
  }
  drawn = all
  return all
}

/** A law of whatever is answered, over cloths × operations × threads × machines × shelves. What breaks it is told as its smallest case. */
export function everyAnswer(law: (answer: KitAnswer, request: KitRequest) => void): void {
  try {
    for (const { request, answer } of draw()) law(answer, request)
  } catch (error) {
    // The same draw again, by the one that looks for a smaller case.
    const answers = (request: KitRequest) => law(computeKit(request), request)
    fc.assert(fc.property(anyRequest, answers), DRAW)
    throw error
  }
}

/** A law of every kit of every answer. */
export const everyKit = (law: (kit: Kit, request: KitRequest) => void): void =>
  everyAnswer(({ kits }, request) => {
    for (const kit of kits) law(kit, request)
  })
