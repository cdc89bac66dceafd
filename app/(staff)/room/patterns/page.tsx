import { named } from '@/core/units/words'
import type { Metadata } from 'next'
import { Link } from '@/ui/parts/link'
import { faultPatterns } from '@/core/fault/patterns'
import { CHECKS } from '@/core/knowledge/fault/fault-check'
import { readRoom } from '@/store/machine/machines'
import { readFaultRuns } from '@/store/room/fault-runs'
import { formatInTimeZone } from '@/ui/time'
import { SymptomPicture } from '@/ui/picture/symptom-picture'
import { mustSee } from '../../../_server/actor'
import { siteOf } from '../../../_server/site'
import { booksOf } from '../../../_server/store'

export const metadata: Metadata = { title: 'What comes back' }

const SPANS = { month: 31, quarter: 92, year: 366 } as const
type Span = keyof typeof SPANS

export default async function PatternsPage({ searchParams }: { searchParams: Promise<{ span?: string }> }) {
  const actor = await mustSee('see-progress')
  const asked = (await searchParams).span
  const span: Span = asked && asked in SPANS ? (asked as Span) : 'quarter'
  const since = new Date(new Date().getTime() - SPANS[span] * 24 * 3_600_000)
  const [runs, room, site] = await Promise.all([
    readFaultRuns(booksOf(actor.siteId), actor.siteId, since),
    readRoom(booksOf(actor.siteId), actor.siteId),
    siteOf(actor.siteId),
  ])
  const names = new Map(room.map(({ machineId, name }) => [machineId, name]))
  const patterns = faultPatterns(runs)
  return (
    <div className="mx-auto max-w-4xl">
      <div className="mb-4 flex flex-wrap items-end gap-4">
        <h1 className="text-3xl font-bold">What comes back</h1>
        <nav aria-label="How far back" className="flex gap-1">
          {(Object.keys(SPANS) as Span[]).map((each) => (
            <Link
              key={each}
              href={`/room/patterns?span=${each}`}
              aria-current={span === each ? 'true' : undefined}
              className={`btn btn-sm ${span === each ? 'btn-neutral' : 'btn-ghost'}`}
            >
              {named(each)}
            </Link>
          ))}
        </nav>
        <p className="ml-auto">
          <span className="numeral text-2xl">{runs.length}</span> runs of the fault finder
        </p>
      </div>
      {patterns.length === 0 && (
        <p className="sheet p-6 text-lg">
          Nothing has come back in this time. Each run of the fault finder is written in its machine’s book, and what
          returns is told here.
        </p>
      )}
      <ol>
        {patterns.map((pattern) => (
          <li key={`${pattern.machineId}${pattern.symptom}`} className="seam flex gap-5 py-4">
            <SymptomPicture symptom={pattern.symptom} className="w-36 shrink-0" />
            <div>
              <p className="text-xl">
                <Link className="link font-bold" href={`/machines/${pattern.machineId}?about=trouble`}>
                  {names.get(pattern.machineId) ?? 'A machine'}
                </Link>
                : {pattern.sentence}
              </p>
              {pattern.teach && <p className="mt-1 text-lg font-semibold text-secondary">{pattern.teach}</p>}
              <p className="text-sm">
                {pattern.cured.map(({ check, count }) => `${CHECKS[check].title} ${count}×`).join(' · ')}
                {pattern.cloths.length > 0 && ` · on ${pattern.cloths.join(', ')}`} · last{' '}
                {formatInTimeZone(pattern.lastAt, site.timeZone)}
              </p>
            </div>
          </li>
        ))}
      </ol>
    </div>
  )
}
