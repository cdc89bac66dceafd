import type { Metadata } from 'next'
import { TRADE_WORDS } from '@/core/knowledge/trade-word'
import { may } from '@/core/wire/permission'
import { mustSee } from '../../../_server/actor'
import { LabNav } from '../lab-nav'

export const metadata: Metadata = { title: 'Words' }

export default async function WordsPage() {
  const actor = await mustSee('see-lab')
  return (
    <>
      <LabNav here="/lab/words" mayProgress={may(actor.role, 'see-progress')} />
      <h1 className="text-3xl font-bold">Words</h1>
      <p className="mt-2 max-w-prose text-lg">
        The words that checks, kits and swatches use, said plainly. Where a word is dotted, a tap on it tells the same.
      </p>
      <dl className="mt-6 grid gap-x-8 sm:grid-cols-2 lg:grid-cols-3">
        {TRADE_WORDS.map(({ word, means }) => (
          <div key={word} className="seam py-3">
            <dt className="text-lg font-bold first-letter:uppercase">{word}</dt>
            <dd>{means}</dd>
          </div>
        ))}
      </dl>
    </>
  )
}
