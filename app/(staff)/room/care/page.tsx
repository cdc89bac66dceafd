import { named } from '@/core/units/words'
import type { Metadata } from 'next'
import { Link } from '@/ui/parts/link'
import type { CareEntry } from '@/core/care/calendar'
import { may } from '@/core/wire/permission'
import { PrintButton } from '@/ui/parts/print-button'
import { VenueMark } from '@/ui/parts/venue-mark'
import { dayWords } from '@/ui/time'
import { mustSee } from '../../../_server/actor'
import { CARE_DAYS, careOfRoom } from '../../../_server/care'
import { printedVenue, siteOf } from '../../../_server/site'

export const metadata: Metadata = { title: 'Care' }

const STATUS = { well: '', soon: '', due: 'text-warning', late: 'text-error' } as const

export default async function CarePage() {
  const actor = await mustSee('see-room')
  const [{ calendar }, venue] = await Promise.all([
    careOfRoom(actor.siteId, new Date()),
    siteOf(actor.siteId).then(printedVenue),
  ])
  const byJob = new Map<string, CareEntry[]>()
  for (const entry of calendar.now) byJob.set(entry.due.job, [...(byJob.get(entry.due.job) ?? []), entry])
  const byDay = new Map<string, CareEntry[]>()
  for (const entry of calendar.coming) byDay.set(entry.on, [...(byDay.get(entry.on) ?? []), entry])
  return (
    <div className="mx-auto max-w-5xl">
      <div className="mb-4 flex flex-wrap items-end gap-4">
        <h1 className="text-3xl font-bold">Care</h1>
        <p className="grow">The machine’s manual wins over every count here.</p>
        <PrintButton words="Print it" />
        <VenueMark {...venue} className="hidden print:flex" />
      </div>
      <div className="grid grid-cols-1 gap-8 lg:grid-cols-2 print:block">
        <section aria-labelledby="now">
          <h2 id="now" className="text-xl font-bold">
            Now
          </h2>
          {calendar.now.length === 0 && <p className="mt-2">Nothing is due. Well kept.</p>}
          {[...byJob.values()].map(([first, ...others]) => (
            <article key={first!.due.job} className="seam py-3 break-inside-avoid">
              <h3 className="text-lg font-bold">{first!.due.title}</h3>
              <ul className="my-1 flex flex-wrap gap-x-6 gap-y-1">
                {[first!, ...others].map((entry) => (
                  <Entry key={entry.machineId} entry={entry} short />
                ))}
              </ul>
              <p>{first!.due.how}</p>
              <p className="font-semibold text-secondary">{first!.due.caution}</p>
            </article>
          ))}
        </section>
        <section aria-labelledby="coming">
          <h2 id="coming" className="text-xl font-bold print:mt-6">
            Coming
          </h2>
          {byDay.size === 0 && <p className="mt-2">No day is set for anything in the next {CARE_DAYS} days.</p>}
          {[...byDay].map(([day, entries]) => (
            <div key={day} className="seam grid grid-cols-[8rem_1fr] gap-3 py-2">
              <h3 className="font-bold">{dayWords(day)}</h3>
              <ul>
                {entries.map((entry) => (
                  <Entry key={`${entry.machineId}-${entry.due.job}`} entry={entry} />
                ))}
              </ul>
            </div>
          ))}
          {calendar.soon.length > 0 && (
            <>
              <h3 className="mt-6 font-bold">Soon, as the machines are used</h3>
              <ul className="mt-1">
                {calendar.soon.map((entry) => (
                  <Entry key={`${entry.machineId}-${entry.due.job}`} entry={entry} />
                ))}
              </ul>
            </>
          )}
          <p className="mt-6 text-sm print:hidden">
            {may(actor.role, 'make-key') ? (
              <>
                To see this in your own calendar, make a key for it under{' '}
                <Link href="/people#keys" className="link">
                  People
                </Link>
                .
              </>
            ) : (
              'Your coordinator can make an address for it that any calendar subscribes to.'
            )}
          </p>
        </section>
      </div>
    </div>
  )
}

function Entry({
  entry: { machineId, machine, due },
  short = false,
}: {
  entry: Omit<CareEntry, 'on'>
  short?: boolean
}) {
  return (
    <li className="py-0.5">
      <span
        className="mr-2 hidden size-4 border border-base-content align-middle print:inline-block"
        aria-hidden="true"
      />
      <Link href={`/machines/${machineId}`} className="link font-bold">
        {machine}
      </Link>
      {!short && `: ${due.title}`}{' '}
      {due.status !== 'well' && <span className={`font-bold ${STATUS[due.status]}`}>{named(due.status)}</span>}
      <span className="block text-sm">{due.because}</span>
    </li>
  )
}
