import { fullFormats } from 'ajv-formats/dist/formats.js'

/** Nothing that is written here happened before there were sewing machines. */
const FIRST_MOMENT = Date.UTC(1800, 0, 1)
/** A moment that a clock can show: a leap second fits the standard's grammar, but no calendar of ours holds it. */
const momentAsWritten = fullFormats['date-time'] as { readonly validate: (text: string) => boolean }

/** Kinds of text that a schema may ask for; the same in the server's checks and in those that forms make. */
export const FORMATS = {
  'date-time': (text: string) => momentAsWritten.validate(text) && new Date(text).getTime() >= FIRST_MOMENT,
  date: fullFormats['date'],
  email: fullFormats['email'],
  uuid: fullFormats['uuid'],
}
