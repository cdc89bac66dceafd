import type { Kit, KitRequest } from '@/core/kit/request'
import { plain } from '@/core/knowledge/rule'
import type { Traits } from '@/core/machine/trait'
import { completeFabric } from '@/core/fabric/intake'
import { DialDrawing } from '../drawings/dial'
import { EyeFit, NeedleDrawing } from '../drawings/needle'
import { StackDrawing } from '../drawings/stack'
import { needleWords, perInch, stitchWords, threadWords } from '../words'

const EXTRA_WORDS: Readonly<Record<Kit['extras'][number], string>> = {
  'tape-plate-hole': 'tape beside the needle hole',
  'straight-stitch-plate': 'straight-stitch plate',
  'fine-pins-in-allowance': 'fine pins, in the allowance',
  'clips-not-pins': 'clips, no pins',
  'scrap-leader': 'a scrap to start on',
  'hold-tails': 'hold both tails',
  stabiliser: 'stabiliser',
  'seam-guide': 'seam guide',
  'second-spool': 'a second spool',
  'cone-stand': 'cone stand',
}
const CAUTION_WORDS: Readonly<Record<Kit['cautions'][number], string>> = {
  glasses: 'Glasses on',
  'permanent-holes': 'Every hole stays',
  'staff-only': 'With staff beside you',
  'slow-crossing': 'Slow over the crossing',
  'hand-turn-first': 'Turn by hand first',
  'width-limit': 'No zigzag',
}
const LOCK_WORDS = { reverse: 'three back at each end', 'tie-off': 'tie the ends off', none: 'leave the ends open' }

interface Props {
  readonly kit: Kit
  readonly traits: Traits
  readonly fabric: KitRequest['fabric']
  readonly layers: KitRequest['layers']
}

/** The kit as a drawn card: every part with its reason behind it. */
export function KitCard({ kit, traits, fabric, layers }: Props) {
  const { thicknessMm } = completeFabric(fabric)
  const crossing = Math.max(layers.seam, layers.crossing)
  const why = (part: string) => kit.reasons.find((reason) => reason.part === part)
  const dial = traits.tensionDial as Parameters<typeof DialDrawing>[0]['dial'] | undefined
  return (
    <article className="sheet p-5" aria-label="Kit">
      {kit.cautions.length > 0 && (
        <ul className="mb-4 flex flex-wrap gap-2" aria-label="Take care">
          {kit.cautions.map((caution) => (
            <li key={caution}>
              <details className="border-2 border-secondary px-3 py-1">
                <summary className="min-h-8 cursor-pointer font-bold text-secondary">{CAUTION_WORDS[caution]}</summary>
                {why(caution)?.because}
              </details>
            </li>
          ))}
        </ul>
      )}
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
          </figcaption>
        </figure>
        <Part name="Needle" value={needleWords(kit.needle)} large why={[why('needle-point'), why('needle-size')]} />
        <div className="grid gap-x-6 gap-y-4 sm:grid-cols-2">
          <Part name="Thread" value={threadWords(kit.topThread)} why={[why('thread')]} />
          <Part name="Bobbin" value={threadWords(kit.bobbinThread)} why={[why('bobbin')]} />
          <Part
            name="Stitch"
            value={stitchWords(kit.stitch)}
            note={`${perInch(kit.stitch.lengthMm)} · ${LOCK_WORDS[kit.stitch.lock]}`}
            why={[why('stitch')]}
          />
          <Part
            name="Foot"
            value={`${kit.foot}, pressure ${kit.footPressure}`}
            why={[why('foot'), why('foot-pressure')]}
          />
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
              {crossing} layers, <strong>{plain(thicknessMm * crossing)} mm</strong> at the crossing
            </figcaption>
          </figure>
        </div>
      </div>
      {kit.extras.length > 0 && (
        <>
          <hr className="seam my-4" />
          <p className="mb-1 text-sm opacity-80">In the bag besides</p>
          <ul className="grid gap-1 sm:grid-cols-2">
            {kit.extras.map((extra) => (
              <li key={extra}>
                <details>
                  <summary className="min-h-8 cursor-pointer font-semibold">{EXTRA_WORDS[extra]}</summary>
                  <p className="pl-4">{why(extra)?.because}</p>
                </details>
              </li>
            ))}
          </ul>
        </>
      )}
      <p className="mt-4 text-sm">
        A starting point: a swatch on the project’s own cloth, the machine’s manual and the person at it have the last
        word.
      </p>
    </article>
  )
}

function Part({
  name,
  value,
  note,
  large,
  why,
}: {
  name: string
  value: string
  note?: string
  large?: boolean
  why: readonly (Kit['reasons'][number] | undefined)[]
}) {
  const reasons = why.filter((reason) => reason !== undefined)
  return (
    <div>
      <p className="text-sm opacity-80">{name}</p>
      <p className={large ? 'text-2xl font-bold' : 'text-lg font-semibold'}>{value}</p>
      {note && <p className="text-sm">{note}</p>}
      <details>
        <summary
          className="inline-flex min-h-8 cursor-pointer items-center text-sm underline"
          aria-label={`Why this ${name.toLowerCase()}`}
        >
          why
        </summary>
        {reasons.map((reason) => (
          <p key={reason.part} data-reason={reason.part} className="max-w-prose text-sm">
            {reason.because} {reason.school && <em>School: {reason.school}.</em>}
          </p>
        ))}
      </details>
    </div>
  )
}
