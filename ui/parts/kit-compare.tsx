'use client'

import { useState } from 'react'
import { KIT_PARTS, kitDifferences, type KitPart } from '@/core/kit/for-room'
import type { Kit } from '@/core/kit/request'
import { named, plain, spaced } from '@/core/units/words'
import { Select } from '../fields/select'
import { needleWords, stitchWords, threadWords } from '../words'

const NAMES: Readonly<Record<KitPart, string>> = {
  needle: 'Needle',
  thread: 'Thread',
  bobbin: 'Bobbin',
  foot: 'Foot',
  pressure: 'Foot pressure',
  stitch: 'Stitch',
  dial: 'Dial',
  extras: 'Besides',
  cautions: 'Take care',
}

const listed = (words: readonly string[]) => words.map((word) => spaced(word)).join(', ') || 'nothing'

/** One part of a kit in words. */
export const kitPartWords: Readonly<Record<KitPart, (kit: Kit) => string>> = {
  needle: ({ needle }) => needleWords(needle),
  thread: ({ topThread }) => threadWords(topThread),
  bobbin: ({ bobbinThread }) => threadWords(bobbinThread),
  foot: ({ foot }) => named(foot),
  pressure: ({ footPressure }) => named(footPressure),
  stitch: ({ stitch }) => stitchWords(stitch),
  dial: ({ dial }) => (dial.setting === undefined ? `${plain(dial.offset)} from normal` : plain(dial.setting)),
  extras: ({ extras }) => listed(extras),
  cautions: ({ cautions }) => listed(cautions),
}

/** Two ways side by side; what differs is bold and marked, and why each has its needle. */
export function KitCompare({ kits, take }: { kits: readonly Kit[]; take: (index: number) => void }) {
  const [chosen, setChosen] = useState<readonly [number, number]>([0, 1])
  const pair = chosen.map((index) => kits[Math.min(index, kits.length - 1)]!)
  const different = new Set(kitDifferences(pair[0]!, pair[1]!))
  const because = (kit: Kit) =>
    kit.reasons.filter(({ part }) => part === 'needle-point' || part === 'needle-size').map((each) => each.because)
  return (
    <section className="sheet overflow-x-auto p-4" aria-label="Two ways compared">
      <table className="w-full text-left">
        <thead>
          <tr>
            <td className="w-32" />
            {chosen.map((index, side) => (
              <th key={side} className="p-2 align-bottom">
                <Select
                  look="unseen"
                  label={side === 0 ? 'One way' : 'The other way'}
                  options={kits.map((kit, each) => [
                    `${each}`,
                    `${needleWords(kit.needle)}, ${plain(kit.topThread.tex)} tex`,
                  ])}
                  value={`${index}`}
                  set={(next) => setChosen(side === 0 ? [Number(next), chosen[1]] : [chosen[0], Number(next)])}
                />
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          <tr className="border-t border-dashed border-base-content/40">
            <th className="p-2 font-normal">Verdict</th>
            {pair.map((kit, side) => (
              <td key={side} className="p-2">
                {kit.inStock === false ? `${named(kit.verdict)}, not in stock` : named(kit.verdict)}
              </td>
            ))}
          </tr>
          {KIT_PARTS.map((part) => (
            <tr key={part} className="border-t border-dashed border-base-content/40">
              <th className="p-2 font-normal">
                {NAMES[part]}
                {different.has(part) && <span className="ml-1 text-secondary">≠</span>}
              </th>
              {pair.map((kit, side) => (
                <td key={side} className={`p-2 ${different.has(part) ? 'font-bold' : ''}`}>
                  {kitPartWords[part](kit)}
                </td>
              ))}
            </tr>
          ))}
          <tr className="border-t border-dashed border-base-content/40 align-top">
            <th className="p-2 font-normal">Because</th>
            {pair.map((kit, side) => (
              <td key={side} className="p-2 text-sm">
                {because(kit).map((each) => (
                  <p key={each}>{each}</p>
                ))}
              </td>
            ))}
          </tr>
          <tr>
            <td />
            {chosen.map((index, side) => (
              <td key={side} className="p-2">
                <button type="button" className="btn btn-outline" onClick={() => take(index)}>
                  Take this one
                </button>
              </td>
            ))}
          </tr>
        </tbody>
      </table>
    </section>
  )
}
