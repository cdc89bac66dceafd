// Letters of the Latin script that do not come apart into a letter and an accent.
const WHOLE: Readonly<Record<string, string>> = { ß: 'ss', ø: 'o', ł: 'l', đ: 'd', æ: 'ae', œ: 'oe', ı: 'i', þ: 'th' }

/**
 * A name as somebody in a hurry types it: without case, accents, emoji and doubled spaces. A name of nothing but such signs
 * stays as it is.
 */
export function nameKey(name: string): string {
  const bare = name
    .normalize('NFKD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .replace(/[ßøłđæœıþ]/g, (letter) => WHOLE[letter]!)
    .replace(/[^\p{L}\p{N}\s'’-]/gu, '')
    .replace(/\s+/g, ' ')
    .trim()
  return /[\p{L}\p{N}]/u.test(bare) ? bare : name.normalize('NFC').trim().toLowerCase()
}

/**
 * Those of that name: spelled just so if any is, else those that sound alike without accents and emoji. More than one is for
 * the caller to ask about.
 */
export function sameName<Named extends { readonly name: string }>(name: string, all: readonly Named[]): Named[] {
  const exactly = (text: string) => text.normalize('NFC').trim().toLowerCase()
  const spelled = all.filter((each) => exactly(each.name) === exactly(name))
  return spelled.length > 0 ? spelled : all.filter((each) => nameKey(each.name) === nameKey(name))
}
