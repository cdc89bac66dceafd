import type { Kit } from '@/core/kit/request'
import { schoolWords } from '@/core/knowledge/school'
import type { claimsBeside } from './claim-card'
import { ClaimCard } from './claim-card'
import { extraWords } from '../kit-words'
import { EXTRA_CAUTIONS, type CautionSaid, Cautions } from './kit-cautions'
import { Explained } from './explained'

export const SURE_WORDS = { high: 'sure', medium: 'fairly sure', low: 'a guess: measure the cloth' } as const

export function ExtraList({
  title,
  extras,
  because,
}: {
  title: string
  extras: Kit['extras']
  because: (extra: Kit['extras'][number]) => string | undefined
}) {
  if (extras.length === 0) return null
  return (
    <>
      <p className="mt-2 mb-1 text-sm opacity-80">{title}</p>
      <ul className="grid gap-1 sm:grid-cols-2">
        {extras.map((extra) => (
          <li key={extra}>
            <details>
              <summary className="min-h-8 cursor-pointer font-semibold">{extraWords[extra]}</summary>
              <p className="pl-4">{because(extra)}</p>
            </details>
            {EXTRA_CAUTIONS[extra]?.map((said) => (
              <p key={said} className="text-sm text-secondary">
                {said}
              </p>
            ))}
          </li>
        ))}
      </ul>
    </>
  )
}

export function Part({
  name,
  value,
  note,
  large,
  why,
  claims = [],
  cautions = [],
  change,
  chosen,
}: {
  name: string
  value: string
  note?: string
  large?: boolean
  why: readonly (Kit['reasons'][number] | undefined)[]
  claims?: ReturnType<typeof claimsBeside>
  cautions?: readonly CautionSaid[]
  change?: () => void
  chosen?: NonNullable<Kit['overrides']>[number] | undefined
}) {
  const reasons = why.filter((reason) => reason !== undefined)
  return (
    <div>
      <p className="text-sm opacity-80">{name}</p>
      <p className={large ? 'text-2xl font-bold' : 'text-lg font-semibold'}>{value}</p>
      {note && <p className="text-sm">{note}</p>}
      <Cautions cautions={cautions} />
      {chosen && (
        <p className="text-sm text-primary">
          Chosen by hand in place of {chosen.instead}: {chosen.because}
        </p>
      )}
      {chosen?.breaks.map((each) => (
        <p key={each} className="border-l-4 border-warning pl-2 text-sm text-warning">
          {each}
        </p>
      ))}
      <div className="flex flex-wrap items-start gap-x-4">
        <details>
          <summary
            className="inline-flex min-h-8 cursor-pointer items-center text-sm underline"
            aria-label={`Why this ${name.toLowerCase()}`}
          >
            why
          </summary>
          {reasons.map((reason) => (
            <div key={reason.part} data-reason={reason.part} className="max-w-prose pb-1 text-sm">
              <p>
                <Explained text={reason.because} /> {reason.school && <em>{schoolWords(reason.school)}</em>}
              </p>
              {reason.confidence && (
                <p className="opacity-80">
                  {reason.source}, {SURE_WORDS[reason.confidence]} · <span className="font-mono">{reason.rule}</span>
                </p>
              )}
            </div>
          ))}
          {claims.map((claim) => (
            <ClaimCard key={claim.id} claim={claim} />
          ))}
        </details>
        {change && (
          <button
            type="button"
            className="inline-flex min-h-8 cursor-pointer items-center text-sm underline print:hidden"
            aria-label={`Choose another ${name.toLowerCase()}`}
            onClick={change}
          >
            change
          </button>
        )}
      </div>
    </div>
  )
}
