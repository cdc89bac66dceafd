import { named } from '@/core/units/words'
import { CLAIMS, type ClaimGiven, type ClaimPlace } from '@/core/knowledge/claim'
import { holds } from '@/core/schema/rule'
import type { Facts, Rule } from '@/core/knowledge/fact'

/** One thing people say, what is true of it, and why. */
export function ClaimCard({ claim }: { claim: Rule<ClaimGiven> }) {
  return (
    <div className="border-l-2 border-accent py-1 pl-3 text-sm">
      <p>
        “{claim.give.said}”: <strong>{named(claim.give.verdict)}</strong>.
      </p>
      <p>{claim.because}</p>
    </div>
  )
}

/** The claims that matter beside one part of a kit: those with a condition, where it holds. */
export const claimsBeside = (places: readonly ClaimPlace[], facts: Facts): Rule<ClaimGiven>[] =>
  CLAIMS.filter(
    (claim) => places.includes(claim.give.place) && Object.keys(claim.when).length > 0 && holds(claim.when, facts),
  )
