'use client'

import { useState } from 'react'
import type { StockItem } from '@/core/stock/item'
import { Count } from '@/ui/fields/number'
import { Text } from '@/ui/fields/text'
import { FaultNote } from '@/ui/parts/fault-note'
import { useWrite } from '@/ui/parts/use-write'

export interface ShelfShown {
  readonly key: string
  /** as it stands on the shelf's label */
  readonly code: string
  readonly item: StockItem
  readonly words: string
  readonly count: number
  readonly beyond: number
  readonly counted?: string
  /** what planned sessions take: used up, or in hand at once */
  readonly promised?: { readonly count: number; readonly usedUp: boolean }
  readonly partUsed?: number
  /** bought again below this */
  readonly point?: number
}

type Doing = 'receive-stock' | 'count-stock' | 'take-stock' | 'adjust-stock'

const WORDS: Readonly<Record<Doing, { readonly button: string; readonly label: string; readonly start: number }>> = {
  'receive-stock': { button: 'Came in …', label: 'How many came in', start: 5 },
  'count-stock': { button: 'Count …', label: 'How many lie there', start: 0 },
  'take-stock': { button: 'Take …', label: 'How many you take', start: 1 },
  'adjust-stock': { button: 'Put right …', label: 'How many more (−fewer)', start: -1 },
}

/** One shelf: what lies there, and the four things that can be done with it. */
export function Shelf({
  shelf: { code, item, words, count, beyond, counted, promised, partUsed, point },
  found,
  mayCount,
  mayTake,
}: {
  shelf: ShelfShown
  /** whether its label was just read */
  found: boolean
  mayCount: boolean
  mayTake: boolean
}) {
  const [doing, setDoing] = useState<Doing>()
  const [number, setNumber] = useState(0)
  const [because, setBecause] = useState('')
  const { busy, fault, write } = useWrite()
  // A needle goes out by being put into a machine, so nobody takes one here.
  const allowed = (Object.keys(WORDS) as Doing[]).filter((each) =>
    each === 'take-stock' ? mayTake && item.kind !== 'needle' : mayCount,
  )
  const putAway = () =>
    void write(
      'put-shelf-away',
      { item },
      {
        done: `The shelf of ${words} is put away`,
        undo: () => void write('count-stock', { item, count: 0 }, { done: `The shelf of ${words} is out again` }),
      },
    )
  const begin = (next: Doing) => {
    setDoing(next)
    setNumber(next === 'count-stock' ? count : WORDS[next].start)
    setBecause('')
  }
  const land = async () => {
    if (!doing) return
    const body =
      doing === 'adjust-stock'
        ? { item, change: number, because: because.trim() }
        : { item, count: number, ...(doing === 'take-stock' && because.trim() && { because: because.trim() }) }
    if (await write(doing, body, { done: `${words}: written down` })) setDoing(undefined)
  }
  return (
    <li id={code} className={`seam scroll-mt-24 py-2 ${found ? 'border-l-8 border-l-primary pl-3' : ''}`}>
      <div className="flex flex-wrap items-center gap-x-3 gap-y-1">
        <span className="numeral w-10 text-right text-3xl">{count}</span>
        <span className="min-w-0 flex-1 basis-52">
          <span className="text-lg font-semibold first-letter:uppercase">{words}</span>
          <span className="block text-sm">
            {beyond > 0 ? (
              <strong className="text-warning">{beyond} more were fitted than lay there: count it. </strong>
            ) : null}
            {[
              code,
              counted ? `counted ${counted}` : 'never counted',
              ...(promised ? [`${promised.count} ${promised.usedUp ? 'promised' : 'wanted at once'}`] : []),
              ...(partUsed ? [`${partUsed} part-used besides`] : []),
              ...(point ? [`bought again below ${point}`] : []),
            ].join(' · ')}
          </span>
        </span>
        <span className="flex flex-wrap">
          {allowed.map((each) => (
            <button
              key={each}
              type="button"
              className={`btn px-2 ${doing === each ? 'btn-neutral' : 'btn-ghost'}`}
              aria-label={`${WORDS[each].button.replace(' …', '')}: ${words}`}
              onClick={() => (doing === each ? setDoing(undefined) : begin(each))}
            >
              {WORDS[each].button}
            </button>
          ))}
          {mayCount && count === 0 && (
            <button
              type="button"
              className="btn btn-ghost px-2"
              aria-label={`Put away: ${words}`}
              disabled={busy}
              onClick={putAway}
            >
              Put away
            </button>
          )}
        </span>
      </div>
      {!doing && <FaultNote fault={fault} />}
      {doing && (
        <form
          className="mt-2 flex flex-wrap items-end gap-3 border-l-4 border-base-300 pl-4"
          onSubmit={(submitted) => {
            submitted.preventDefault()
            void land()
          }}
        >
          <Count label={WORDS[doing].label} look="small" value={number} set={setNumber} />
          {(doing === 'adjust-stock' || doing === 'take-stock') && (
            <Text
              label={doing === 'take-stock' ? 'What for (if you like)' : 'Why'}
              look="small"
              optional={doing === 'take-stock'}
              most={300}
              value={because}
              set={setBecause}
            />
          )}
          <button type="submit" className="btn btn-primary" disabled={busy}>
            Write it down
          </button>
          <FaultNote fault={fault} />
        </form>
      )}
    </li>
  )
}
