import { command } from './command'

/** A needle hung on its own thread at the table: what it did beats the formula from now on. */
export const logDropTest = command(
  'log-drop-test',
  async ({ tx, actor, commandId, now }, { point, sizeNm, thread, result, testedAt }) => {
    await tx
      .insertInto('drop_test')
      .values({
        site_id: actor.siteId,
        drop_test_id: commandId,
        point,
        size_nm: sizeNm,
        thread: JSON.stringify(thread),
        result,
        tested_by: actor.personId,
        tested_at: testedAt ?? now,
      })
      .execute()
  },
)
