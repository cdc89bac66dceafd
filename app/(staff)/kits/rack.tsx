'use client'

import { Link } from '@/ui/parts/link'
import { useRef, useState } from 'react'
import type { BagState, Unsound } from '@/core/kit/for-room'
import { POINTS, type Point } from '@/core/knowledge/needle/needle'
import { BAG_WORDS, BagMark } from '@/ui/drawings/bag-mark'
import { NeedleTag } from '@/ui/drawings/tag'
import { needleWords } from '@/ui/words'
import { UNSOUND_WORDS } from '@/core/machine/standing'
import { nameKey } from '@/core/people/same-name'

export interface RackBag {
  readonly projectId: string
  readonly learner: string
  readonly name: string
  readonly fabric: string
  readonly operation: string
  readonly state: BagState
  /** a kit was given, so the learner has a seat */
  readonly seated: boolean
  /** machines of the room that can do it */
  readonly able: number
  readonly machine?: string
  /** what is the matter with that machine */
  readonly unsound?: Unsound | undefined
  readonly needle?: { readonly point: Point; readonly sizeNm: number; readonly gapMm?: number }
  readonly because?: string
}

const STATES = Object.keys(BAG_WORDS) as BagState[]

/** The class's projects as bags on a rail: filter by words or by state; the arrow keys walk along it. */
export function Rack({ bags, machines }: { bags: readonly RackBag[]; machines: number }) {
  const [words, setWords] = useState('')
  const [states, setStates] = useState<readonly BagState[]>([])
  const rail = useRef<HTMLUListElement>(null)
  const sought = nameKey(words).split(' ').filter(Boolean)
  const shown = bags.filter((bag) => {
    const text = nameKey(
      [bag.learner, bag.name, bag.fabric, bag.operation, bag.machine, bag.needle && needleWords(bag.needle)].join(' '),
    )
    return (states.length === 0 || states.includes(bag.state)) && sought.every((word) => text.includes(word))
  })

  const walk = (event: React.KeyboardEvent) => {
    const step = { ArrowRight: 1, ArrowLeft: -1, ArrowDown: 'row', ArrowUp: '-row' }[event.key]
    const links = [...(rail.current?.querySelectorAll<HTMLAnchorElement>('a') ?? [])]
    const at = links.indexOf(document.activeElement as HTMLAnchorElement)
    if (step === undefined || at < 0) return
    event.preventDefault()
    const top = links[0]!.getBoundingClientRect().top
    const perRow = Math.max(1, links.filter((link) => link.getBoundingClientRect().top === top).length)
    const by = step === 'row' ? perRow : step === '-row' ? -perRow : (step as number)
    links[Math.min(Math.max(at + by, 0), links.length - 1)]?.focus()
  }

  return (
    <>
      <div className="mb-3 flex flex-wrap items-center gap-x-4 gap-y-2">
        <label className="flex items-center gap-2">
          <span className="font-bold">Find</span>
          <input
            className="input w-56"
            type="search"
            value={words}
            onChange={({ target }) => setWords(target.value)}
            placeholder="a name, a cloth, a needle"
          />
        </label>
        <fieldset className="flex flex-wrap gap-2">
          <legend className="sr-only">Only bags that are</legend>
          {STATES.filter((state) => bags.some((bag) => bag.state === state)).map((state) => {
            const on = states.includes(state)
            return (
              <label key={state} className={`btn min-h-11 ${on ? 'btn-active' : 'btn-ghost'}`}>
                <input
                  type="checkbox"
                  className="sr-only"
                  checked={on}
                  onChange={() => setStates(on ? states.filter((each) => each !== state) : [...states, state])}
                />
                <BagMark state={state} /> {bags.filter((bag) => bag.state === state).length}
              </label>
            )
          })}
        </fieldset>
        <p className="sr-only" role="status">
          {shown.length} of {bags.length} bags
        </p>
      </div>
      {shown.length === 0 && <p className="py-6 text-lg">No bag is like that. Clear the words or the marks above.</p>}
      <ul
        ref={rail}
        onKeyDown={walk}
        aria-label="Rack of bags"
        className="grid gap-5 pt-4 sm:grid-cols-2 lg:grid-cols-3 xl:grid-cols-4"
      >
        {shown.map((bag) => (
          <li key={bag.projectId}>
            <Link href={`/kits/${bag.projectId}`} className="bag block h-full px-4 pb-4 pt-5">
              <span className="flex items-start justify-between gap-2">
                <bdi className="min-w-0 text-xl font-bold">{bag.learner}</bdi>
                <BagMark state={bag.state} className="text-sm" />
              </span>
              <bdi className="block">{bag.name}</bdi>
              <span className="mt-1 block text-sm opacity-80">
                {bag.fabric} · {bag.operation}
              </span>
              <span className="mt-3 block border-t border-dashed border-current pt-2">
                {bag.needle ? (
                  <>
                    <NeedleTag point={bag.needle.point} sizeNm={bag.needle.sizeNm} />
                    <span className="block text-sm">
                      {POINTS[bag.needle.point].words}
                      {bag.needle.gapMm && `, ${bag.needle.gapMm} mm apart`}
                      {bag.seated ? ` · sits at ${bag.machine}` : ` · no seat yet, best on ${bag.machine}`}
                      {bag.unsound && UNSOUND_WORDS[bag.unsound]}
                    </span>
                    {!bag.seated && (
                      <span className="block text-sm opacity-80">
                        {bag.able} of {machines} machines can do it
                      </span>
                    )}
                  </>
                ) : (
                  <span className="block text-sm">{bag.because ?? 'No machine of the room can be asked yet.'}</span>
                )}
              </span>
            </Link>
          </li>
        ))}
      </ul>
    </>
  )
}
