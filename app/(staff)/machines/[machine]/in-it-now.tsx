import { Link } from '@/ui/parts/link'
import { POINTS } from '@/core/knowledge/needle/needle'
import type { MachineStanding } from '@/core/machine/standing'
import { threadDiameterMm, type Thread } from '@/core/units/thread'
import { named, plain } from '@/core/units/words'
import type { Machine } from '@/store/machine/machines'
import { DialDrawing } from '@/ui/drawings/dial'
import { NeedleDrawing } from '@/ui/drawings/needle'
import { formatInTimeZone } from '@/ui/time'
import { hoursWords, needleWords, threadWords } from '@/ui/words'

/** What is in a machine now: its needle and how long it has sewn, thread, foot, and where the dial stands. */
export function InItNow({
  machine,
  standing,
  timeZone,
}: {
  machine: Machine
  standing: MachineStanding
  timeZone: string
}) {
  const { state, traits } = machine
  const fitted = state.fitting?.needle
  const thread = state.thread as Thread | undefined
  return (
    <section className="sheet p-5" aria-labelledby="now">
      <h2 id="now" className="text-xl font-bold">
        In it now
      </h2>
      {fitted ? (
        <div className="mt-3 grid grid-cols-[7rem_1fr] gap-4">
          <NeedleDrawing
            className="w-28"
            way={traits}
            needle={{
              point: fitted.point,
              sizeNm: fitted.sizeNm,
              eyeMm: (fitted.sizeNm / 100) * POINTS[fitted.point].eyeShare,
              threadMm: thread ? threadDiameterMm(thread) : 0,
              ...(fitted.gapMm !== undefined && { gapMm: fitted.gapMm }),
            }}
          />
          <dl className="grid content-start gap-2">
            <Fact name="Needle">
              <strong>{needleWords(fitted)}</strong>
              <br />
              {fitted.condition === 'unverified'
                ? 'of unknown age'
                : `since ${formatInTimeZone(state.fitting.fittedAt, timeZone)}`}
            </Fact>
            {standing.wear && (
              <Fact name="Needle hours">
                <span className="numeral text-2xl">{standing.wear.effectiveHours.toFixed(1)}</span> sewn,{' '}
                {hoursWords(standing.wear.remainingHours)} left
              </Fact>
            )}
            {state.thread && <Fact name="Thread">{threadWords(state.thread)}</Fact>}
            {state.foot && <Fact name="Foot">{named(state.foot)}</Fact>}
          </dl>
        </div>
      ) : (
        <p className="mt-2">No needle is written down for it. Put one in and log it, and its hours start to count.</p>
      )}
      {traits.tensionDial && (
        <div className="mt-3 flex items-center gap-5">
          <DialDrawing className="w-32" dial={traits.tensionDial} set={state.dial ?? traits.tensionDial.normal} />
          <p>
            Dial at <span className="numeral text-2xl">{plain(state.dial ?? traits.tensionDial.normal)}</span>
            <br />
            its normal mark is {plain(traits.tensionDial.normal)}
            <br />
            <Link className="link" href={`/machines/${machine.machineId}/curve`}>
              its curve
            </Link>
          </p>
        </div>
      )}
    </section>
  )
}

function Fact({ name, children }: { name: string; children: React.ReactNode }) {
  return (
    <div>
      <dt className="text-sm opacity-80">{name}</dt>
      <dd>{children}</dd>
    </div>
  )
}
