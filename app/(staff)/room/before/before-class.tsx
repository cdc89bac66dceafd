import { leftToDo, walkDone } from '@/core/session/walk-so-far'
import { Link } from '@/ui/parts/link'
import { BenchStops, type Stop } from '../../../_parts/bench-stops'

/** The room in walking order: at each machine only what differs from what tonight needs, one tap each. */
export function BeforeClass({
  walk,
  tonight,
}: {
  walk: readonly Stop[]
  /** sessions to come, whose own walk has bobbins and bags as well */
  tonight: readonly { readonly href: string; readonly words: string }[]
}) {
  const open = walk.filter((stop) => leftToDo([stop]) > 0)
  const tasks = leftToDo(walk)
  return (
    <>
      <p>
        <Link className="link" href="/room">
          Room
        </Link>
      </p>
      <h1 className="text-3xl font-bold">Before class</h1>
      <p className="mt-1 text-lg" role="status">
        {walkDone(walk, 'tonight') ??
          `${tasks} ${tasks === 1 ? 'thing' : 'things'} at ${open.length} of ${walk.length} machines, in walking order.`}
      </p>
      {tonight.map(({ href, words }) => (
        <p key={href} className="mt-2">
          <Link href={href} className="btn btn-primary min-h-11">
            The walk for {words}, with its bobbins and bags
          </Link>
        </p>
      ))}
      <BenchStops walk={walk} />
    </>
  )
}
