'use client'

import { Link } from '@/ui/parts/link'
import { useState } from 'react'
import { POINTS, type Point } from '@/core/knowledge/needle/needle'
import { named, plain } from '@/core/units/words'
import type { DropTest } from '@/core/kit/needle-fit'
import { NeedleSizeError, sizeText } from '@/core/units/needle-size'
import { parseNeedleSize } from '@/core/kit/read-needle'
import {
  FIBRES,
  FINISHES,
  NotationError,
  parseThreadNotation,
  usualFinish,
  type Fibre,
  type Finish,
  type Thread,
} from '@/core/units/thread'
import { Tick } from '@/ui/fields/choice'
import { Select } from '@/ui/fields/select'
import { Text } from '@/ui/fields/text'
import { Pass, DROP_WORDS } from './needle-pass'
import { Numbers } from './thread-numbers'

interface Props {
  /** newest first */
  readonly tests: readonly { readonly dropTestId: string; readonly test: DropTest; readonly by: string }[]
  readonly mayLog: boolean
}

/** Any thread in any numbers, and whether it passes a needle: by the formula, and by a drop test that beats it. */
export function Desk({ tests, mayLog }: Props) {
  const [notation, setNotation] = useState('tkt 120')
  const [fibre, setFibre] = useState<Fibre | ''>('')
  const [finish, setFinish] = useState<Finish | ''>('')
  const [strands, setStrands] = useState<1 | 2>(1)
  const [size, setSize] = useState('80/12')
  const [point, setPoint] = useState<Point>('universal')

  const count = read(() => parseThreadNotation(notation))
  const needle = read(() => parseNeedleSize(size))
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
            <div className="w-44">
              <Text large mono look="small" label="What the spool says" most={60} value={notation} set={setNotation} />
            </div>
            <Select
              large
              look="small"
              label="Fibre"
              options={[
                ['', count.value?.fibre ? named(count.value.fibre) : 'polyester, if not said'],
                ...FIBRES.map((each) => [each, named(each)] as const),
              ]}
              value={fibre}
              set={setFibre}
            />
            <Select
              large
              look="small"
              label="Finish"
              options={[
                ['', thread ? `${named(usualFinish(thread.fibre))}, usual` : named('usual')],
                ...FINISHES.map((each) => [each, named(each)] as const),
              ]}
              value={finish}
              set={setFinish}
            />
            <div className="self-end">
              <Tick label="two in one eye" value={strands === 2} set={(two) => setStrands(two ? 2 : 1)} />
            </div>
          </div>
          {count.fault && (
            <p role="alert" className="mt-3 border-l-4 border-warning pl-3 text-warning">
              {count.fault}
            </p>
          )}
          {(count.readings ?? []).map((each) => (
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
            <div className="w-28">
              <Text large mono look="small" label="Needle size" most={20} value={size} set={setSize} />
            </div>
            <Select
              large
              look="small"
              label="Point"
              options={(Object.keys(POINTS) as Point[]).map((each) => [each, POINTS[each].words])}
              value={point}
              set={setPoint}
            />
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
                on {plain(test.thread.tex)} tex {named(test.thread.fibre)}: {DROP_WORDS[test.result]}
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

/** A reading, or the sentence that says why there is none, with what else could be meant. */
function read<Value>(work: () => Value): {
  readonly value?: Value
  readonly fault?: string
  readonly readings?: readonly string[]
} {
  try {
    return { value: work() }
  } catch (error) {
    if (error instanceof NotationError) return { fault: error.message, readings: error.readings }
    if (error instanceof NeedleSizeError) return { fault: error.message }
    throw error
  }
}
