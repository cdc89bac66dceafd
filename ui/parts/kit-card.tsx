import type { Kit, KitRequest } from '@/core/kit/request'
import { LAID_OUT_WORDS } from '@/core/knowledge/stitch/extra'
import { counted, named, plain } from '@/core/units/words'
import type { Traits } from '@/core/knowledge/machine/trait'
import { completeFabric } from '@/core/fabric/intake'
import type { ClaimPlace } from '@/core/knowledge/claim'
import type { OverridePart } from '@/core/kit/override'
import type { ThreadUseAnswer } from '@/core/thread-use/thread-use'
import { DialDrawing } from '../drawings/dial'
import { EyeFit, NeedleDrawing } from '../drawings/needle'
import { StackDrawing } from '../drawings/stack'
import { StitchDrawing } from '../drawings/stitch'
import { claimsBeside } from './claim-card'
import { droppedWords, lockWords } from '../kit-words'
import { needleWords, perInch, stitchWords, threadWords } from '../words'
import { type CautionPlace, CAUTION_PLACE, Cautions } from './kit-cautions'
import { ExtraList, Part } from './kit-part'

interface Props {
  readonly kit: Kit
  readonly traits: Traits
  readonly fabric: KitRequest['fabric']
  readonly layers: KitRequest['layers']
  /** the thread it takes, where somebody said how much is sewn */
  readonly use?: ThreadUseAnswer | undefined
  /** lets a person choose a part otherwise */
  readonly change?: (part: OverridePart) => void
}

/** The kit as a drawn card: every part with its reason behind it, cautions where the hand is. */
export function KitCard({ kit, traits, fabric, layers, use, change }: Props) {
  const { thicknessMm, estimated } = completeFabric(fabric)
  const crossing = Math.max(layers.seam, layers.crossing)
  const why = (part: string) => kit.reasons.find((reason) => reason.part === part)
  const dial = traits.tensionDial as Parameters<typeof DialDrawing>[0]['dial'] | undefined
  const claims = (...places: ClaimPlace[]) =>
    claimsBeside(places, {
      structure: fabric.structure,
      point: kit.needle.point,
      threadFibre: kit.topThread.fibre,
      threadRatio:
        Math.max(kit.topThread.tex, kit.bobbinThread.tex) / Math.min(kit.topThread.tex, kit.bobbinThread.tex),
      stitchIso: kit.stitch.iso,
      crossingMm: thicknessMm * crossing,
    })
  const cautions = (place: CautionPlace) =>
    kit.cautions
      .filter((caution) => CAUTION_PLACE[caution] === place)
      .map((caution) => ({ caution, why: why(caution) }))
  const part = (name: OverridePart) => ({
    ...(change && { change: () => change(name) }),
    chosen: kit.overrides?.find((override) => override.part === name),
  })
  return (
    <article className="sheet p-5" aria-label="Kit">
      {kit.dropped?.map((dropped) => (
        <p key={dropped.part} role="note" className="mb-3 border-l-8 border-error pl-3 text-lg font-semibold">
          {droppedWords(dropped)}
        </p>
      ))}
      {kit.reasons
        .filter(({ price }) => price)
        .map(({ part, rule, because }) => (
          <p key={`${part} ${rule}`} role="note" className="mb-3 border-l-8 border-warning pl-3 text-lg">
            {because}
          </p>
        ))}
      <div className="grid gap-x-6 gap-y-5 md:grid-cols-[10rem_1fr]">
        <figure className="mx-auto w-40 md:row-span-3">
          <NeedleDrawing
            way={traits}
            needle={{
              point: kit.needle.point,
              sizeNm: kit.needle.sizeNm,
              eyeMm: kit.fit.eyeMm,
              threadMm: kit.fit.threadMm,
              ...(kit.needle.gapMm !== undefined && { gapMm: kit.needle.gapMm }),
            }}
          />
          <EyeFit eyeMm={kit.fit.eyeMm} threadMm={kit.fit.threadMm} className="mx-auto w-28" />
          <figcaption className="text-center text-sm">
            The eye is <strong>{kit.fit.clearance.toFixed(2)}</strong> times the thread: {named(kit.fit.verdict)}
            {kit.fit.dropTest && `, by drop test (${kit.fit.dropTest})`}
          </figcaption>
        </figure>
        <Part
          name="Needle"
          value={needleWords(kit.needle)}
          large
          why={[why('needle-point'), why('needle-size')]}
          claims={claims('needle')}
          cautions={cautions('needle')}
          {...part('needle')}
        />
        <div className="grid gap-x-6 gap-y-4 sm:grid-cols-2">
          <Part
            name="Thread"
            value={threadWords(kit.topThread)}
            {...(use && { note: `${plain(Math.ceil(use.topM))} m` })}
            why={[why('thread')]}
            claims={claims('thread')}
            cautions={cautions('thread')}
            {...part('thread')}
          />
          <Part
            name="Bobbin"
            value={threadWords(kit.bobbinThread)}
            {...(use && {
              note: `wind ${use.bobbins === 1 ? 'one' : use.bobbins}, ${plain(Math.ceil(use.bobbinM))} m (${Math.round(use.capacityM)} m a bobbin)`,
            })}
            why={[why('bobbin')]}
            claims={claims('bobbin')}
            {...part('bobbin')}
          />
          <div>
            <StitchDrawing
              stitch={kit.stitch}
              {...(kit.needle.gapMm !== undefined && { gapMm: kit.needle.gapMm })}
              className="mb-1 w-44"
            />
            <Part
              name="Stitch"
              value={stitchWords(kit.stitch)}
              note={[
                kit.stitch.lengthMark !== undefined && `set its length to ${plain(kit.stitch.lengthMark)}`,
                perInch(kit.stitch.lengthMm),
                lockWords[kit.stitch.lock],
              ]
                .filter(Boolean)
                .join(' · ')}
              why={[why('stitch')]}
              claims={claims('stitch')}
              cautions={cautions('stitch')}
              {...part('stitch')}
            />
          </div>
          <div className="flex flex-col gap-2">
            <Part name="Foot" value={named(kit.foot)} why={[why('foot')]} {...part('foot')} />
            <Part
              name="Foot pressure"
              value={named(kit.footPressure)}
              why={[why('foot-pressure')]}
              {...part('pressure')}
            />
          </div>
        </div>
        <div className="grid items-start gap-6 sm:grid-cols-2">
          <div className="flex items-start gap-4">
            {dial && kit.dial.setting !== undefined && (
              <DialDrawing dial={dial} set={kit.dial.setting} className="w-28 shrink-0" />
            )}
            <Part
              name="Start the dial at"
              value={kit.dial.setting === undefined ? `${plain(kit.dial.offset)} from normal` : plain(kit.dial.setting)}
              large
              why={[why('dial')]}
              claims={claims('tension')}
              {...part('dial')}
            />
          </div>
          <figure>
            <StackDrawing
              thicknessMm={thicknessMm}
              layers={crossing}
              bladeMm={kit.needle.sizeNm / 100}
              className="w-44"
            />
            <figcaption className="text-sm">
              {counted(crossing, 'layer')}, <strong>{plain(thicknessMm * crossing)} mm</strong> at the crossing
              {estimated.includes('thicknessMm') && ', by a guess'}
            </figcaption>
            <Cautions cautions={cautions('stack')} />
          </figure>
        </div>
      </div>
      {kit.extras.length > 0 && <hr className="seam my-4" />}
      {(
        [
          ['In the bag besides', kit.extras.filter((extra) => LAID_OUT_WORDS[extra] !== undefined)],
          ['What to do', kit.extras.filter((extra) => LAID_OUT_WORDS[extra] === undefined)],
        ] as const
      ).map(([title, extras]) => (
        <ExtraList key={title} title={title} extras={extras} because={(extra) => why(extra)?.because} />
      ))}
      <p className="mt-4 text-sm">
        A starting point: a swatch on the project’s own cloth, the machine’s manual and the person at it have the last
        word.
      </p>
    </article>
  )
}
