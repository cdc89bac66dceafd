import * as Type from 'typebox'
import { PHOTOGRAPH_MOST_LETTERS } from './photograph'

/** How a machine looks: a whole JPEG as a data address. */
export const PhotographSchema = Type.String({
  maxLength: PHOTOGRAPH_MOST_LETTERS,
  pattern: '^data:image/jpeg;base64,/9j/[A-Za-z0-9+/]+={0,2}$',
  description: 'a small JPEG picture',
})
