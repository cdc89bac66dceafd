import type { Metadata } from 'next'
import { Link } from '@/ui/parts/link'
import { may } from '@/core/wire/permission'
import { readPairs } from '@/store/session/sessions'
import { dayIn } from '@/core/units/day'
import { timeIn } from '@/ui/time'
import { mustSee } from '../../../../_server/actor'
import { readSessionFacts, sessionPage } from '../../../../_server/session-facts'
import { siteOf } from '../../../../_server/site'
import { booksOf } from '../../../../_server/store'
import { SessionNav } from '../session-nav'
import { SessionFacts } from './session-facts'
import { Pairs } from './pairs'
import { Roster } from './roster'

export const metadata: Metadata = { title: 'Who comes' }

export default async function PeoplePage({ params }: { params: Promise<{ session: string }> }) {
  const actor = await mustSee('see-sessions')
  const session = await sessionPage(actor.siteId, (await params).session)
  const [known, site, pairs] = await Promise.all([
    readSessionFacts(actor.siteId, session),
    siteOf(actor.siteId),
    readPairs(booksOf(actor.siteId), actor.siteId),
  ])
  const enrolled = new Set(known.roster.map(({ personId }) => personId))
  return (
    <>
      <SessionNav session={session} site={site} here="/people" />
      {known.roster.length === 0 ? (
        <p className="sheet p-6 text-lg">
          Nobody is on the roster.{' '}
          <Link className="link" href="/kits/sheet">
            Bring the class in from a sheet
          </Link>{' '}
          or hang up the first project, under Kits.
        </p>
      ) : (
        <div className="grid grid-cols-1 gap-8 lg:grid-cols-[3fr_2fr]">
          <Roster
            sessionId={session.sessionId}
            blocks={session.blocks}
            roster={known.roster}
            mayNeeds={may(actor.role, 'set-needs')}
          />
          <Pairs
            people={known.roster.map(({ personId, name }) => ({ personId, name }))}
            pairs={pairs.filter(({ people }) => people.every((each) => enrolled.has(each)))}
            mayPair={may(actor.role, 'pair-people')}
          />
        </div>
      )}
      <p className="mt-6">
        More people come in by hand, by pasting or from a file:{' '}
        <Link className="link" href="/kits/sheet">
          bring in a sheet
        </Link>
        .
      </p>
      {may(actor.role, 'change-session') && (
        <SessionFacts
          sessionId={session.sessionId}
          timeZone={site.timeZone}
          facts={{
            day: dayIn(session.startsAt, site.timeZone),
            from: timeIn(session.startsAt, site.timeZone),
            to: timeIn(session.endsAt, site.timeZone),
            blocks: session.blocks,
            calledOff: session.calledOff ?? '',
          }}
        />
      )}
    </>
  )
}
