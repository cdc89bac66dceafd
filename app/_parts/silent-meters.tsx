import { silentSince } from '@/core/wear/meter'
import type { RoomMachine } from '@/store/machine/machines'
import { Link } from '@/ui/parts/link'
import { formatInTimeZone } from '@/ui/time'

/** Run meters that tell nothing although somebody sews: where it is seen which needle is due, since those hours are not counted. */
export function SilentMeters({
  meters,
  machines,
  timeZone,
}: {
  /** by machine, the moment from which its meter may write, ISO */
  meters: ReadonlyMap<string, string>
  machines: readonly Pick<RoomMachine, 'machineId' | 'name' | 'state'>[]
  timeZone: string
}) {
  const here = machines.flatMap(({ machineId, name, state }) => {
    const given = meters.get(machineId)
    const since = given && silentSince(given, state.care)
    return since ? [{ machineId, name, since }] : []
  })
  if (here.length === 0) return null
  return (
    <section aria-label="Run meters" className="sheet mb-4 border-l-4 border-l-warning p-4">
      <ul>
        {here.map(({ machineId, name, since }) => (
          <li key={machineId}>
            <Link href={`/machines/${machineId}`} className="link font-bold">
              <bdi>{name}</bdi>
            </Link>
            : its run meter has told nothing since {formatInTimeZone(since, timeZone)}, though it was sewn on. Its
            needle is older than it says here.
          </li>
        ))}
      </ul>
      <p>See that the meter is on and reaches the server; until it does, write down how long it was sewn on.</p>
    </section>
  )
}
