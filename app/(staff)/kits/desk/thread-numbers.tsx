'use client'

import { plain } from '@/core/units/words'
import { BONDED_TEX, threadDiameterMm, type Thread } from '@/core/units/thread'

export function Numbers({ thread }: { thread: Thread }) {
  const { tex } = thread
  const bonded = Object.entries(BONDED_TEX).sort((a, b) => Math.abs(a[1] - tex) - Math.abs(b[1] - tex))[0]!
  const diameter = threadDiameterMm(thread)
  const rows: [string, string][] = [
    ['tex', plain(tex)],
    ['dtex', plain(tex * 10)],
    ['denier', plain(tex * 9)],
    ['weight (wt)', plain(1000 / tex)],
    ['metric ticket (tkt)', plain(3000 / tex)],
    ['Ne, two plies', `${plain((590.5 * 2) / tex)}/2`],
    ['Nm, two plies', `${plain(2000 / tex)}/2`],
    ['nearest bonded size', `V${bonded[0]} (${bonded[1]} tex)`],
  ]
  return (
    <>
      <dl className="mt-4 grid grid-cols-2 gap-x-6 gap-y-1 sm:grid-cols-4">
        {rows.map(([name, value]) => (
          <div key={name}>
            <dt className="text-sm opacity-80">{name}</dt>
            <dd className="text-lg font-semibold">{value}</dd>
          </div>
        ))}
      </dl>
      <div className="mt-3 flex items-center gap-4">
        <svg
          viewBox="0 0 120 24"
          className="w-48"
          role="img"
          aria-label={`A thread ${diameter.toFixed(2)} mm thick, drawn forty times as thick as it is`}
        >
          <path
            d="M2 12 C30 4 60 20 118 10"
            fill="none"
            stroke="currentColor"
            className="text-secondary"
            strokeWidth={Math.min(diameter * 20, 20)}
            strokeLinecap="round"
          />
        </svg>
        <p>
          <strong className="text-xl">{diameter.toFixed(3)} mm</strong> thick. All of these are nominal: makers vary.
        </p>
      </div>
      <p className="mt-2 text-sm">
        A higher weight or ticket is a <strong>finer</strong> thread. A higher needle number is a{' '}
        <strong>thicker</strong> needle. Only tex grows with the thread.
      </p>
    </>
  )
}
