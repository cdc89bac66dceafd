import { TAG_MM } from '@/core/camera/plane'
import { completeFabric } from '@/core/fabric/intake'
import type { Kit, KitRequest } from '@/core/kit/request'
import { LAID_OUT_WORDS } from '@/core/knowledge/stitch/extra'
import { POINTS } from '@/core/knowledge/needle/needle'
import { counted, named, plain } from '@/core/units/words'
import type { Traits } from '@/core/knowledge/machine/trait'
import type { ThreadUseAnswer } from '@/core/thread-use/thread-use'
import { DialDrawing } from '../drawings/dial'
import { EyeFit, NeedleDrawing } from '../drawings/needle'
import { StackDrawing } from '../drawings/stack'
import { StitchDrawing } from '../drawings/stitch'
import { NeedleTag } from '../drawings/tag'
import { cautionWords, extraWords, lockWords } from '../kit-words'
import { needleWords, perInch, stitchWords, threadWords } from '../words'
import { PrintedCodeFigure, type PrintedCode } from './printed-code'
import { VenueMark, type PrintedVenue } from './venue-mark'

export interface PrintedBag {
  readonly learner: string
  readonly name: string
  readonly machine: { readonly name: string; readonly number: number; readonly traits: Traits }
  readonly kit: Kit
  readonly fabric: KitRequest['fabric']
  readonly layers: KitRequest['layers']
  readonly use?: ThreadUseAnswer
  readonly code: PrintedCode
  /** of its test swatch, one for each face */
  readonly tags: Readonly<Record<'top' | 'under', PrintedCode>>
}

/** A6, across: what goes on the bag. Black on white; nothing needs colour to be read. */
export function BagLabel({ bag }: { bag: PrintedBag }) {
  const { kit, use } = bag
  // What is done rather than packed stands on the card.
  const things = kit.extras.flatMap((extra) => LAID_OUT_WORDS[extra] ?? [])
  return (
    <section className="paper paper-a6" aria-label={`Label for ${bag.learner}`}>
      <header className="flex items-start justify-between gap-4">
        <div>
          <p className="line-clamp-2 text-3xl font-bold leading-none">{bag.learner}</p>
          <p className="mt-1 line-clamp-2 text-lg">{bag.name}</p>
          <p className="mt-1 line-clamp-1 text-lg">
            <strong>{bag.machine.name}</strong>, no. {bag.machine.number}
          </p>
        </div>
        <PrintedCodeFigure code={bag.code} className="size-20" />
      </header>
      <div className="mt-2 flex items-center gap-4 border-y-2 border-current py-1.5">
        <NeedleTag point={kit.needle.point} sizeNm={kit.needle.sizeNm} />
        <p className="text-lg font-semibold">
          {POINTS[kit.needle.point].words}
          {kit.needle.gapMm && `, ${kit.needle.gapMm} mm apart`}
        </p>
      </div>
      <ul className="mt-2 space-y-0.5 leading-snug">
        <li>
          <strong>Top</strong> {threadWords(kit.topThread)}
          {use && `, ${plain(Math.ceil(use.topM))} m`}
        </li>
        <li>
          <strong>Bobbin</strong> {threadWords(kit.bobbinThread)}
          {use && `, wind ${use.bobbins}`}
        </li>
        <li>
          <strong>Foot</strong> {named(kit.foot)}
          {things.length > 0 && (
            <>
              {' '}
              · <strong>besides</strong> {things.join(', ')}
            </>
          )}
        </li>
      </ul>
      {kit.cautions.length > 0 && (
        <p className="mt-2 border-2 border-current px-2 py-1 font-bold leading-snug">
          {kit.cautions.map((caution) => cautionWords[caution]).join(' · ')}
        </p>
      )}
    </section>
  )
}

/** A6, across: the tags of a test swatch, to be cut out and laid beside the seam, each beside the face that it names. */
export function SwatchTags({ bag: { learner, name, tags } }: { bag: PrintedBag }) {
  return (
    <section className="paper paper-a6" aria-label={`Swatch tags for ${learner}`}>
      <p className="text-sm">
        Cut out along the lines. Lay the tag flat beside the seam, on the face that it names, and photograph both. The
        code is {TAG_MM} mm wide: print at full size, never “fit to page”.
      </p>
      <div className="mt-4 flex gap-6">
        {(['top', 'under'] as const).map((face) => (
          <div key={face} className="flex w-[62mm] items-center gap-1 border border-dashed border-current">
            <div className="shrink-0 p-[4mm]">
              <svg
                viewBox={`0 0 ${tags[face].size} ${tags[face].size}`}
                style={{ width: `${TAG_MM}mm`, height: `${TAG_MM}mm` }}
                role="img"
                aria-label={`Swatch code, ${named(face)}`}
                shapeRendering="crispEdges"
              >
                <path d={tags[face].path} fill="currentColor" />
              </svg>
            </div>
            <div className="min-w-0 py-2 pr-2">
              <p className="text-xl leading-tight font-bold">{face === 'top' ? 'On top' : 'Turned over'}</p>
              <p className="line-clamp-1">{learner}</p>
              <p className="line-clamp-2 text-sm leading-tight">{name}</p>
            </div>
          </div>
        ))}
      </div>
    </section>
  )
}

/** A5, upright: the kit card that lies beside the machine. */
export function KitSheet({ bag, venue }: { bag: PrintedBag; venue: PrintedVenue }) {
  const { kit, machine, fabric, layers, use } = bag
  const { thicknessMm } = completeFabric(fabric)
  const crossing = Math.max(layers.seam, layers.crossing)
  const dial = machine.traits.tensionDial as Parameters<typeof DialDrawing>[0]['dial'] | undefined
  return (
    <section className="paper paper-a5" aria-label={`Kit card for ${bag.learner}`}>
      <header className="flex items-start justify-between gap-4 border-b-2 border-current pb-2">
        <div>
          <p className="line-clamp-2 text-3xl font-bold leading-tight">{bag.learner}</p>
          <p>
            {bag.name}, on <strong>{machine.name}</strong> (no. {machine.number})
          </p>
          <VenueMark {...venue} small className="text-sm" />
        </div>
        <PrintedCodeFigure code={bag.code} className="size-20" />
      </header>
      <div className="mt-3 grid grid-cols-[8rem_1fr] gap-x-5 gap-y-3">
        <figure className="row-span-4">
          <NeedleDrawing
            way={machine.traits}
            needle={{
              point: kit.needle.point,
              sizeNm: kit.needle.sizeNm,
              eyeMm: kit.fit.eyeMm,
              threadMm: kit.fit.threadMm,
              ...(kit.needle.gapMm !== undefined && { gapMm: kit.needle.gapMm }),
            }}
          />
          <EyeFit eyeMm={kit.fit.eyeMm} threadMm={kit.fit.threadMm} className="mx-auto w-24" />
          <figcaption className="text-center text-sm">{kit.fit.clearance.toFixed(2)} × the thread</figcaption>
        </figure>
        <Line name="Needle" value={needleWords(kit.needle)} />
        <Line
          name="Threads"
          value={threadWords(kit.topThread)}
          note={`below: ${threadWords(kit.bobbinThread)}${use ? `; wind ${use.bobbins}` : ''}`}
        />
        <div>
          <StitchDrawing
            stitch={kit.stitch}
            {...(kit.needle.gapMm !== undefined && { gapMm: kit.needle.gapMm })}
            className="w-44"
          />
          <Line
            name="Stitch"
            value={stitchWords(kit.stitch)}
            note={[
              kit.stitch.lengthMark !== undefined && `length dial at ${plain(kit.stitch.lengthMark)}`,
              perInch(kit.stitch.lengthMm),
              lockWords[kit.stitch.lock],
            ]
              .filter(Boolean)
              .join(' · ')}
          />
        </div>
        <Line name="Foot" value={`${named(kit.foot)}, pressure ${named(kit.footPressure)}`} />
      </div>
      <div className="mt-3 flex items-center justify-between gap-4 border-t-2 border-dashed border-current pt-3">
        {dial && kit.dial.setting !== undefined && (
          <div className="flex items-center gap-2">
            <DialDrawing dial={dial} set={kit.dial.setting} className="w-28" />
            <Line name="Dial starts at" value={plain(kit.dial.setting)} />
          </div>
        )}
        <figure>
          <StackDrawing
            thicknessMm={thicknessMm}
            layers={crossing}
            bladeMm={kit.needle.sizeNm / 100}
            className="w-36"
          />
          <figcaption className="text-sm">
            {counted(crossing, 'layer')}, {plain(thicknessMm * crossing)} mm
          </figcaption>
        </figure>
      </div>
      {kit.extras.length > 0 && (
        <p className="mt-2">
          <strong>Besides:</strong> {kit.extras.map((extra) => extraWords[extra]).join(', ')}
        </p>
      )}
      {kit.cautions.length > 0 && (
        <p className="mt-2 border-2 border-current px-2 py-1 font-bold">
          {kit.cautions.map((caution) => cautionWords[caution]).join(' · ')}
        </p>
      )}
      <p className="mt-2 text-sm">
        First a swatch on two layers of this cloth. The machine’s manual and the person at it have the last word. Power
        off and foot off the pedal to change the needle.
      </p>
    </section>
  )
}

function Line({ name, value, note }: { name: string; value: string; note?: string }) {
  return (
    <div>
      <p className="text-sm">{name}</p>
      <p className="text-lg font-bold leading-tight">{value}</p>
      {note && <p className="text-sm">{note}</p>}
    </div>
  )
}
