import type { Kit, KitRequest } from '@/core/kit/request'
import { LAID_OUT } from '@/core/knowledge/stitch/extra'
import { PLACE_CAUTIONS } from '@/core/knowledge/care/place-caution'
import { counted, plain } from '@/core/units/words'
import { schoolWords } from '@/core/knowledge/school'
import type { Traits } from '@/core/knowledge/machine/trait'
import { completeFabric } from '@/core/fabric/intake'
import type { ClaimPlace } from '@/core/knowledge/claim'
import type { OverridePart } from '@/core/kit/override'
import type { ThreadUseAnswer } from '@/core/thread-use/thread-use'
import { DialDrawing } from '../drawings/dial'
import { EyeFit, NeedleDrawing } from '../drawings/needle'
import { StackDrawing } from '../drawings/stack'
import { StitchDrawing } from '../drawings/stitch'
import { ClaimCard, claimsBeside } from './claim-card'
import { cautionWords, droppedWords, extraWords, lockWords } from '../kit-words'
import { needleWords, perInch, stitchWords, threadWords } from '../words'

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

type Caution = Kit['cautions'][number]
type CautionPlace = 'needle' | 'thread' | 'stitch' | 'stack'

/** Each caution stands where the hand is. */
const CAUTION_PLACE: Readonly<Record<Caution, CautionPlace>> = {
  glasses: 'needle',
  'staff-only': 'needle',
  'permanent-holes': 'stitch',
  'hand-turn-first': 'stitch',
  'width-limit': 'stitch',
  'slow-crossing': 'stack',
}

/** What comes with a thing that is laid out, said beside it. */
const EXTRA_CAUTIONS: Readonly<Partial<Record<Kit['extras'][number], readonly string[]>>> = {
  'seam-guide': [PLACE_CAUTIONS.magnets],
  stabiliser: [PLACE_CAUTIONS.press, PLACE_CAUTIONS.spray],
  'press-cloth': [PLACE_CAUTIONS.press],
}

interface CautionSaid {
  readonly caution: Caution
  readonly why: Kit['reasons'][number] | undefined
}

function Cautions({ cautions }: { cautions: readonly CautionSaid[] }) {
  if (cautions.length === 0) return null
  return (
    <ul className="mt-1 flex flex-wrap gap-2" aria-label="Take care">
      {cautions.map(({ caution, why }) => (
        <li key={caution}>
          <details className="border-2 border-secondary px-3 py-0.5">
            <summary className="min-h-8 cursor-pointer font-bold text-secondary">{cautionWords[caution]}</summary>
            {why?.because}
          </details>
        </li>
      ))}
    </ul>
  )
}

const SURE = { high: 'sure', medium: 'fairly sure', low: 'a guess: measure the cloth' } as const

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
            The eye is <strong>{kit.fit.clearance.toFixed(2)}</strong> times the thread: {kit.fit.verdict}
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
            <Part name="Foot" value={kit.foot} why={[why('foot')]} {...part('foot')} />
            <Part name="Foot pressure" value={kit.footPressure} why={[why('foot-pressure')]} {...part('pressure')} />
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
          ['In the bag besides', kit.extras.filter((extra) => LAID_OUT[extra] !== undefined)],
          ['What to do', kit.extras.filter((extra) => LAID_OUT[extra] === undefined)],
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

function ExtraList({
  title,
  extras,
  because,
}: {
  title: string
  extras: Kit['extras']
  because: (extra: Kit['extras'][number]) => string | undefined
}) {
  if (extras.length === 0) return null
  return (
    <>
      <p className="mt-2 mb-1 text-sm opacity-80">{title}</p>
      <ul className="grid gap-1 sm:grid-cols-2">
        {extras.map((extra) => (
          <li key={extra}>
            <details>
              <summary className="min-h-8 cursor-pointer font-semibold">{extraWords[extra]}</summary>
              <p className="pl-4">{because(extra)}</p>
            </details>
            {EXTRA_CAUTIONS[extra]?.map((said) => (
              <p key={said} className="text-sm text-secondary">
                {said}
              </p>
            ))}
          </li>
        ))}
      </ul>
    </>
  )
}

function Part({
  name,
  value,
  note,
  large,
  why,
  claims = [],
  cautions = [],
  change,
  chosen,
}: {
  name: string
  value: string
  note?: string
  large?: boolean
  why: readonly (Kit['reasons'][number] | undefined)[]
  claims?: ReturnType<typeof claimsBeside>
  cautions?: readonly CautionSaid[]
  change?: () => void
  chosen?: NonNullable<Kit['overrides']>[number] | undefined
}) {
  const reasons = why.filter((reason) => reason !== undefined)
  return (
    <div>
      <p className="text-sm opacity-80">{name}</p>
      <p className={large ? 'text-2xl font-bold' : 'text-lg font-semibold'}>{value}</p>
      {note && <p className="text-sm">{note}</p>}
      <Cautions cautions={cautions} />
      {chosen && (
        <p className="text-sm text-primary">
          Chosen by hand in place of {chosen.instead}: {chosen.because}
        </p>
      )}
      {chosen?.breaks.map((each) => (
        <p key={each} className="border-l-4 border-warning pl-2 text-sm text-warning">
          {each}
        </p>
      ))}
      <div className="flex flex-wrap items-start gap-x-4">
        <details>
          <summary
            className="inline-flex min-h-8 cursor-pointer items-center text-sm underline"
            aria-label={`Why this ${name.toLowerCase()}`}
          >
            why
          </summary>
          {reasons.map((reason) => (
            <div key={reason.part} data-reason={reason.part} className="max-w-prose pb-1 text-sm">
              <p>
                {reason.because} {reason.school && <em>{schoolWords(reason.school)}</em>}
              </p>
              {reason.confidence && (
                <p className="opacity-80">
                  {reason.source}, {SURE[reason.confidence]} · <span className="font-mono">{reason.rule}</span>
                </p>
              )}
            </div>
          ))}
          {claims.map((claim) => (
            <ClaimCard key={claim.id} claim={claim} />
          ))}
        </details>
        {change && (
          <button
            type="button"
            className="inline-flex min-h-8 cursor-pointer items-center text-sm underline print:hidden"
            aria-label={`Choose another ${name.toLowerCase()}`}
            onClick={change}
          >
            change
          </button>
        )}
      </div>
    </div>
  )
}
