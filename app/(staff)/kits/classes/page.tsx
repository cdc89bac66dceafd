import type { Metadata } from 'next'
import { Link } from '@/ui/parts/link'
import { supervisedWords, type ClassSettings } from '@/core/room/class-settings'
import { may } from '@/core/wire/permission'
import { readClasses } from '@/store/project/classes'
import { readClassLearners } from '@/store/project/learners'
import { counted } from '@/core/units/words'
import { dayIn } from '@/core/units/day'
import { dayWords, formatInTimeZone } from '@/ui/time'
import { mustSee } from '../../../_server/actor'
import { siteOf } from '../../../_server/site'
import { booksOf } from '../../../_server/store'
import { ClassRow, type ClassRowShown } from './class-row'
import { NewClass } from './new-class'

export const metadata: Metadata = { title: 'Classes' }

/** What a class does in its own way, in a few words. */
const ownWays = (settings: ClassSettings): string[] => [
  ...(settings.usual
    ? [`usually ${settings.usual.from} for ${settings.usual.minutes} min in ${counted(settings.usual.blocks, 'block')}`]
    : []),
  ...(settings.tension ? [settings.tension === 'hands-on' ? 'learners turn the dial' : 'a mentor turns the dial'] : []),
  ...(settings.supervised ? [supervisedWords(settings)!] : []),
]

export default async function ClassesPage() {
  const actor = await mustSee('see-kits')
  const store = booksOf(actor.siteId)
  const [classes, everybody, site] = await Promise.all([
    readClasses(store, actor.siteId, new Date()),
    readClassLearners(store, actor.siteId, 'at-work'),
    siteOf(actor.siteId),
  ])
  const shown = classes.map(({ courseId, name, code, closedAt, learners, bags, nextAt, settings }): ClassRowShown => {
    const next = nextAt ? `next ${formatInTimeZone(nextAt, site.timeZone)}` : 'no session to come'
    return {
      courseId,
      name,
      code,
      settings,
      learners: everybody.filter((each) => each.courseId === courseId),
      words: [counted(learners, 'learner'), counted(bags, 'bag'), next, ...ownWays(settings)].join(', '),
      ...(closedAt && { closed: dayWords(dayIn(closedAt, site.timeZone)) }),
    }
  })
  const open = shown.filter(({ closed }) => !closed)
  const closed = shown.filter((each) => each.closed)
  const mayChange = may(actor.role, 'rename-course')
  return (
    <div className="mx-auto grid max-w-6xl gap-8 lg:grid-cols-[3fr_2fr]">
      <section>
        <h1 className="text-3xl font-bold">Classes</h1>
        <p className="mt-1">
          Learners come in by a class’s code and their first name. Somebody who is in two classes is one person. Who and
          what is not at work any more is{' '}
          <Link href="/put-away" className="link">
            put away
          </Link>
          .
        </p>
        {open.length === 0 && <p className="mt-4 text-lg">No class is open.</p>}
        <ul className="mt-4">
          {open.map((each) => (
            <ClassRow key={each.courseId} course={each} mayChange={mayChange} />
          ))}
        </ul>
        {closed.length > 0 && (
          <details className="mt-4">
            <summary className="min-h-11 cursor-pointer py-2 font-bold">Closed classes ({closed.length})</summary>
            <ul>
              {closed.map((each) => (
                <ClassRow key={each.courseId} course={each} mayChange={mayChange} />
              ))}
            </ul>
          </details>
        )}
      </section>
      {mayChange && <NewClass />}
    </div>
  )
}
