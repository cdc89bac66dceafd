'use client'

import { named } from '@/core/units/words'
import { useState } from 'react'
import type { Kit } from '@/core/kit/request'
import { KitCompare } from '@/ui/parts/kit-compare'
import { needleWords, threadWords } from '@/ui/words'

/** The ways to do it, best first, to choose from and to compare; nothing where there is one. */
export function KitWays({
  kits,
  chosen,
  choose,
}: {
  kits: readonly Kit[]
  chosen: Kit
  choose: (index: number) => void
}) {
  const [comparing, setComparing] = useState(false)
  if (kits.length < 2) return null
  return (
    <>
      <div className="flex flex-wrap items-stretch gap-2">
        <div role="radiogroup" aria-label="Ways to do it, best first" className="flex flex-wrap gap-2">
          {kits.map((each, index) => (
            <button
              key={`${each.needle.point}-${each.needle.sizeNm}-${each.topThread.tex}`}
              type="button"
              role="radio"
              aria-checked={each === chosen}
              className={`btn h-auto py-2 ${each === chosen ? 'btn-neutral' : 'btn-outline'}`}
              onClick={() => choose(index)}
            >
              <span className="text-left">
                {needleWords(each.needle)}
                <span className="block text-sm font-normal">
                  {each.inStock === false ? 'not in stock' : named(each.verdict)}, {threadWords(each.topThread)}
                </span>
              </span>
            </button>
          ))}
        </div>
        <button
          type="button"
          className="btn btn-ghost h-auto"
          aria-expanded={comparing}
          onClick={() => setComparing(!comparing)}
        >
          {comparing ? 'Close the comparison' : 'Compare two'}
        </button>
      </div>
      {comparing && <KitCompare kits={kits} take={choose} />}
    </>
  )
}
