import type { TSchema } from 'typebox'

/** One thing that a typed line can say of an event: where it stands in the body and what it may hold. */
export interface LineField {
  /** from the body's root, such as `in.sizeNm` */
  readonly path: string
  readonly kind: 'word' | 'number' | 'yes' | 'day' | 'text'
  /** the words of a `word` */
  readonly words: readonly string[]
  /** the field's own name as it is typed: "motor minutes" */
  readonly name: string
  /** it must be there whenever what it stands in is there */
  readonly required: boolean
  /** it holds several of its words */
  readonly many?: true
  /** how its number is read when it is not a plain one */
  readonly reading?: string
}

export interface LineFields {
  readonly fields: readonly LineField[]
  /** parts of the body that must be there */
  readonly parts: readonly string[]
}

type Plain = Readonly<Record<string, unknown>>

const spoken = (name: string): string => name.replace(/([a-z])([A-Z])/g, '$1 $2').toLowerCase()

/**
 * The fields of an event's body, in the order of its schema. Ids are left out, as nobody types them.
 * @returns undefined when the body needs something that a line cannot hold, such as a list of steps
 */
export function lineFields(schema: TSchema): LineFields | undefined {
  const fields: LineField[] = []
  const parts: string[] = []
  const walk = (at: Plain, path: string, required: boolean): boolean => {
    // What a device writes is typed by nobody.
    if (at['readOnly'] === true) return !required
    const name = spoken(path.split('.').at(-1) ?? '')
    const field = (kind: LineField['kind'], words: readonly string[] = []) => {
      const reading = typeof at['title'] === 'string' ? { reading: at['title'] } : {}
      fields.push({ path, kind, words, name, required, ...reading })
      return true
    }
    if (Array.isArray(at['enum']))
      return field(
        typeof (at['enum'] as unknown[])[0] === 'number' ? 'number' : 'word',
        (at['enum'] as unknown[]).map(String),
      )
    switch (at['type']) {
      case 'object': {
        if (path && required) parts.push(path)
        const needed = (at['required'] ?? []) as readonly string[]
        return Object.entries((at['properties'] ?? {}) as Record<string, Plain>).every(([key, child]) =>
          walk(child, path ? `${path}.${key}` : key, needed.includes(key)),
        )
      }
      case 'number':
      case 'integer':
        return field('number')
      case 'boolean':
        return field('yes')
      case 'array': {
        const words = (at['items'] as Plain | undefined)?.['enum'] as unknown[] | undefined
        if (!words) return !required
        fields.push({ path, kind: 'word', words: words.map(String), name, required, many: true })
        return true
      }
      case 'string':
        if (at['format'] === 'uuid') return !required
        return field(at['format'] === 'date-time' ? 'day' : 'text')
      default:
        return !required
    }
  }
  return walk(schema as unknown as Plain, '', true) ? { fields, parts } : undefined
}
