import { TEACHING } from '../../room/role'
import { strict } from '../../schema/shape'
import { Id, kind } from './kind'

/** What somebody wrote in their own words in another line of this book is taken out of it for good; what happened stays. */
export const redacted = kind({
  body: strict({ line: Id }),
  filter: 'notes',
  mayWrite: TEACHING,
  words: () => ({ title: 'Words taken out', detail: 'Of another line of this book; what happened stays' }),
})
