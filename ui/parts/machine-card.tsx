import type { Traits } from '@/core/knowledge/machine/trait'
import { PLACE_CAUTIONS } from '@/core/knowledge/care/place-caution'
import { named, plain, spaced } from '@/core/units/words'
import { BobbinDrawing } from '../drawings/bobbin'
import { DialDrawing } from '../drawings/dial'
import { NeedlePlan } from '../drawings/needle'
import { PrintedCodeFigure, type PrintedCode } from './printed-code'
import { VenueMark, type PrintedVenue } from './venue-mark'

/** A5, upright: what anybody who sits down at this machine has to know, drawn its own way. Black on white. */
export function MachineCard({
  name,
  number,
  notes,
  traits,
  code,
  venue,
}: {
  name: string
  number: number
  notes: string
  traits: Traits
  code: PrintedCode
  venue: PrintedVenue
}) {
  const dial = traits.tensionDial as Parameters<typeof DialDrawing>[0]['dial'] | undefined
  const facts: [string, string | undefined][] = [
    ['Needle', traits.needleSystem && `${traits.needleSystem}, ${sizes(traits)}`],
    [
      'Clamp',
      traits.clampTightened &&
        (traits.clampTightened === 'fingers' ? 'fingers only' : 'fingers, then the small driver to a light stop'),
    ],
    [
      'Bobbin',
      [
        traits.bobbinClass && `class ${traits.bobbinClass}`,
        traits.bobbinMaterial && named(traits.bobbinMaterial),
        traits.bobbinCase && spaced(traits.bobbinCase),
      ]
        .filter(Boolean)
        .join(', ') || undefined,
    ],
    [
      'Bobbin thread',
      traits.bobbinThreadRaised === undefined
        ? undefined
        : traits.bobbinThreadRaised
          ? 'raise it before sewing'
          : 'need not be raised',
    ],
    ['Spool', traits.spoolPin && spaced(traits.spoolPin)],
    ['Discs', traits.tensionDiscs && named(traits.tensionDiscs)],
    ['Take-up', traits.takeUp && spaced(traits.takeUp)],
    ['Hand wheel', traits.handWheel && (traits.handWheel === 'towards' ? 'towards you' : 'away from you')],
    ['Straight stitch', traits.straightStitchMark],
    ['Zigzag', traits.zigzagStitchMark],
    [
      'Stitch length',
      traits.lengthMm &&
        `${plain(traits.lengthMm.min)} to ${plain(traits.lengthMm.max)} mm${traits.lengthDial === 'backwards' ? ', dial runs backwards' : ''}`,
    ],
    ['Feet', traits.feet?.map(spaced).join(', ')],
    ['Oil', traits.oiling && (traits.oiling === 'ask' ? 'ask first' : spaced(traits.oiling))],
    ['Magnets', traits.magnets && (traits.magnets === 'allowed' ? PLACE_CAUTIONS.magnetsCard : 'tape instead')],
  ]
  return (
    <section className="paper paper-a5" aria-label={`Card of ${name}`}>
      <header className="flex items-start justify-between gap-4 border-b-2 border-current pb-2">
        <div>
          <p className={`line-clamp-2 font-bold leading-none ${name.length > 16 ? 'text-3xl' : 'text-5xl'}`}>{name}</p>
          <div className="mt-1 flex items-center gap-x-4 text-lg leading-none">
            <p>no. {number}</p>
            <VenueMark {...venue} small className="text-sm" />
          </div>
        </div>
        <PrintedCodeFigure code={code} className="size-20" />
      </header>
      <div className="mt-3 flex items-end justify-around gap-4">
        <figure className="w-28 text-center text-sm">
          <NeedlePlan way={traits} />
          <figcaption>
            {traits.shankFlat === 'round'
              ? 'round shank'
              : traits.shankFlat
                ? `flat ${named(traits.shankFlat)}`
                : 'flat: ask'}
          </figcaption>
        </figure>
        {traits.bobbinRuns && (
          <figure className="w-28 text-center text-sm">
            <BobbinDrawing runs={traits.bobbinRuns} />
            <figcaption>bobbin like a {traits.bobbinRuns}</figcaption>
          </figure>
        )}
        {dial && (
          <figure className="w-32 text-center text-sm">
            <DialDrawing dial={dial} set={dial.normal} />
            <figcaption>normal {plain(dial.normal)}</figcaption>
          </figure>
        )}
      </div>
      <dl className="mt-3 grid grid-cols-2 gap-x-5 gap-y-1 border-t-2 border-dashed border-current pt-2">
        {facts.map(([fact, words]) => (
          <div key={fact}>
            <dt className="text-sm">{fact}</dt>
            <dd className="font-bold leading-tight">{words ?? 'not known: ask'}</dd>
          </div>
        ))}
      </dl>
      {notes && <p className="mt-2">{notes}</p>}
      <ul className="mt-2 border-2 border-current px-3 py-1 text-sm font-bold">
        <li>
          Power off and foot off the pedal to change the needle, thread near it, change the foot, clean or clear a jam.
        </li>
        <li>Fingers flat, 3 cm from the needle, to the sides. Broken needle: find every piece before anyone sews.</li>
        <li>Damaged cord, smell or shock: unplug at the wall, tell staff.</li>
      </ul>
      <p className="mt-1 text-sm">The machine’s manual wins over everything here.</p>
    </section>
  )
}

const sizes = ({ needleNm }: Traits): string =>
  needleNm ? `${plain(needleNm.min)} to ${plain(needleNm.max)}` : 'sizes not known'
