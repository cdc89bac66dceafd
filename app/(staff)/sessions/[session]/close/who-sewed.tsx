import { counted } from '@/core/units/words'
import type { readReport } from '../../../../_server/report'

type Row = Awaited<ReturnType<typeof readReport>>[number]

const wordsOf = ({ came, turn, checked, swatches, balanced, calls, waitedMinutes }: Row): string => {
  if (!came) return 'did not come'
  return [
    turn === 'finished'
      ? 'finished'
      : turn === 'goes on'
        ? 'goes on another time'
        : 'nobody said that the turn is over',
    checked ? 'seat checked' : 'no seat check',
    swatches === 0
      ? 'no swatch read'
      : `${counted(swatches, 'swatch', 'swatches')}, the last ${balanced ? 'in balance' : 'not in balance yet'}`,
    ...(calls > 0 ? [calledWords(calls, waitedMinutes)] : []),
  ].join(', ')
}

const calledWords = (calls: number, waitedMinutes: number): string => {
  const called = calls === 1 ? 'called once' : `called ${calls} times`
  return waitedMinutes === 0
    ? `${called}, somebody came at once`
    : `${called}, waited ${counted(waitedMinutes, 'minute')} at most`
}

/** Who sewed where and how far they came, by the books. */
export function WhoSewed({ rows, download }: { rows: readonly Row[]; download: string }) {
  if (rows.length === 0) return null
  const finished = new Set(rows.flatMap(({ turn, projectId }) => (turn === 'finished' ? [projectId] : [])))
  return (
    <section className="sheet mt-6 p-4" aria-labelledby="who-sewed">
      <div className="flex flex-wrap items-baseline gap-x-6">
        <h2 id="who-sewed" className="grow text-xl font-bold">
          Who sewed, and how far they came
        </h2>
        <a className="link print:hidden" href={download} download>
          Report (CSV)
        </a>
      </div>
      <p className="text-lg">
        {finished.size === 0
          ? 'Nobody has said that a project is finished.'
          : `${counted(finished.size, 'project')} finished.`}
      </p>
      <ul className="mt-1">
        {rows.map((row) => (
          <li key={`${row.block} ${row.machineId}`} className="seam py-1">
            <strong>{row.learner}</strong>, {row.project}, block {row.block} at {row.machine}: {wordsOf(row)}
          </li>
        ))}
      </ul>
    </section>
  )
}
