'use client'

import { Camera } from 'lucide-react'
import { useRef, useState } from 'react'
import type { PhotographRead } from '@/core/camera/read-photograph'
import { TOP_LOOKS, UNDER_LOOKS } from '@/core/knowledge/tension/tension'
import { counted, plain } from '@/core/units/words'
import { LOOK_WORDS } from '@/ui/drawings/swatch-face'
import { readInBrowser } from '@/ui/picture/photograph'
import type { PhotographAnswer } from '@/ui/picture/photograph.worker'
import { useTestThreads } from '@/ui/picture/test-threads'
import type { CameraSeen } from './look-at-swatch'

const FACES = ['top', 'under'] as const
type Face = (typeof FACES)[number]
const FACE_WORDS: Readonly<Record<Face, string>> = { top: 'the top', under: 'the underside' }

/** What was read as the pictures have it, or undefined where this face cannot look so. */
function seenOf({ face, look, score, scoreSpread, skipped }: PhotographRead): CameraSeen | undefined {
  const rest = { score, spread: scoreSpread, skipped: skipped > 0 }
  if (face === 'top') {
    const known = TOP_LOOKS.find((each) => each === look)
    return known && { face, look: known, ...rest }
  }
  // Underneath a line of the top thread is loops that lie flat.
  const known = look === 'line' ? 'loops' : UNDER_LOOKS.find((each) => each === look)
  return known && { face, look: known, ...rest }
}

const lookWords = (seen: CameraSeen): string =>
  seen.face === 'top' ? LOOK_WORDS.top[seen.look] : LOOK_WORDS.under[seen.look]

/** A photograph of each face, read on this device: what it shows is taken over, drawn on the photograph, and can be corrected below. */
export function Photograph({ take }: { take: (seen: CameraSeen) => void }) {
  const venue = useTestThreads()
  const [threads, setThreads] = useState(venue)
  const [reading, setReading] = useState<Face>()
  const [answer, setAnswer] = useState<{ readonly of: Face; readonly said: PhotographAnswer }>()
  const last = useRef<{ readonly face: Face; readonly photograph: Blob }>(undefined)
  const read = async (face: Face, photograph: Blob, colours = threads) => {
    last.current = { face, photograph }
    setReading(face)
    const said = await readInBrowser({ photograph, asked: { ...colours, face } })
    setReading(undefined)
    setAnswer({ of: face, said })
    const seen = 'told' in said && said.told.read ? seenOf(said.told) : undefined
    if (seen) take(seen)
  }
  const otherColours = (colours: typeof threads) => {
    setThreads(colours)
    if (last.current) void read(last.current.face, last.current.photograph, colours)
  }
  return (
    <fieldset className="rounded border border-dashed border-base-content/40 p-3">
      <legend className="px-1 font-bold">Or let a photograph say</legend>
      <div className="flex flex-wrap gap-2">
        {FACES.map((face) => (
          <label
            key={face}
            className="btn btn-outline has-focus-visible:outline-3"
            onDragOver={(event) => event.preventDefault()}
            onDrop={(event) => {
              event.preventDefault()
              const [dropped] = event.dataTransfer.files
              if (dropped) void read(face, dropped)
            }}
          >
            <Camera aria-hidden="true" className="size-5" />
            Photograph {FACE_WORDS[face]}
            <input
              type="file"
              accept="image/*"
              className="sr-only"
              onChange={({ target }) => {
                const [chosen] = target.files ?? []
                if (chosen) void read(face, chosen)
                target.value = ''
              }}
            />
          </label>
        ))}
      </div>
      <p className="mt-2 text-sm">
        Straight from above, four centimetres of seam or more, the swatch’s tag beside it. The photograph stays on this
        device and is gone when you leave the page.
      </p>
      <div aria-live="polite" className="mt-2">
        {reading && <p>Reading {FACE_WORDS[reading]} …</p>}
        {!reading && answer && <Said {...answer} />}
      </div>
      <details className="mt-1 text-sm">
        <summary className="cursor-pointer py-2">The threads of this swatch are other colours</summary>
        <div className="flex flex-wrap gap-4">
          <Colour label="Top thread" value={threads.top} set={(top) => otherColours({ ...threads, top })} />
          <Colour label="Bobbin thread" value={threads.bobbin} set={(bobbin) => otherColours({ ...threads, bobbin })} />
        </div>
      </details>
    </fieldset>
  )
}

function Colour({ label, value, set }: { label: string; value: string; set: (value: string) => void }) {
  return (
    <label className="flex min-h-11 items-center gap-2">
      <input
        type="color"
        className="h-10 w-14"
        defaultValue={value}
        onBlur={({ target }) => target.value !== value && set(target.value)}
      />
      {label}
    </label>
  )
}

function Said({ of, said }: { of: Face; said: PhotographAnswer }) {
  if ('wrong' in said) return <p className="border-l-4 border-warning py-1 pl-3">{said.wrong}.</p>
  const { told, shown, times, from } = said
  const seen = told.read ? seenOf(told) : undefined
  return (
    <div className="flex flex-col gap-2">
      <Overlay told={told.read ? told : undefined} shown={shown} times={times} from={from} />
      {told.read && seen ? (
        <>
          <p className="text-lg">
            On {FACE_WORDS[of]}: <strong>{lookWords(seen)}</strong>
            {told.score !== null && told.look !== 'own' && `, score ${plain(told.score)} ± ${plain(told.scoreSpread)}`}.
          </p>
          <p className="text-sm">
            {counted(told.stitches, 'stitch', 'stitches')}
            {told.lengthMm && `, ${plain(told.lengthMm.median)} mm long`}
            {told.widthMm !== undefined && `, ${plain(told.widthMm)} mm wide`}
            {told.skipped > 0 ? `, ${told.skipped} skipped` : ', none skipped'}. {told.because && `${told.because}. `}
            Not so? Choose the picture that is right: what the camera saw is kept beside it.
          </p>
        </>
      ) : (
        <p className="border-l-4 border-warning py-1 pl-3 text-lg">
          {told.read ? 'This cannot be told from the photograph' : told.because}. Choose the pictures below, or
          photograph it again.
        </p>
      )}
    </div>
  )
}

/** The photograph with what was seen on it: the seam, and each hole. */
function Overlay({
  told,
  shown,
  times,
  from,
}: {
  told: PhotographRead | undefined
  shown: ImageBitmap
  times: number
  from: { readonly x: number; readonly y: number }
}) {
  const on = ({ x, y }: { x: number; y: number }) => ({ x: (x - from.x) / times, y: (y - from.y) / times })
  const draw = (canvas: HTMLCanvasElement | null) => {
    if (!canvas) return
    canvas.width = shown.width
    canvas.height = shown.height
    canvas.getContext('2d')!.drawImage(shown, 0, 0)
  }
  return (
    <div className="relative max-w-2xl" style={{ aspectRatio: `${shown.width} / ${shown.height}` }}>
      <canvas ref={draw} className="absolute inset-0 size-full" aria-hidden="true" />
      <svg
        viewBox={`0 0 ${shown.width} ${shown.height}`}
        className="absolute inset-0 size-full"
        role="img"
        aria-label={told ? `The photograph, with ${told.seen.holes.length} holes found on it` : 'The photograph'}
      >
        {told && (
          <>
            <path
              d={told.seen.line
                .map(on)
                .map(({ x, y }, index) => `${index === 0 ? 'M' : 'L'}${x} ${y}`)
                .join(' ')}
              fill="none"
              stroke="#fff"
              strokeOpacity="0.6"
              strokeWidth={shown.width / 900}
            />
            {told.seen.holes.map(on).map(({ x, y }, index) => (
              <circle
                key={index}
                cx={x}
                cy={y}
                r={shown.width / 160}
                fill="none"
                stroke="#fff"
                strokeWidth={shown.width / 700}
              />
            ))}
          </>
        )}
      </svg>
    </div>
  )
}
