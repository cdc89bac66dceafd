'use client'

import type { Kit } from '@/core/kit/request'
import { needleWords } from '@/ui/words'

export interface BagGiven {
  readonly machineId: string
  readonly machine: string
  readonly kit: Kit
  /** who gave it and when, in words */
  readonly by: string
}

export function GivenNote({ given, now }: { given: Kit; now: Kit }) {
  const same =
    given.needle.point === now.needle.point &&
    given.needle.sizeNm === now.needle.sizeNm &&
    given.dial.setting === now.dial.setting
  return (
    <p>
      {same
        ? 'This kit was given.'
        : `The kit that was given has ${needleWords(given.needle)}${given.dial.setting === undefined ? '' : ` and starts the dial at ${given.dial.setting}`}.`}
    </p>
  )
}

export function GivenBefore({ given }: { given: readonly BagGiven[] }) {
  return (
    <section aria-label="Given" className="mt-2">
      <h2 className="text-lg font-bold">Given</h2>
      <ol>
        {given.map(({ by, machine, kit }) => (
          <li key={by} className="border-t border-dashed border-base-content/40 py-2">
            <span className="font-semibold">{needleWords(kit.needle)}</span> at {machine} · {by}
            {kit.overrides?.map(({ part, instead, because, breaks }) => (
              <p key={part} className="text-sm">
                {part} chosen by hand in place of {instead}: {because}
                {breaks.length > 0 && ` (${breaks.join(' ')})`}
              </p>
            ))}
          </li>
        ))}
      </ol>
    </section>
  )
}
