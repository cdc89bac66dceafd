/**
 * Short codes for labels, typed or scanned: a letter for the kind of thing, then six signs made from its id. No table keeps
 * them: whoever knows a venue's ids can find the thing again. I, L, O and U are left out, as they are misread by hand.
 */
const SIGNS = '0123456789ABCDEFGHJKMNPQRSTVWXYZ'
const LENGTH = 6

export const CODE_KINDS = { project: 'B', machine: 'M', shelf: 'S' } as const
export type CodeKind = keyof typeof CODE_KINDS

/** FNV-1a, 32 bit, mixed once more so that ids which differ in one sign get unlike codes. */
function hash(text: string): number {
  let value = 0x811c9dc5
  for (let i = 0; i < text.length; i += 1) value = Math.imul(value ^ text.charCodeAt(i), 0x01000193)
  value = Math.imul(value ^ (value >>> 16), 0x85ebca6b)
  value = Math.imul(value ^ (value >>> 13), 0xc2b2ae35)
  return (value ^ (value >>> 16)) >>> 0
}

/** The code of a thing, such as B7K2QD. The same id always has the same code. */
export function codeOf(kind: CodeKind, id: string): string {
  let rest = hash(id.toLowerCase())
  let signs = ''
  for (let i = 0; i < LENGTH; i += 1) {
    signs = SIGNS[rest % 32]! + signs
    rest = Math.floor(rest / 32)
  }
  return CODE_KINDS[kind] + signs
}

/** What somebody typed or scanned as a code: any case, spaces and dashes, O for 0 and I or L for 1. Undefined: no code. */
export function readCode(text: string): { readonly kind: CodeKind; readonly code: string } | undefined {
  const last = text.trim().split('/').at(-1) ?? ''
  const signs = last.toUpperCase().replace(/[\s-]/g, '')
  const kind = (Object.keys(CODE_KINDS) as CodeKind[]).find((each) => CODE_KINDS[each] === signs[0])
  const rest = signs.slice(1).replace(/O/g, '0').replace(/[IL]/g, '1')
  if (!kind || rest.length !== LENGTH || [...rest].some((sign) => !SIGNS.includes(sign))) return undefined
  return { kind, code: CODE_KINDS[kind] + rest }
}
