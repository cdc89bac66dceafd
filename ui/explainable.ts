import { TRADE_WORDS, type TradeWord } from '@/core/knowledge/trade-word'

const BY_FORM: ReadonlyMap<string, TradeWord> = new Map(
  TRADE_WORDS.flatMap((each) => [each.word, ...(each.also ?? [])].map((form) => [form.toLowerCase(), each] as const)),
)
/** Longest first, so that "bobbin case" is not taken for a bobbin. */
const ANY_FORM = new RegExp(`\\b(${[...BY_FORM.keys()].sort((a, b) => b.length - a.length).join('|')})\\b`, 'gi')

/** A piece of a text; with `word` it is one that can be explained. */
export interface TextPart {
  readonly text: string
  readonly word?: TradeWord
}

/** A text taken apart at its trade words, each marked the first time only. Joined again it is the same text. */
export function explainable(text: string): TextPart[] {
  const seen = new Set<TradeWord>()
  const parts: TextPart[] = []
  let from = 0
  for (const found of text.matchAll(ANY_FORM)) {
    const word = BY_FORM.get(found[0].toLowerCase())!
    if (seen.has(word)) continue
    seen.add(word)
    if (found.index > from) parts.push({ text: text.slice(from, found.index) })
    parts.push({ text: found[0], word })
    from = found.index + found[0].length
  }
  if (from < text.length) parts.push({ text: text.slice(from) })
  return parts
}
