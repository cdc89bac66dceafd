import type { Metadata } from 'next'
import { dayIn } from '@/core/units/day'
import { SHORTEST_PASSPHRASE } from '@/store/archive/sealed'
import { readRetention } from '@/store/people/retention'
import { readNightWork } from '@/store/site/night-work'
import { OpenPracticeRoom, ThrowPracticeAway } from '@/ui/parts/practice-room'
import { NightlyCopies, UndoneNights } from '../../_parts/night-work'
import { mustSee } from '../../_server/actor'
import { siteOf } from '../../_server/site'
import { booksOf } from '../../_server/store'
import { TakeCopy } from './take-copy'
import { VenueForm } from './venue-form'

export const metadata: Metadata = { title: 'The venue' }

export default async function VenuePage() {
  const actor = await mustSee('see-people')
  const now = new Date()
  const { name, timeZone, settings, practice } = await siteOf(actor.siteId)
  const books = booksOf(actor.siteId)
  const [learners, nights] = await Promise.all([
    readRetention(books, actor.siteId, timeZone, now),
    readNightWork(books),
  ])
  return (
    <div className="mx-auto max-w-2xl">
      <UndoneNights records={nights} now={now.toISOString()} timeZone={timeZone} />
      <h1 className="text-3xl font-bold">The venue</h1>
      <p className="mt-1">Its name stands on every page and print; every time of day is told by its clock.</p>
      <VenueForm
        name={name}
        timeZone={timeZone}
        settings={settings}
        zones={['UTC', ...Intl.supportedValuesOf('timeZone')]}
        learners={learners}
        today={dayIn(now, timeZone)}
      />
      {practice ? <ThrowPracticeAway /> : <OpenPracticeRoom />}
      <NightlyCopies records={nights} timeZone={timeZone} />
      <TakeCopy shortest={SHORTEST_PASSPHRASE} />
    </div>
  )
}
