'use client'

import { useState } from 'react'
import { STITCH_FAULT_WORDS, STITCH_FAULTS, type StitchFault } from '@/core/knowledge/stitch/lockstitch'
import { named, plain } from '@/core/units/words'
import { STITCH_KINDS, type StitchKind } from '@/core/stitch/geometry'
import { sewLine, type StitchSetup } from '@/core/stitch/lockstitch'
import { readSwatch, READING_WORDS } from '@/core/tension/reading'
import { threadDiameterMm } from '@/core/units/thread'
import type { Dial } from '@/core/units/dial'
import { DialDrawing } from '@/ui/drawings/dial'
import { SewnSection } from '@/ui/drawings/sewn-line'
import { DiagramSwitch, SewnPicture } from '@/ui/picture/sewn-picture'
import type { ShownCloth } from '@/core/picture/swatch-scene'
import { Select } from '@/ui/fields/select'
import { SIGNS } from '@/core/knowledge/tension/tension'
import { KIND_WORDS } from './lab-words'
import { Forming } from './forming'

interface Cloth extends ShownCloth {
  readonly name: string
  readonly massGsm: number
  readonly thicknessMm: number
  readonly dense: boolean
}

const THREADS = [18, 27, 40, 60] as const

const diameter = (tex: number) => threadDiameterMm({ tex, fibre: 'polyester', finish: 'spun' })

/** Turn the dial and see at once what happens in the cloth and on both its faces. */
export function Lab({
  dials,
  cloths,
}: {
  dials: readonly { readonly name: string; readonly dial: Dial }[]
  cloths: readonly Cloth[]
}) {
  const [which, setWhich] = useState(0)
  const { dial } = dials[which]!
  const [at, setAt] = useState(dial.normal)
  const [cloth, setCloth] = useState(
    Math.max(
      0,
      cloths.findIndex(({ name }) => name === 'poplin'),
    ),
  )
  const [layers, setLayers] = useState(2)
  const [top, setTop] = useState<number>(27)
  const [bobbin, setBobbin] = useState<number>(27)
  const [spring, setSpring] = useState(1)
  const [kind, setKind] = useState<StitchKind>('straight')
  const [lengthMm, setLengthMm] = useState(2.5)
  const [fault, setFault] = useState<StitchFault>('none')
  const [diagram, setDiagram] = useState(false)

  const { massGsm, thicknessMm, dense } = cloths[cloth]!
  const widthMm = kind === 'zigzag' || kind === 'three-step' ? 4 : 0
  const gapMm = kind === 'twin' ? 3 : undefined
  const setup: StitchSetup = {
    dial,
    at,
    topThreadMm: diameter(top),
    bobbinThreadMm: diameter(bobbin),
    bobbinSpring: spring,
    stackMm: thicknessMm * layers,
    massGsm,
    dense,
    lengthMm,
    widthMm,
    ...(gapMm !== undefined && { gapMm }),
    fault,
  }
  const result = sewLine(setup)
  const target = widthMm > 0 ? 'zigzag' : 'straight'
  const { reading } = readSwatch(result.look, target)
  const stitch = {
    kind,
    lengthMm,
    widthMm,
    ...(gapMm !== undefined && { gapMm }),
    topThreadMm: setup.topThreadMm,
    bobbinThreadMm: setup.bobbinThreadMm,
    stackMm: setup.stackMm,
    needleMm: 0.8,
    lockMm: result.lockMm,
    s: result.s,
    skipped: result.skipped,
  }
  const { byTension, byCrowding } = result.pucker
  const sewn = {
    stitch,
    cloth: cloths[cloth]!,
    pucker: Math.max(byTension, byCrowding),
    frayed: result.look.signs.includes('shredding'),
    nest: result.nest,
    ...(result.ridge > 1 && { flaw: 'ridge' as const }),
    diagram,
    className: 'w-full border border-base-300',
  }
  const signs = result.look.signs.map((sign) => SIGNS[sign].seen).join(' ')
  return (
    <>
      <h1 className="text-3xl font-bold">Swatch lab</h1>
      <p>
        A model to learn from, not a measurement: a real swatch decides. In a diagram the top thread is blue and solid,
        the bobbin’s is rust and striped.
      </p>
      <div className="mt-4 grid grid-cols-1 gap-6 lg:grid-cols-[20rem_1fr] lg:grid-rows-[auto_1fr]">
        <section className="sheet h-fit p-4" aria-label="Dial">
          <DialDrawing dial={dial} set={at} turn={setAt} className="mx-auto w-44" />
          <label className="mt-2 flex flex-col gap-1">
            <span className="flex items-baseline justify-between">
              <span className="font-bold">Dial</span>
              <span className="numeral text-3xl">{plain(at)}</span>
            </span>
            <input
              type="range"
              className="range w-full"
              aria-label="Dial"
              aria-valuetext={`${plain(at)}, normal is ${plain(dial.normal)}`}
              min={dial.min}
              max={dial.max}
              step={dial.step}
              value={at}
              onChange={({ target: { valueAsNumber } }) => setAt(valueAsNumber)}
            />
          </label>
          <button type="button" className="btn btn-outline mt-2 w-full" onClick={() => setAt(dial.normal)}>
            Back to its normal mark, {plain(dial.normal)}
          </button>
        </section>
        <div className="flex flex-col gap-4 max-lg:order-last">
          <Select
            look="small"
            label="What is wrong"
            value={fault}
            options={STITCH_FAULTS.map((each) => [each, STITCH_FAULT_WORDS[each]])}
            set={setFault}
          />
          <Select
            look="small"
            label="Machine"
            value={String(which)}
            options={dials.map(({ name }, index) => [String(index), name])}
            set={(next) => {
              setWhich(Number(next))
              setAt(dials[Number(next)]!.dial.normal)
            }}
          />
          <Select
            look="small"
            label="Cloth"
            value={String(cloth)}
            options={cloths.map(({ name }, index) => [String(index), named(name)])}
            set={(next) => setCloth(Number(next))}
          />
          <div className="grid grid-cols-2 gap-3">
            <Select
              look="small"
              label="Layers"
              value={String(layers)}
              options={[1, 2, 4, 6, 8].map((each) => [String(each), String(each)])}
              set={(next) => setLayers(Number(next))}
            />
            <Select
              look="small"
              label="Stitch"
              value={kind}
              options={STITCH_KINDS.map((each) => [each, KIND_WORDS[each]])}
              set={setKind}
            />
            <Select
              look="small"
              label="Top thread"
              value={String(top)}
              options={THREADS.map((tex) => [String(tex), `${tex} tex`])}
              set={(next) => setTop(Number(next))}
            />
            <Select
              look="small"
              label="Bobbin thread"
              value={String(bobbin)}
              options={THREADS.map((tex) => [String(tex), `${tex} tex`])}
              set={(next) => setBobbin(Number(next))}
            />
            <Select
              look="small"
              label="Length"
              value={String(lengthMm)}
              options={[0.8, 1.5, 2, 2.5, 3, 4].map((each) => [String(each), `${each} mm`])}
              set={(next) => setLengthMm(Number(next))}
            />
            <Select
              look="small"
              label="Bobbin’s spring"
              value={String(spring)}
              options={[
                ['0.6', 'loose'],
                ['1', 'as it should be'],
                ['1.7', 'tight'],
              ]}
              set={(next) => setSpring(Number(next))}
            />
          </div>
        </div>
        <div className="flex min-w-0 flex-col gap-5 lg:col-start-2 lg:row-span-2 lg:row-start-1">
          <section aria-live="polite" aria-label="What it shows" className="sheet p-4">
            <p className="text-2xl font-bold">{READING_WORDS[reading]}</p>
            {signs && <p className="text-lg">{signs}</p>}
            <p className="text-sm">
              Tension above {plain(result.topTension)}, below {plain(result.bobbinTension)} ·{' '}
              {Math.max(byTension, byCrowding) > 1
                ? `gathers because ${byCrowding > byTension ? 'thread crowds the yarns' : 'the threads pull'}`
                : 'lies flat'}
            </p>
          </section>
          <figure>
            <SewnSection stitch={stitch} className="w-full border border-base-300" />
            <figcaption className="text-sm">Cut along the seam, {plain(setup.stackMm)} mm of cloth</figcaption>
          </figure>
          <div className="grid grid-cols-1 gap-4 md:grid-cols-2">
            <figure>
              <SewnPicture {...sewn} face="top" />
              <figcaption className="text-sm">On top</figcaption>
            </figure>
            <figure>
              <SewnPicture {...sewn} face="under" />
              <figcaption className="text-sm">Turned over</figcaption>
            </figure>
          </div>
          <DiagramSwitch on={diagram} set={setDiagram} />
          <Forming />
        </div>
      </div>
    </>
  )
}
