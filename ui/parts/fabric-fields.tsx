'use client'

import { completeFabric, FABRIC_NUMBERS } from '@/core/fabric/intake'
import type { KitRequest } from '@/core/kit/request'
import { STRUCTURES, TRAITS_OF_FABRIC, type FabricTrait } from '@/core/knowledge/cloth/fabric'
import { NAMED_FABRICS } from '@/core/knowledge/cloth/named-fabric'
import { OPERATIONS } from '@/core/knowledge/stitch/stitch'
import { metricFrom, shownIn, unitOf, type Quantity } from '@/core/units/measure'
import { named, plain, spaced } from '@/core/units/words'
import type { FabricFacts } from './fabric-facts'
import { guessedFabric } from '@/core/fabric/which-cloth'
import { WhichCloth } from './which-cloth'
import { MeasureTable } from './measure-table'
import { useUnits } from './units'
import { Amount, Count } from '../fields/number'
import { Select } from '../fields/select'

/** Lengths of seam are kept to the centimetre, so that what was typed comes back as it was. */
const rounded = (value: number): number => Math.round(value * 100) / 100
const SEWING = { look: 'small', optional: true, min: 0, max: 500, placeholder: 'not said' } as const

/** Without metres nothing is said of thread. */
function withSewn(
  { sewn: _, ...facts }: FabricFacts,
  sewn: { readonly seamM: number | undefined; readonly starts: number },
): FabricFacts {
  const { seamM, starts } = sewn
  return seamM === undefined ? facts : { ...facts, sewn: { seamM, starts } }
}

/** What can be measured at a table, each as a number and as something to drag; what is guessed says so. */
export function FabricFields({
  facts,
  change,
  practice = false,
}: {
  facts: FabricFacts
  change: (next: FabricFacts) => void
  practice?: boolean
}) {
  const { fabric, layers } = facts
  const whole = completeFabric(fabric)
  const units = useUnits()
  /** A number that a person enters is no guess any more. */
  const set = (part: Partial<KitRequest['fabric']>) => {
    const { guessed, ...rest } = { ...fabric, ...part }
    const left = part.guessed ?? guessed?.filter((field) => part[field] === undefined)
    change({ ...facts, fabric: { ...rest, ...(left && left.length > 0 && { guessed: left }) } })
  }
  const seamM = facts.sewn?.seamM
  const isGuess = (field: (typeof FABRIC_NUMBERS)[number]) => whole.estimated.includes(field)
  const take = (name: string) => {
    const named = NAMED_FABRICS.find((each) => each.name === name)
    if (!named) return
    const { name: _, ...lent } = named
    const guessed = FABRIC_NUMBERS.filter((field) => lent[field] !== undefined)
    change({ ...facts, fabric: { ...lent, traits: lent.traits ?? [], guessed } })
  }
  const byThickness = fabric.structure === 'leather' || fabric.structure === 'rope'
  const toggle = (trait: FabricTrait) => {
    const traits = fabric.traits ?? []
    set({ traits: traits.includes(trait) ? traits.filter((each) => each !== trait) : [...traits, trait] })
  }
  return (
    <div className="flex flex-col gap-4">
      <Select
        label="What is done"
        value={facts.operation}
        set={(operation) => change({ ...facts, operation })}
        options={OPERATIONS.map((each) => [each, spaced(each)])}
      />
      <Select
        label="It is most like"
        value=""
        set={take}
        options={[
          ['', 'choose, for a first guess …'],
          ...NAMED_FABRICS.map(({ name }) => [name, named(name)] as const),
        ]}
      />
      <details className="rounded border border-dashed border-base-content/40 px-3">
        <summary className="min-h-11 cursor-pointer py-2.5 font-semibold">
          Nobody knows? Find out which cloth it is
        </summary>
        <div className="pb-3">
          <WhichCloth take={(found) => change({ ...facts, fabric: guessedFabric(found) })} />
        </div>
      </details>
      <Select
        label="The cloth is"
        value={fabric.structure}
        set={(structure) => set({ structure })}
        options={STRUCTURES.map((each) => [each, named(each)])}
      />
      {!byThickness && (
        <Measure
          name="Mass"
          of="clothMass"
          value={whole.massGsm}
          guessed={isGuess('massGsm')}
          min={20}
          max={700}
          step={5}
          note={whole.band && spaced(whole.band)}
          set={(massGsm) => set({ massGsm })}
        />
      )}
      <Measure
        name="Thickness of one layer"
        of="thickness"
        value={whole.thicknessMm}
        guessed={isGuess('thicknessMm')}
        min={0.05}
        max={6}
        step={0.05}
        set={(thicknessMm) => set({ thicknessMm })}
      />
      <Measure
        name="Stretch"
        unit="%"
        value={whole.stretchPercent}
        guessed={isGuess('stretchPercent')}
        min={0}
        max={150}
        step={5}
        set={(stretchPercent) => set({ stretchPercent })}
      />
      <div className="grid grid-cols-2 gap-3">
        <Count
          label="Layers in the seam"
          look="small"
          min={1}
          max={40}
          value={layers.seam}
          set={(seam) => change({ ...facts, layers: { ...layers, seam } })}
        />
        <Count
          label="At the crossing"
          look="small"
          min={1}
          max={40}
          value={layers.crossing}
          set={(crossing) => change({ ...facts, layers: { ...layers, crossing } })}
        />
      </div>
      <MeasureTable fabric={fabric} measured={set} practice={practice} />
      <div className="grid grid-cols-2 gap-3">
        <Amount
          label={units.length === 'metric' ? 'Metres of seam' : 'Yards of seam'}
          {...SEWING}
          value={seamM === undefined ? undefined : rounded(shownIn('seam', seamM, units))}
          set={(typed: number | undefined) =>
            change(
              withSewn(facts, {
                seamM: typed === undefined ? undefined : rounded(metricFrom('seam', typed, units)),
                starts: facts.sewn?.starts ?? 1,
              }),
            )
          }
        />
        <Count
          label="Seams begun"
          {...SEWING}
          value={facts.sewn?.starts}
          set={(starts: number | undefined) =>
            change(withSewn(facts, { seamM: facts.sewn?.seamM ?? 0, starts: starts ?? 0 }))
          }
        />
      </div>
      <details>
        <summary className="min-h-11 cursor-pointer py-2 font-bold">
          It is also{(fabric.traits?.length ?? 0) > 0 ? `: ${fabric.traits!.map(spaced).join(', ')}` : ' …'}
        </summary>
        <div className="flex flex-wrap gap-x-4">
          {TRAITS_OF_FABRIC.map((trait) => (
            <label key={trait} className="flex min-h-9 items-center gap-2">
              <input
                type="checkbox"
                className="checkbox checkbox-sm"
                checked={fabric.traits?.includes(trait) ?? false}
                onChange={() => toggle(trait)}
              />
              {spaced(trait)}
            </label>
          ))}
        </div>
      </details>
    </div>
  )
}

function Measure(props: {
  name: string
  /** what is measured, metric here and in the venue's units on the page */
  of?: Quantity
  /** where it has but one */
  unit?: string
  value: number
  guessed: boolean
  min: number
  max: number
  step: number
  note?: string | undefined
  set: (value: number) => void
}) {
  const { name, of, value, guessed, min, max, step, note, set } = props
  const units = useUnits()
  const unit = of ? unitOf(of, units) : props.unit
  const typed = (number: number) => {
    if (Number.isFinite(number) && number >= 0) set(of ? metricFrom(of, number, units) : number)
  }
  return (
    <div className="flex flex-col gap-1">
      <span className="flex items-baseline justify-between font-bold">
        {name}
        {guessed && <em className="text-sm font-normal">a guess: measure it</em>}
        {note && <span className="text-sm font-normal">{note}</span>}
      </span>
      <div className="grid grid-cols-[1fr_5.2rem_2.6rem] items-center gap-2">
        <input
          type="range"
          className="range range-sm range-primary"
          aria-label={`${name}, dragged`}
          min={min}
          max={max}
          step={step}
          value={value}
          onChange={({ target }) => set(target.valueAsNumber)}
        />
        <input
          type="number"
          inputMode="decimal"
          className="input"
          aria-label={`${name} (${unit})`}
          min={0}
          step="any"
          value={plain(of ? shownIn(of, value, units) : value)}
          onChange={({ target }) => typed(target.valueAsNumber)}
        />
        <span className="text-sm">{unit}</span>
      </div>
    </div>
  )
}
