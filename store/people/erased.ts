import type { Transaction } from 'kysely'
import { namedIn, withFreeText } from '@/core/people/free-text'
import type { Database } from '../database'

/** What stands in a book where somebody wrote who is erased. */
export const ERASED_WORDS = 'erased'
/** What the bag of somebody who is erased is called. */
export const ERASED_PROJECT = 'a project'

/** What a file from before somebody was erased says of them no more. */
export interface WithoutErased {
  readonly isErased: (personId: string) => boolean
  /** free text without their names; all of it taken out where one of them wrote it */
  readonly text: (text: string, writtenBy?: string) => string
  /** a value with all that is free text in it so changed */
  readonly value: <Value>(value: Value, writtenBy?: string) => Value
}

/** @param people whom the file names, with the names that it has for them */
export async function withoutErased(
  tx: Transaction<Database>,
  siteId: string,
  people: readonly { readonly personId: string; readonly name: string }[],
): Promise<WithoutErased> {
  const rows = await tx
    .selectFrom('person')
    .select('person_id')
    .where('site_id', '=', siteId)
    .where('erased_at', 'is not', null)
    .execute()
  const erased = new Set(rows.map(({ person_id }) => person_id))
  const changes = people.filter(({ personId }) => erased.has(personId)).map(({ name }) => namedIn(name))
  const text: WithoutErased['text'] = (words, writtenBy) =>
    writtenBy !== undefined && erased.has(writtenBy)
      ? ERASED_WORDS
      : changes.reduce((left, change) => change(left), words)
  return {
    isErased: (personId) => erased.has(personId),
    text,
    value: <Value>(value: Value, writtenBy?: string) => withFreeText(value, (words) => text(words, writtenBy)) as Value,
  }
}
