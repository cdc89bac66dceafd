import { plain } from '../knowledge/rule'

/** A number with its word, one or many: "1 minute", "2.5 minutes", "0 needles". */
export const counted = (count: number, one: string, many = `${one}s`): string => {
  const number = plain(count)
  return `${number} ${number === '1' ? one : many}`
}
