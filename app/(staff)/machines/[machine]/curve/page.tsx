import type { Metadata } from 'next'
import { Link } from '@/ui/parts/link'
import { TARGET_SCORE, TARGET_WORDS, TARGETS, type Target } from '@/core/knowledge/tension/tension'
import { counted, named, plain } from '@/core/units/words'
import { fitDial } from '@/core/tension/dial-fit'
import { cameraTally, readSwatch, readWritten, READING_WORDS } from '@/core/tension/reading'
import { dialUnit, type Dial } from '@/core/units/dial'
import { readStanding } from '@/store/machine/standing-lines'
import { DialCurve, type CurvePoint } from '@/ui/drawings/dial-curve'
import { SwatchFace } from '@/ui/drawings/swatch-face'
import { PrintButton } from '@/ui/parts/print-button'
import { formatInTimeZone } from '@/ui/time'
import { shortNeedle, threadWords } from '@/ui/words'
import { DialUnknown } from '../../../../_parts/seat/dial-unknown'
import { mustSee } from '../../../../_server/actor'
import { machinePage } from '../../../../_server/machine'
import { booksOf } from '../../../../_server/store'

export const metadata: Metadata = { title: 'Tension curve' }

const MOST = 200
const LETTERS = 'ABCDEFGHIJKLMNOPQRSTUVWXYZ'

interface Props {
  params: Promise<{ machine: string }>
  searchParams: Promise<{ target?: string }>
}

export default async function CurvePage({ params, searchParams }: Props) {
  const actor = await mustSee('see-book')
  const { machine, site } = await machinePage(actor.siteId, (await params).machine)
  const home = `/machines/${machine.machineId}`
  const dial = machine.traits.tensionDial as Dial | undefined
  const standing = (
    await readStanding(booksOf(actor.siteId), actor.siteId, {
      kinds: ['swatch-stitched', 'needle-changed'],
      machineIds: [machine.machineId],
      newest: MOST,
    })
  ).reverse()
  const swatches = standing.flatMap(({ event, happening }) =>
    happening.kind === 'swatch-stitched' ? [{ happenedAt: event.happenedAt, body: happening.body }] : [],
  )
  const asked = (await searchParams).target
  const target: Target = TARGETS.find((each) => each === asked) ?? swatches.at(-1)?.body.target ?? 'straight'
  const needles = standing.flatMap(({ event, happening }) =>
    happening.kind === 'needle-changed' && happening.body.in
      ? [{ at: event.happenedAt, needle: happening.body.in }]
      : [],
  )
  const eraOf = (at: string) => needles.filter((each) => each.at <= at).length
  const own = swatches.filter(({ body }) => body.target === target)
  const readable = own.flatMap(({ happenedAt, body }) => {
    const { s, reading, onTarget } = readSwatch(body, target)
    return reading === 'threading' || reading === 'mixed' ? [] : [{ happenedAt, body, s, onTarget }]
  })
  const eras = [...new Set(readable.map(({ happenedAt }) => eraOf(happenedAt)))]
  const letter = (era: number) => LETTERS[eras.indexOf(era) % LETTERS.length]!
  const points: CurvePoint[] = readable.map(({ happenedAt, body, s, onTarget }) => ({
    dial: body.dial,
    s,
    needle: letter(eraOf(happenedAt)),
    when: formatInTimeZone(happenedAt, site.timeZone),
    onTarget,
  }))
  const fit =
    dial && points.length > 0
      ? fitDial(
          points.map(({ dial: at, s }) => ({ dial: at, s })),
          { start: dial.normal, unit: dialUnit(dial), target: TARGET_SCORE[target].score },
        )
      : undefined
  const last = swatches.at(-1)
  const camera = cameraTally(swatches.map(({ body }) => body))
  return (
    <div className="mx-auto max-w-4xl">
      <p className="print:hidden">
        <Link className="link" href={home}>
          {machine.name}
        </Link>
      </p>
      <div className="mb-3 flex flex-wrap items-end gap-4 print:hidden">
        <h1 className="text-3xl font-bold">Tension of {machine.name}</h1>
        <nav aria-label="Stitch" className="flex flex-wrap gap-1">
          {TARGETS.map((each) => (
            <Link
              key={each}
              href={`${home}/curve?target=${each}`}
              aria-current={target === each ? 'true' : undefined}
              className={`btn btn-sm ${target === each ? 'btn-neutral' : 'btn-ghost'}`}
            >
              {TARGET_WORDS[each]}
            </Link>
          ))}
        </nav>
      </div>
      {!dial && <DialUnknown name={machine.name} />}
      {dial && points.length === 0 && (
        <p className="sheet p-6 text-lg print:hidden">
          No {TARGET_WORDS[target]} swatch of this machine is written down yet.{' '}
          <Link className="link" href={`${home}/swatch`}>
            Read one
          </Link>
          , and its curve begins.
        </p>
      )}
      {dial && points.length > 0 && (
        <div className="print:hidden">
          {fit && (
            <p className="text-lg">
              With {TARGET_WORDS[target]} stitches it is most likely right at{' '}
              <span className="numeral text-3xl">{plain(fit.best)}</span> ({plain(fit.interval[0])} to{' '}
              {plain(fit.interval[1])}, four chances in five). Its normal mark is {plain(dial.normal)}.
            </p>
          )}
          <DialCurve dial={dial} points={points} fit={fit} target={TARGET_SCORE[target]} className="mt-2 w-full" />
          <p className="mt-2 text-sm">
            A letter for each needle:{' '}
            {eras
              .map((era) => {
                const fitted = needles[era - 1]
                return `${letter(era)} ${fitted ? `${shortNeedle(fitted.needle)} since ${formatInTimeZone(fitted.at, site.timeZone).split(',')[0]}` : 'an earlier one'}`
              })
              .join(' · ')}
            . Filled: it was right. The grey band is what this stitch should score.
          </p>
        </div>
      )}
      {camera.faces > 0 && (
        <p className="mt-2 print:hidden">
          A camera read {counted(camera.faces, 'face')} of these swatches;{' '}
          {camera.corrected === 0 ? 'none was put right by hand.' : `${camera.corrected} put right by hand.`}
        </p>
      )}
      {last && (
        <section aria-labelledby="tag" className="mt-6">
          <div className="flex items-end justify-between print:hidden">
            <h2 id="tag" className="text-xl font-bold">
              Tag of the last swatch
            </h2>
            <PrintButton words="Print the tag" />
          </div>
          <div className="sheet mt-2 max-w-md p-4 print:mt-0 print:border-black">
            <p className="text-lg font-bold">
              {machine.name}, dial {plain(readWritten(last.body).dial)}
            </p>
            <p className="text-sm">{formatInTimeZone(last.happenedAt, site.timeZone)}</p>
            <dl className="mt-2 grid grid-cols-[5rem_1fr] text-sm">
              <dt>Stitch</dt>
              <dd>{named(last.body.target)}</dd>
              <dt>Needle</dt>
              <dd>{machine.state.fitting ? shortNeedle(machine.state.fitting.needle) : 'not known'}</dd>
              <dt>Thread</dt>
              <dd>{machine.state.thread ? threadWords(machine.state.thread) : 'not known'}</dd>
              <dt>Reading</dt>
              <dd>{READING_WORDS[readWritten(last.body).reading]}</dd>
            </dl>
            <div className="mt-2 grid grid-cols-2 gap-3">
              <SwatchFace face="top" look={last.body.top} />
              <SwatchFace face="under" look={last.body.under} />
            </div>
          </div>
        </section>
      )}
    </div>
  )
}
