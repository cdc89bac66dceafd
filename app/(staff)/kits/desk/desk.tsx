'use client'

import Link from 'next/link'
import { useState } from 'react'
import { POINTS, type Point } from '@/core/knowledge/needle/needle'
import { plain } from '@/core/units/words'
import { needleFit, type DropResult, type DropTest, type NeedleFit } from '@/core/kit/needle-fit'
import { NeedleSizeError, sizeText } from '@/core/units/needle-size'
import { parseNeedleSize } from '@/core/kit/read-needle'
import {
  BONDED_TEX,
  FIBRES,
  FINISHES,
  NotationError,
  parseThreadNotation,
  threadDiameterMm,
  usualFinish,
  type Fibre,
  type Finish,
  type Thread,
} from '@/core/units/thread'
import { EyeFit } from '@/ui/drawings/needle'
import { FaultNote } from '@/ui/parts/fault-note'
import { useWrite } from '@/ui/parts/use-write'

interface Props {
  /** newest first */
  readonly tests: readonly { readonly dropTestId: string; readonly test: DropTest; readonly by: string }[]
  readonly mayLog: boolean
}

const DROP_WORDS: Readonly<Record<DropResult, string>> = {
  slides: 'slides straight down',
  spirals: 'comes down slowly, turning',
  stays: 'stays where it is',
}

/** Any thread in any numbers, and whether it passes a needle: by the formula, and by a drop test that beats it. */
export function Desk({ tests, mayLog }: Props) {
  const [notation, setNotation] = useState('tkt 120')
  const [fibre, setFibre] = useState<Fibre | ''>('')
  const [finish, setFinish] = useState<Finish | ''>('')
  const [strands, setStrands] = useState<1 | 2>(1)
  const [size, setSize] = useState('80/12')
  const [point, setPoint] = useState<Point>('universal')

  const count = read(NotationError, () => parseThreadNotation(notation))
  const needle = read(NeedleSizeError, () => parseNeedleSize(size))
  const thread: Thread | undefined = count.value && {
    tex: count.value.tex,
    fibre: fibre || (count.value.fibre ?? 'polyester'),
    finish: finish || (!fibre && count.value.finish) || usualFinish(fibre || (count.value.fibre ?? 'polyester')),
    strands,
  }
  return (
    <>
      <p>
        <Link className="link" href="/kits">
          Kits
        </Link>
      </p>
      <h1 className="text-3xl font-bold">Thread and needle desk</h1>
      <div className="mt-4 grid items-start gap-6 lg:grid-cols-2">
        <section aria-labelledby="thread" className="sheet p-5">
          <h2 id="thread" className="text-xl font-bold">
            A thread, in any numbers
          </h2>
          <div className="mt-3 flex flex-wrap gap-3">
            <label className="flex flex-col gap-1">
              <span className="text-sm font-bold">What the spool says</span>
              <input
                className="input input-lg w-44 font-mono"
                value={notation}
                maxLength={60}
                onChange={({ target }) => setNotation(target.value)}
              />
            </label>
            <Select
              name="Fibre"
              value={fibre}
              none={count.value?.fibre ?? 'polyester, if not said'}
              words={FIBRES}
              set={setFibre}
            />
            <Select
              name="Finish"
              value={finish}
              none={thread ? `${usualFinish(thread.fibre)}, usual` : 'usual'}
              words={FINISHES}
              set={setFinish}
            />
            <label className="flex min-h-11 items-center gap-2 self-end">
              <input
                type="checkbox"
                className="checkbox"
                checked={strands === 2}
                onChange={() => setStrands(strands === 1 ? 2 : 1)}
              />
              two in one eye
            </label>
          </div>
          {count.fault && (
            <p role="alert" className="mt-3 border-l-4 border-warning pl-3 text-warning">
              {count.fault}
            </p>
          )}
          {readingsOf(notation, count.fault).map((each) => (
            <button
              key={each}
              type="button"
              className="btn btn-outline btn-sm mr-2 mt-2"
              onClick={() => setNotation(each)}
            >
              {each}
            </button>
          ))}
          {thread && <Numbers thread={thread} />}
        </section>
        <section aria-labelledby="pass" className="sheet p-5">
          <h2 id="pass" className="text-xl font-bold">
            Will it pass this needle?
          </h2>
          <div className="mt-3 flex flex-wrap gap-3">
            <label className="flex flex-col gap-1">
              <span className="text-sm font-bold">Needle size</span>
              <input
                className="input input-lg w-28 font-mono"
                value={size}
                maxLength={20}
                onChange={({ target }) => setSize(target.value)}
              />
            </label>
            <label className="flex flex-col gap-1">
              <span className="text-sm font-bold">Point</span>
              <select
                className="select select-lg"
                value={point}
                onChange={({ target }) => setPoint(target.value as Point)}
              >
                {(Object.keys(POINTS) as Point[]).map((each) => (
                  <option key={each} value={each}>
                    {POINTS[each].words}
                  </option>
                ))}
              </select>
            </label>
          </div>
          {needle.fault && (
            <p role="alert" className="mt-3 border-l-4 border-warning pl-3 text-warning">
              {needle.fault}
            </p>
          )}
          {needle.value?.note && <p className="mt-2 text-sm">{needle.value.note}</p>}
          {thread && needle.value && (
            <Pass
              thread={thread}
              point={point}
              sizeNm={needle.value.sizeNm}
              tests={tests.map(({ test }) => test)}
              mayLog={mayLog}
            />
          )}
        </section>
        <section aria-labelledby="tested" className="sheet p-5">
          <h2 id="tested" className="text-xl font-bold">
            Drop tests of this room
          </h2>
          {tests.length === 0 && (
            <p className="mt-2">None yet. Hang a needle on its own thread, and say what it did.</p>
          )}
          <ul className="mt-2 max-h-72 overflow-y-auto" tabIndex={0} aria-label="Drop tests, newest first">
            {tests.map(({ dropTestId, test, by }) => (
              <li key={dropTestId} className="border-t border-dashed border-base-content/40 py-2">
                <strong>
                  {POINTS[test.point].words} {sizeText(test.sizeNm)}
                </strong>{' '}
                on {plain(test.thread.tex)} tex {test.thread.fibre}: {DROP_WORDS[test.result]}
                <span className="block text-sm opacity-80">{by}</span>
              </li>
            ))}
          </ul>
        </section>
        <section aria-labelledby="never" className="sheet p-5">
          <h2 id="never" className="text-xl font-bold">
            Before it goes on a machine
          </h2>
          <ul className="mt-2 list-disc space-y-1 pl-5">
            <li>
              <strong>Never in any machine:</strong> glazed hand-quilting, waxed hand and carpet thread.
            </li>
            <li>
              <strong>With staff:</strong> bonded, monofilament and metallic thread, buttonhole twist; elastic only
              wound by hand, on the bobbin.
            </li>
            <li>
              <strong>Old, sun-bleached, bargain or inherited?</strong> Pull a length by hand: if it snaps easily it
              fails; if it is hairy it sheds lint. Cotton ages faster, and turns brittle.
            </li>
            <li>Keep spools for hand sewing apart from machine spools.</li>
          </ul>
        </section>
      </div>
    </>
  )
}

/** A reading, or the sentence that says why there is none. */
function read<Value>(
  Kind: typeof NotationError | typeof NeedleSizeError,
  work: () => Value,
): { readonly value?: Value; readonly fault?: string } {
  try {
    return { value: work() }
  } catch (error) {
    if (error instanceof Kind) return { fault: error.message }
    throw error
  }
}

/** What an ambiguous notation can mean, to choose from. */
const readingsOf = (notation: string, fault: string | undefined): string[] =>
  fault?.includes('can be read as')
    ? [...fault.slice(notation.length + 2).matchAll(/"([^"]+)"/g)]
        .map(([, reading]) => reading!)
        .filter((each) => !read(NotationError, () => parseThreadNotation(each)).fault)
    : []

function Numbers({ thread }: { thread: Thread }) {
  const { tex } = thread
  const bonded = Object.entries(BONDED_TEX).sort((a, b) => Math.abs(a[1] - tex) - Math.abs(b[1] - tex))[0]!
  const diameter = threadDiameterMm(thread)
  const rows: [string, string][] = [
    ['tex', plain(tex)],
    ['dtex', plain(tex * 10)],
    ['denier', plain(tex * 9)],
    ['weight (wt)', plain(1000 / tex)],
    ['metric ticket (tkt)', plain(3000 / tex)],
    ['Ne, two plies', `${plain((590.5 * 2) / tex)}/2`],
    ['Nm, two plies', `${plain(2000 / tex)}/2`],
    ['nearest bonded size', `V${bonded[0]} (${bonded[1]} tex)`],
  ]
  return (
    <>
      <dl className="mt-4 grid grid-cols-2 gap-x-6 gap-y-1 sm:grid-cols-4">
        {rows.map(([name, value]) => (
          <div key={name}>
            <dt className="text-sm opacity-80">{name}</dt>
            <dd className="text-lg font-semibold">{value}</dd>
          </div>
        ))}
      </dl>
      <div className="mt-3 flex items-center gap-4">
        <svg
          viewBox="0 0 120 24"
          className="w-48"
          role="img"
          aria-label={`A thread ${diameter.toFixed(2)} mm thick, drawn forty times as thick as it is`}
        >
          <path
            d="M2 12 C30 4 60 20 118 10"
            fill="none"
            stroke="currentColor"
            className="text-secondary"
            strokeWidth={Math.min(diameter * 20, 20)}
            strokeLinecap="round"
          />
        </svg>
        <p>
          <strong className="text-xl">{diameter.toFixed(3)} mm</strong> thick. All of these are nominal: makers vary.
        </p>
      </div>
      <p className="mt-2 text-sm">
        A higher weight or ticket is a <strong>finer</strong> thread. A higher needle number is a{' '}
        <strong>thicker</strong> needle. Only tex grows with the thread.
      </p>
    </>
  )
}

const FIT_WORDS: Readonly<Record<NeedleFit['verdict'], string>> = {
  good: 'It passes.',
  tight: 'Tight: a drop test decides.',
  shreds: 'It shreds: take a larger needle or a finer thread.',
  loose: 'It passes with room to spare; a note, not a fault.',
}

function Pass({
  thread,
  point,
  sizeNm,
  tests,
  mayLog,
}: {
  thread: Thread
  point: Point
  sizeNm: number
  tests: readonly DropTest[]
  mayLog: boolean
}) {
  const { busy, fault, write } = useWrite()
  const fitOf = (size: number) => needleFit({ point, sizeNm: size }, thread, { points: POINTS, dropTests: tests })
  const fit = fitOf(sizeNm)
  const sold = POINTS[point].sizesNm.includes(sizeNm)
  return (
    <div className="mt-3 flex flex-col gap-3">
      <div className="flex flex-wrap items-center gap-4">
        <EyeFit eyeMm={fit.eyeMm} threadMm={fit.threadMm} className="w-36" />
        <p className="text-lg" role="status">
          <strong>{FIT_WORDS[fit.verdict]}</strong>
          <span className="block text-base">
            Eye {fit.eyeMm.toFixed(2)} mm, thread {fit.threadMm.toFixed(2)} mm: {fit.clearance.toFixed(2)} times
          </span>
          {fit.dropTest && (
            <span className="block text-base">
              Decided by a drop test with {sizeText(fit.dropTest.sizeNm)}, which beats the formula.
            </span>
          )}
          {!sold && (
            <span className="block text-base text-warning">
              {POINTS[point].words} is not sold in {sizeText(sizeNm)}.
            </span>
          )}
        </p>
      </div>
      <p className="text-sm opacity-80">{POINTS[point].words} in every size sold</p>
      <ul className="flex flex-wrap gap-x-3 gap-y-1">
        {POINTS[point].sizesNm.map((size) => (
          <li key={size} className="text-center">
            <span className={size === sizeNm ? 'font-bold underline' : ''}>{sizeText(size)}</span>
            <span className="block text-sm">{fitOf(size).verdict}</span>
          </li>
        ))}
      </ul>
      {mayLog && sold && (
        <fieldset className="border-t border-dashed border-base-content/40 pt-3">
          <legend className="font-bold">Drop test</legend>
          <p className="text-sm">
            Hold the thread taut and upright with the needle hanging on it. What does the needle do? Your answer counts
            from now on.
          </p>
          <div className="mt-2 flex flex-wrap gap-2">
            {(Object.keys(DROP_WORDS) as DropResult[]).map((result) => (
              <button
                key={result}
                type="button"
                className="btn btn-outline"
                disabled={busy}
                onClick={() =>
                  void write(
                    'log-drop-test',
                    { point, sizeNm, thread, result },
                    { done: `Drop test: it ${DROP_WORDS[result]}` },
                  )
                }
              >
                {DROP_WORDS[result]}
              </button>
            ))}
          </div>
          <FaultNote fault={fault} />
        </fieldset>
      )}
    </div>
  )
}

function Select<Word extends string>({
  name,
  value,
  none,
  words,
  set,
}: {
  name: string
  value: Word | ''
  none: string
  words: readonly Word[]
  set: (value: Word | '') => void
}) {
  return (
    <label className="flex flex-col gap-1">
      <span className="text-sm font-bold">{name}</span>
      <select className="select select-lg" value={value} onChange={({ target }) => set(target.value as Word | '')}>
        <option value="">{none}</option>
        {words.map((word) => (
          <option key={word}>{word}</option>
        ))}
      </select>
    </label>
  )
}
