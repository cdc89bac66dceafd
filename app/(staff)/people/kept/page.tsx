import type { Metadata } from 'next'
import { Link } from '@/ui/parts/link'
import { readEverybody } from '@/store/people/everybody'
import { mustSee } from '../../../_server/actor'
import { booksOf } from '../../../_server/store'
import { KeptRow } from './kept-row'

export const metadata: Metadata = { title: 'What is kept about people' }

const KEPT = [
  [
    'Learners',
    'A first name or nickname, the classes they are in, their projects and kits, who came, the exercises they did, their calls for help and the lines they wrote at their seat. No email, no birthday, no photograph.',
  ],
  [
    'Access needs',
    'What somebody needs to sew well. Staff alone see it. It is forgotten with the last open class that they are in.',
  ],
  [
    'Staff',
    'A name, the email they sign in with, and a password that nobody can read; of a passkey what proves it, never the key.',
  ],
  [
    'Sign-ins',
    'Of staff and learners alike: the day, the browser and the network address of the device. One of staff ends after thirty days at the latest, a learner’s with the session; what has ended is taken away in the night by the start command.',
  ],
  [
    'Books',
    'What happened to a machine stays in its book, since the next person’s safety hangs on it. When somebody is erased their lines stay as lines of somebody, without their words.',
  ],
] as const

export default async function KeptPage() {
  const actor = await mustSee('see-people')
  const everybody = await readEverybody(booksOf(actor.siteId), actor.siteId)
  return (
    <div className="mx-auto max-w-4xl">
      <h1 className="text-3xl font-bold">What is kept about people</h1>
      <p className="mt-1">
        <Link className="link" href="/people">
          People
        </Link>
      </p>
      <dl className="mt-4 grid gap-x-6 gap-y-3 sm:grid-cols-[10rem_1fr]">
        {KEPT.map(([what, words]) => (
          <div key={what} className="contents">
            <dt className="font-bold">{what}</dt>
            <dd>{words}</dd>
          </div>
        ))}
      </dl>
      <h2 className="mt-8 text-2xl font-bold">Everybody</h2>
      <p>
        A file tells all that is kept about one person, to hand to them or to a parent. Erasing takes their name and
        their words out of everything, for good.
      </p>
      <ul className="mt-2">
        {everybody.map((person) => (
          <KeptRow key={person.personId} person={person} />
        ))}
      </ul>
    </div>
  )
}
