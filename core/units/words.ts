/** How words and numbers are written everywhere, on screens, in books and in reasons. */
import { NAMES } from './language'

/** Above it a number has no decimals left to round. */
const MOST_WITH_DECIMALS = 1e13

/** A number as a person writes it: at most two decimals, no trailing noughts. */
export const plain = (value: number): string =>
  String(Math.abs(value) < MOST_WITH_DECIMALS ? Math.round(value * 100) / 100 : value)

/** A number with its word, one or many: "1 minute", "2.5 minutes", "0 needles". */
export const counted = (count: number, one: string, many = `${one}s`): string => {
  const number = plain(count)
  return `${number} ${number === '1' ? one : many}`
}

/** Words as they begin a sentence. */
export const capital = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1)

/** A name of the code's as it is read where it is a word by itself: "felt". */
export const named = (name: string): string => (Object.hasOwn(NAMES, name) ? NAMES[name]! : name)

/** A name of the code's as it is read where it is made of several words: "even-feed" as "even feed". */
export const spaced = (name: string): string => named(name).replaceAll('-', ' ')

/** A name like "lengthMm" as it is read: "length mm". */
export const camelWords = (name: string): string =>
  Object.hasOwn(NAMES, name) ? NAMES[name]! : name.replace(/([a-z])([A-Z])/g, '$1 $2').toLowerCase()
