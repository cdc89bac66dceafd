import type { Metadata } from 'next'
import Link from 'next/link'
import { notFound } from 'next/navigation'
import { may } from '@/core/people/role'
import { traitWords } from '@/core/machine/trait-words'
import { mustSee } from '../../../../_server/actor'
import { machinePage } from '../../../../_server/machine'
import { traitQuestions } from '../../../../_server/trait-fields'
import { AnswerTrait } from './answer-trait'

export const metadata: Metadata = { title: 'Traits' }

export default async function TraitsPage({ params }: { params: Promise<{ machine: string }> }) {
  const actor = await mustSee('see-book')
  if (!may(actor.role, 'set-trait')) notFound()
  const { machine } = await machinePage(actor.siteId, (await params).machine)
  return (
    <div className="mx-auto max-w-3xl">
      <p>
        <Link className="link" href={`/machines/${machine.machineId}`}>
          {machine.name}
        </Link>
      </p>
      <h1 className="mb-4 text-3xl font-bold">What is known of {machine.name}</h1>
      <ul>
        {traitQuestions().map((asked) => {
          const value = machine.traits[asked.trait]
          return (
            <li key={asked.trait} className="seam py-3">
              <AnswerTrait
                machineId={machine.machineId}
                {...asked}
                {...(value !== undefined && {
                  value,
                  words: `${traitWords(value)} (${machine.proofs[asked.trait]?.source})`,
                })}
              />
            </li>
          )
        })}
      </ul>
    </div>
  )
}
