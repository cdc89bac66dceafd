import type { Metadata } from 'next'
import { Link } from '@/ui/parts/link'
import { may } from '@/core/wire/permission'
import { SOURCE_WORDS } from '@/core/machine/trait-source'
import { traitWords } from '@/core/machine/trait-words'
import { readNames } from '@/store/site/site'
import { mustSee } from '../../../../_server/actor'
import { machinePage } from '../../../../_server/machine'
import { booksOf } from '../../../../_server/store'
import { traitQuestions } from '../../../../_server/trait-fields'
import { AnswerTrait, type TraitAsked } from './answer-trait'
import { OneAtATime } from './one-at-a-time'

export const metadata: Metadata = { title: 'Traits' }

export default async function TraitsPage({ params }: { params: Promise<{ machine: string }> }) {
  const actor = await mustSee('see-book')
  const [{ machine }, names] = await Promise.all([
    machinePage(actor.siteId, (await params).machine),
    readNames(booksOf(actor.siteId), actor.siteId),
  ])
  const asked = traitQuestions().map((question): TraitAsked => {
    const value = machine.traits[question.trait]
    const proof = machine.proofs[question.trait]
    const unchecked = proof?.source === 'template'
    return {
      ...question,
      ...(value !== undefined && {
        value,
        words: `${traitWords(value)} (${proof ? SOURCE_WORDS[proof.source] : 'not said'})`,
        ...(proof && { source: proof.source }),
        ...(proof && !unchecked && { by: names.get(proof.learntBy) ?? 'somebody' }),
        unchecked,
      }),
    }
  })
  const unchecked = asked.filter((each) => each.unchecked)
  const unknown = asked.filter(({ value }) => value === undefined)
  const known = asked.filter(({ value, unchecked: open }) => value !== undefined && !open)
  const mayAnswer = may(actor.role, 'set-trait')
  const open = [...unchecked, ...unknown]
  return (
    <div className="mx-auto max-w-3xl">
      <p>
        <Link className="link" href={`/machines/${machine.machineId}`}>
          {machine.name}
        </Link>
      </p>
      <h1 className="mb-4 text-3xl font-bold">What is known of {machine.name}</h1>
      {unchecked.length > 0 && (
        <p className="mb-3 text-lg">
          <span className="numeral text-2xl">{unchecked.length}</span> answers come from a template. Look at the
          machine, and say yes or better.
        </p>
      )}
      {open.length > 0 && mayAnswer && <OneAtATime machineId={machine.machineId} asked={open} />}
      <h2 className="text-xl font-bold">What is known</h2>
      <ul>
        {[...(mayAnswer ? [] : open), ...known].map((each) => (
          <li key={each.trait} className="seam py-3">
            <AnswerTrait machineId={machine.machineId} mayAnswer={mayAnswer} {...each} />
          </li>
        ))}
      </ul>
    </div>
  )
}
