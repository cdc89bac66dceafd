import { plain } from '../knowledge/rule'

/** A trait's value as a person says it. */
export function traitWords(value: unknown): string {
  if (typeof value === 'boolean') return value ? 'yes' : 'no'
  if (typeof value === 'number') return plain(value)
  if (typeof value === 'string') return value.replaceAll('-', ' ')
  if (Array.isArray(value)) return value.map(traitWords).join(', ')
  if (value && typeof value === 'object') {
    return Object.entries(value)
      .map(([name, each]) => (name === 'byStitch' ? `by stitch: ${traitWords(each)}` : `${name} ${traitWords(each)}`))
      .join(', ')
  }
  return ''
}
