import { capital } from '../units/words'
import { ANSWERS, SEEN_WORDS, type Answer, type Answered } from '../knowledge/tension/answer'

/** One thing that somebody takes for another: so often, of so many times that it was shown of late. */
export interface Confusion extends Answered {
  readonly times: number
  readonly of: number
}

/** Only the latest answers to each thing count: what was mixed up weeks ago and is told apart now is no confusion. */
const LATEST = 6
/** From so many mistakes, and from such a share of the times shown, it is more than a slip. */
const SLIPS = { times: 2, share: 0.34 }

const latestOf = (answers: readonly Answered[], shown: Answer): readonly Answered[] =>
  answers.filter((each) => each.shown === shown).slice(-LATEST)

/** What somebody confuses, the worst first; `answers` in the order in which they were given. */
export function confusionsOf(answers: readonly Answered[]): Confusion[] {
  return ANSWERS.flatMap((shown) => {
    const latest = latestOf(answers, shown)
    return ANSWERS.filter((said) => said !== shown).flatMap((said): Confusion[] => {
      const times = latest.filter((each) => each.said === said).length
      return times >= SLIPS.times && times / latest.length >= SLIPS.share
        ? [{ shown, said, times, of: latest.length }]
        : []
    })
  }).sort((a, b) => b.times / b.of - a.times / a.of || b.times - a.times)
}

/**
 * How much somebody needs to see a thing, 1 where nothing is known against it: more for whatever they took for something else, and
 * for what they took it for, since only both side by side teach the difference.
 */
export function needOf(answers: readonly Answered[], thing: Answer): number {
  const about = ANSWERS.flatMap((shown) => latestOf(answers, shown)).filter(
    ({ shown, said }) => shown === thing || said === thing,
  )
  const mixed = about.filter(({ shown, said }) => shown !== said).length
  return 1 + (4 * mixed) / (about.length + 1)
}

/** Says for the instructor what somebody confuses. */
export const confusionSentence = (name: string, { shown, said, times, of }: Confusion): string =>
  `${name} takes ${SEEN_WORDS[shown]} for ${SEEN_WORDS[said]}: ${times} of the last ${of}.`

/** One thing that several take for another. */
export interface SharedConfusion extends Answered {
  readonly people: number
  readonly of: number
}

/** What more than one of a room confuse, the commonest first; `of` are those who were shown such a thing at all. */
export function sharedConfusions(people: readonly (readonly Answered[])[]): SharedConfusion[] {
  const each = people.map(confusionsOf)
  return ANSWERS.flatMap((shown) =>
    ANSWERS.flatMap((said): SharedConfusion[] => {
      const mixed = each.filter((own) => own.some((one) => one.shown === shown && one.said === said)).length
      const of = people.filter((answers) => answers.some((one) => one.shown === shown)).length
      return mixed > 1 ? [{ shown, said, people: mixed, of }] : []
    }),
  ).sort((a, b) => b.people - a.people)
}

export const sharedSentence = ({ shown, said, people, of }: SharedConfusion): string =>
  `${capital(people === of ? (of === 2 ? 'both' : `all ${of}`) : `${people} of ${of}`)} take ${SEEN_WORDS[shown]} for ${SEEN_WORDS[said]}.`
