import type { Metadata } from 'next'
import Link from 'next/link'
import { may } from '@/core/wire/permission'
import { SOURCE_WORDS } from '@/core/machine/trait-source'
import type { TraitName } from '@/core/knowledge/machine/trait'
import { traitWords } from '@/core/machine/trait-words'
import { mustSee } from '../../../../_server/actor'
import { machinePage } from '../../../../_server/machine'
import { traitQuestions } from '../../../../_server/trait-fields'
import { AnswerTrait } from './answer-trait'
import { ConfirmAll } from './confirm-all'

export const metadata: Metadata = { title: 'Traits' }

export default async function TraitsPage({ params }: { params: Promise<{ machine: string }> }) {
  const actor = await mustSee('see-book')
  const { machine } = await machinePage(actor.siteId, (await params).machine)
  const open = (trait: TraitName) =>
    machine.traits[trait] === undefined ? 1 : machine.proofs[trait]?.source === 'template' ? 0 : 2
  const questions = traitQuestions().sort((a, b) => open(a.trait) - open(b.trait))
  const unchecked = questions.filter(({ trait }) => open(trait) === 0).length
  return (
    <div className="mx-auto max-w-3xl">
      <p>
        <Link className="link" href={`/machines/${machine.machineId}`}>
          {machine.name}
        </Link>
      </p>
      <h1 className="mb-4 text-3xl font-bold">What is known of {machine.name}</h1>
      {unchecked > 0 && (
        <p className="mb-3 text-lg">
          <span className="numeral text-2xl">{unchecked}</span> answers come from a template. Look at the machine, and
          say yes or better.
        </p>
      )}
      {unchecked > 0 && may(actor.role, 'confirm-traits') && (
        <ConfirmAll
          machineId={machine.machineId}
          traits={questions.filter(({ trait }) => open(trait) === 0).map(({ trait }) => trait)}
        />
      )}
      <ul>
        {questions.map((asked) => {
          const value = machine.traits[asked.trait]
          const source = machine.proofs[asked.trait]?.source
          return (
            <li key={asked.trait} className="seam py-3">
              <AnswerTrait
                machineId={machine.machineId}
                mayAnswer={may(actor.role, 'set-trait')}
                {...asked}
                {...(value !== undefined && {
                  value,
                  words: `${traitWords(value)} (${source ? SOURCE_WORDS[source] : 'not said'})`,
                  unchecked: source === 'template',
                })}
              />
            </li>
          )
        })}
      </ul>
    </div>
  )
}
