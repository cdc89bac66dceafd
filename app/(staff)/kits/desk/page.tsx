import type { Metadata } from 'next'
import { may } from '@/core/wire/permission'
import { readDropTests } from '@/store/room/drop-tests'
import { readNames } from '@/store/site/site'
import { formatInTimeZone } from '@/ui/time'
import { mustSee } from '../../../_server/actor'
import { siteOf } from '../../../_server/site'
import { booksOf } from '../../../_server/store'
import { Claims } from './claims'
import { Desk } from './desk'

export const metadata: Metadata = { title: 'Thread and needle desk' }

export default async function DeskPage() {
  const actor = await mustSee('see-kits')
  const store = booksOf(actor.siteId)
  const [tests, names, site] = await Promise.all([
    readDropTests(store, actor.siteId),
    readNames(store, actor.siteId),
    siteOf(actor.siteId),
  ])
  return (
    <>
      <Desk
        mayLog={may(actor.role, 'log-drop-test')}
        tests={tests.map(({ dropTestId, test, testedAt, testedBy }) => ({
          dropTestId,
          test,
          by: `${names.get(testedBy) ?? 'somebody'}, ${formatInTimeZone(testedAt, site.timeZone)}`,
        }))}
      />
      <Claims />
    </>
  )
}
