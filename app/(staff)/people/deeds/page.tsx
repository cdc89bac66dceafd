import type { Metadata } from 'next'
import { Link } from '@/ui/parts/link'
import { readDeeds } from '@/store/people/deeds'
import { formatInTimeZone } from '@/ui/time'
import { mustSee } from '../../../_server/actor'
import { isId } from '../../../_server/answer'
import { siteOf } from '../../../_server/site'
import { booksOf } from '../../../_server/store'

export const metadata: Metadata = { title: 'Who did what' }

const A_PAGE = 100

type Props = { searchParams: Promise<{ person?: string; before?: string }> }

/** Everything that was written in this venue, by whom and when. */
export default async function DeedsPage({ searchParams }: Props) {
  const actor = await mustSee('see-people')
  const { person, before } = await searchParams
  const personId = person && isId(person) ? person : undefined
  const moment = before ? new Date(before) : undefined
  const [deeds, site] = await Promise.all([
    readDeeds(booksOf(actor.siteId), actor.siteId, {
      limit: A_PAGE,
      ...(personId && { personId }),
      ...(moment && !Number.isNaN(moment.getTime()) && { before: moment }),
    }),
    siteOf(actor.siteId),
  ])
  const last = deeds.at(-1)
  const query = (parts: Readonly<Record<string, string | undefined>>) =>
    `/people/deeds?${new URLSearchParams(Object.entries(parts).filter((part): part is [string, string] => part[1] !== undefined)).toString()}`
  return (
    <div className="mx-auto max-w-4xl">
      <h1 className="text-3xl font-bold">Who did what</h1>
      <p className="mt-1">
        Every write, the newest first. Tap a name to see that person’s alone.{' '}
        {personId && (
          <Link className="link" href="/people/deeds">
            Everybody’s
          </Link>
        )}
      </p>
      {deeds.length === 0 && <p className="sheet mt-4 p-6 text-lg">Nothing has been written yet.</p>}
      <ol className="mt-4" aria-label="What was done, newest first">
        {deeds.map(({ commandId, at, who, words, about, personId: by }) => (
          <li key={commandId} className="seam grid gap-x-4 py-2 sm:grid-cols-[10rem_9rem_1fr]">
            <span className="text-sm">{formatInTimeZone(at, site.timeZone)}</span>
            <Link className="truncate underline-offset-2 hover:underline" href={query({ person: by })}>
              <bdi>{who}</bdi>
            </Link>
            <span>
              {words}
              {about && ': '}
              {about &&
                (about.href ? (
                  <Link className="link" href={about.href}>
                    <bdi>{about.name}</bdi>
                  </Link>
                ) : (
                  <bdi>{about.name}</bdi>
                ))}
            </span>
          </li>
        ))}
      </ol>
      {last && deeds.length === A_PAGE && (
        <Link className="btn btn-outline mt-3" href={query({ person: personId, before: last.at.toISOString() })}>
          Earlier
        </Link>
      )}
    </div>
  )
}
