import { notFound, redirect } from 'next/navigation'
import { codeOf, readCode, type CodeKind } from '@/core/code/code'
import { may } from '@/core/wire/permission'
import { readIds } from '@/store/site/ids'
import { currentActor, homeOf } from '../../_server/actor'
import { booksOf } from '../../_server/store'

const PATH: Readonly<Record<CodeKind, (id: string, code: string) => string>> = {
  project: (id) => `/kits/${id}`,
  machine: (id) => `/machines/${id}`,
  shelf: (_, code) => `/stores?shelf=${code}#${code}`,
}

/** Where a label's code leads: staff to the thing it stands on, a learner to their own seat. */
export default async function OpenPage({ params }: { params: Promise<{ code: string }> }) {
  const read = readCode((await params).code)
  const actor = await currentActor()
  if (!actor) redirect('/sign-in')
  if (!may(actor.role, 'see-room')) redirect(homeOf(actor.role))
  if (!read) notFound()
  const ids = await readIds(booksOf(actor.siteId), actor.siteId, read.kind)
  const id = ids.find((each) => codeOf(read.kind, each) === read.code)
  if (!id) notFound()
  redirect(PATH[read.kind](id, read.code))
}
