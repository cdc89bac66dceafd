import { counted, spaced } from '@/core/units/words'
import type { Metadata } from 'next'
import { Link } from '@/ui/parts/link'
import { momentOf } from '@/core/trainer/moment-of'
import { DRIVES } from '@/core/knowledge/machine/trait'
import { SKILL_WORDS } from '@/core/people/skill'
import { confusionSentence, confusionsOf, sharedConfusions, sharedSentence } from '@/core/trainer/confusion'
import { EXERCISES, isPassed } from '@/core/trainer/exercises'
import { readLearners, readProgress } from '@/store/people/progress'
import { readNames } from '@/store/site/site'
import { formatInTimeZone } from '@/ui/time'
import { PLACE_CAUTIONS } from '@/core/knowledge/care/place-caution'
import { mustSee } from '../../../_server/actor'
import { siteOf } from '../../../_server/site'
import { booksOf } from '../../../_server/store'
import { LabNav } from '../lab-nav'
import { SignOffs } from './sign-offs'

export const metadata: Metadata = { title: 'Who can do what' }

export default async function ProgressPage() {
  const actor = await mustSee('see-progress')
  const store = booksOf(actor.siteId)
  const [learners, progress, names, site] = await Promise.all([
    readLearners(store, actor.siteId),
    readProgress(store, actor.siteId),
    readNames(store, actor.siteId),
    siteOf(actor.siteId),
  ])
  const shared = sharedConfusions(learners.map(({ personId }) => progress.get(personId)?.answers ?? []))
  return (
    <>
      <LabNav here="/lab/progress" mayProgress />
      <h1 className="text-3xl font-bold">Who can do what</h1>
      <p className="mt-1 text-secondary">{PLACE_CAUTIONS.minors}</p>
      {shared.length > 0 && (
        <section aria-label="What several mix up" className="sheet mt-4 p-5 text-lg">
          {shared.slice(0, 3).map((each) => {
            const moment = momentOf(each)
            return (
              <p key={`${each.shown}${each.said}`}>
                {sharedSentence(each)}{' '}
                {moment && (
                  <Link className="link" href={`/lab/demonstration?at=${moment.id}`}>
                    Show “{moment.title}” to all
                  </Link>
                )}
              </p>
            )
          })}
        </section>
      )}
      {learners.length === 0 && <p className="sheet mt-4 p-6 text-lg">No learner is in a class yet.</p>}
      <ul>
        {learners.map(({ personId, name }) => {
          const own = progress.get(personId)
          const passed = EXERCISES.filter(({ id }) => isPassed(own?.exercises[id]))
          return (
            <li key={personId} className="seam grid gap-x-6 gap-y-2 py-4 md:grid-cols-[12rem_1fr]">
              <div>
                <h2 className="text-xl font-bold">{name}</h2>
                <p>
                  <span className="numeral text-2xl">{passed.length}</span> of {EXERCISES.length} exercises
                </p>
              </div>
              <div>
                <p className="text-sm">
                  {passed.length > 0
                    ? passed.map(({ title }) => title).join(' · ')
                    : 'nothing finished in the trainer yet'}
                </p>
                {confusionsOf(own?.answers ?? [])
                  .slice(0, 2)
                  .map((each) => (
                    <p key={`${each.shown}${each.said}`} className="font-semibold">
                      {confusionSentence(name, each)}
                    </p>
                  ))}
                <SignOffs
                  personId={personId}
                  name={name}
                  kinds={DRIVES}
                  given={(own?.signOffs ?? []).map(({ skill, machineKind, by, at, answered }) => ({
                    skill,
                    machineKind,
                    words: `${SKILL_WORDS[skill]} (${spaced(machineKind)})`,
                    by: `${names.get(by) ?? 'somebody'}, ${formatInTimeZone(at, site.timeZone)}${
                      answered ? `; answered ${counted(answered, 'question')} well` : ''
                    }`,
                  }))}
                />
              </div>
            </li>
          )
        })}
      </ul>
    </>
  )
}
