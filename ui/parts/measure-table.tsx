'use client'

import { useState } from 'react'
import { readDeviceLine } from '@/core/fabric/device-line'
import { FABRIC_NUMBERS, measureFabric } from '@/core/fabric/intake'
import { NAMED_FABRICS } from '@/core/knowledge/cloth/named-fabric'
import { metricFrom, shownIn, unitOf, type Quantity, type Units } from '@/core/units/measure'
import { named, plain } from '@/core/units/words'
import { ask } from '../ask'
import { Select } from '../fields/select'
import type { FabricFacts } from './fabric-facts'
import { useUnits } from './units'

type Fabric = FabricFacts['fabric']
/** As they were typed, in the venue's units. */
type Readings = Readonly<Record<'width' | 'height' | 'weight' | 'layers' | 'stack' | 'from' | 'to', string>>

const emptyIn = ({ length }: Units): Readings => {
  const side = length === 'metric' ? '10' : '4'
  return { width: side, height: side, weight: '', layers: '4', stack: '', from: side, to: '' }
}
const amount = (text: string): number | undefined => {
  const value = Number(text.replace(',', '.'))
  return text.trim() !== '' && Number.isFinite(value) && value > 0 ? value : undefined
}

/** What the scale, the gauge and the ruler say, turned into mass, thickness and stretch while it is typed. */
export function MeasureTable({
  fabric,
  measured,
  practice,
}: {
  fabric: Fabric
  measured: (part: Partial<Fabric>) => void
  /** whether this venue is for practice and has a stand-in scale and gauge */
  practice: boolean
}) {
  const units = useUnits()
  const [readings, setReadings] = useState(() => emptyIn(units))
  const [sample, setSample] = useState(NAMED_FABRICS[0]!.name)
  const [said, setSaid] = useState('')

  const type = (change: Partial<Readings>, practised = false) => {
    const next = { ...readings, ...change }
    setReadings(next)
    const found = whatItSays(fabric, next, units)
    if (!found) return
    // What a stand-in says was never measured: it stays a guess.
    const numbers = FABRIC_NUMBERS.filter((field) => found[field] !== undefined)
    measured(practised ? { ...found, guessed: [...new Set([...(fabric.guessed ?? []), ...numbers])] } : found)
  }

  const askDevice = async (device: 'scale' | 'gauge') => {
    const side = (text: string) => metricFrom('piece', amount(text) ?? 10, units)
    const area = side(readings.width) * side(readings.height)
    const query = {
      name: sample,
      areaCm2: String(area),
      layers: String(Math.round(amount(readings.layers) ?? 1)),
      chance: String(Math.random()),
    }
    try {
      const asked = await ask('read-device', { at: { device }, query })
      const { line } = asked.ok ? asked.answer : { line: '' }
      const reading = readDeviceLine(line)
      if (!reading?.settled) throw new Error(line)
      setSaid(`${line} (practice: kept as a guess)`)
      const shown = (of: 'weight' | 'thickness') => plain(shownIn(of, reading.value, units))
      type(device === 'scale' ? { weight: shown('weight') } : { stack: shown('thickness') }, true)
    } catch {
      setSaid(`The ${device} gave no reading; type what you see on it.`)
    }
  }

  const field = (name: keyof Readings, label: string) => (
    <label className="flex flex-col">
      <span className="text-sm">{label}</span>
      <input
        className="input w-20"
        inputMode="decimal"
        value={readings[name]}
        onChange={({ target }) => type({ [name]: target.value })}
      />
    </label>
  )
  return (
    <details className="sheet px-4 py-2">
      <summary className="min-h-11 cursor-pointer py-2 font-bold">Measure it at the table</summary>
      <div className="flex flex-col gap-3 pb-3">
        <fieldset className="flex flex-wrap items-end gap-2">
          <legend className="text-sm font-bold">Weigh a cut piece</legend>
          {field('width', `wide, ${unitOf('piece', units)}`)}
          {field('height', `high, ${unitOf('piece', units)}`)}
          {field('weight', named(units.mass))}
        </fieldset>
        <fieldset className="flex flex-wrap items-end gap-2">
          <legend className="text-sm font-bold">Measure a stack</legend>
          {field('layers', named('layers'))}
          {field('stack', `${unitOf('thickness', units)} in all`)}
        </fieldset>
        <fieldset className="flex flex-wrap items-end gap-2">
          <legend className="text-sm font-bold">Mark, pull to its comfortable limit, read</legend>
          {field('from', `from, ${unitOf('piece', units)}`)}
          {field('to', `to, ${unitOf('piece', units)}`)}
        </fieldset>
        {practice && (
          <fieldset className="flex flex-col gap-2 border-t border-dashed border-base-content/40 pt-2">
            <legend className="sr-only">Practice scale and gauge</legend>
            <p className="text-sm">Practice only: what this stand-in says is kept as a guess.</p>
            <Select
              look="small"
              label="A cloth of the sample tray"
              options={NAMED_FABRICS.map((cloth) => [cloth.name, named(cloth.name)])}
              value={sample}
              set={setSample}
            />
            <div className="flex flex-wrap gap-2">
              <button type="button" className="btn btn-outline btn-sm" onClick={() => void askDevice('scale')}>
                Read the scale
              </button>
              <button type="button" className="btn btn-outline btn-sm" onClick={() => void askDevice('gauge')}>
                Read the gauge
              </button>
            </div>
            <p className="min-h-5 font-mono text-sm" aria-live="polite">
              {said}
            </p>
          </fieldset>
        )}
        <ul className="list-disc pl-5 text-sm opacity-90">
          <li>Loops on the face, and a cut edge that runs when it is pulled: a knit.</li>
          <li>Gives across but not along: a knit. Gives only on the slant: a woven.</li>
          <li>A woven that gives over 10 % and comes back, or a knit that gives over half: elastane is likely.</li>
        </ul>
      </div>
    </details>
  )
}

/** Only what was read is told; everything else about the cloth stays as it was. */
function whatItSays(fabric: Fabric, readings: Readings, units: Units): Partial<Fabric> | undefined {
  const metric = (quantity: Quantity, text: string) => {
    const typed = amount(text)
    return typed && metricFrom(quantity, typed, units)
  }
  const [widthCm, heightCm] = [metric('piece', readings.width), metric('piece', readings.height)]
  const grams = metric('weight', readings.weight)
  const [layers, stackMm] = [amount(readings.layers), metric('thickness', readings.stack)]
  const [fromCm, toCm] = [metric('piece', readings.from), metric('piece', readings.to)]
  const swatch = widthCm && heightCm && grams ? { widthCm, heightCm, grams } : undefined
  const stack = layers && stackMm ? { layers: Math.max(1, Math.round(layers)), thicknessMm: stackMm } : undefined
  const stretch = fromCm && toCm && toCm >= fromCm ? { fromCm, toCm } : undefined
  if (!swatch && !stack && !stretch) return undefined
  const read = measureFabric({
    structure: fabric.structure,
    ...(fabric.massGsm !== undefined && { massGsm: fabric.massGsm }),
    ...(swatch && { swatch }),
    ...(stack && { stack }),
    ...(stretch && { stretch }),
    ...(fabric.traits && { traits: fabric.traits }),
  })
  return {
    ...(swatch && { massGsm: read.massGsm }),
    ...(stack && { thicknessMm: read.thicknessMm }),
    ...(stretch && { stretchPercent: read.stretchPercent }),
  }
}
