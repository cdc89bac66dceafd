'use client'

import { spaced } from '@/core/units/words'
import { useState } from 'react'
import {
  HOUSEHOLD_SYSTEM,
  NEEDLE_SYSTEMS,
  needleSystem,
  POINTS,
  sizesSold,
  type Point,
} from '@/core/knowledge/needle/needle'
import { FEET } from '@/core/knowledge/stitch/foot'
import { THREAD_USES } from '@/core/knowledge/thread/thread'
import { STOCK_KINDS, type StockItem } from '@/core/stock/item'
import { FIBRES } from '@/core/units/thread'
import { sizeText } from '@/core/units/needle-size'
import { FaultNote } from '@/ui/parts/fault-note'
import { NumberField } from '@/ui/parts/number-field'
import { useWrite } from '@/ui/parts/use-write'
import { SelectField } from '@/ui/parts/select-field'

const FIRST: Readonly<Record<StockItem['kind'], StockItem>> = {
  needle: { kind: 'needle', system: HOUSEHOLD_SYSTEM.name, point: 'universal', sizeNm: 80 },
  thread: { kind: 'thread', tex: 27, fibre: 'polyester', use: 'all-purpose' },
  bobbin: { kind: 'bobbin', bobbinClass: '15' },
  foot: { kind: 'foot', foot: 'standard' },
}
const KIND_WORDS = { needle: 'needles', thread: 'spools of thread', bobbin: 'empty bobbins', foot: 'feet' } as const
/** Something that came in for the first time. */
export function NewItem() {
  const [open, setOpen] = useState(false)
  const [item, setItem] = useState<StockItem>(FIRST.needle)
  const [count, setCount] = useState(5)
  const { busy, fault, write } = useWrite()
  if (!open) {
    return (
      <button type="button" className="btn btn-outline ml-auto" onClick={() => setOpen(true)}>
        Something new came in
      </button>
    )
  }
  return (
    <form
      className="sheet flex w-full flex-wrap items-end gap-3 p-4"
      aria-label="Something new came in"
      onSubmit={(submitted) => {
        submitted.preventDefault()
        void write('receive-stock', { item, count }, { done: 'It lies on its shelf' }).then(
          (landed) => landed && setOpen(false),
        )
      }}
    >
      <SelectField
        label="What"
        value={item.kind}
        options={STOCK_KINDS.map((kind) => [kind, KIND_WORDS[kind]])}
        set={(kind) => setItem(FIRST[kind as StockItem['kind']])}
      />
      <ItemFields item={item} set={setItem} />
      <div className="flex flex-col gap-1">
        <span className="text-sm" aria-hidden="true">
          How many
        </span>
        <NumberField name="How many" value={count} step={1} set={setCount} />
      </div>
      <button type="submit" className="btn btn-primary" disabled={busy || count < 1}>
        Put it on its shelf
      </button>
      <button type="button" className="btn btn-ghost" onClick={() => setOpen(false)}>
        Leave it
      </button>
      <FaultNote fault={fault} />
    </form>
  )
}

function ItemFields({ item, set }: { item: StockItem; set: (item: StockItem) => void }) {
  switch (item.kind) {
    case 'needle': {
      const { gaps } = POINTS[item.point]
      const system = needleSystem(item.system) ?? HOUSEHOLD_SYSTEM
      const sold = (Object.keys(POINTS) as Point[]).filter((point) => sizesSold(system, point).length > 0)
      const choose = (point: Point, sizeNm: number, of = system) => {
        const gapMm = POINTS[point].gaps?.find(({ sizesNm }) => sizesNm.includes(sizeNm))?.gapMm
        set({ kind: 'needle', system: of.name, point, sizeNm, ...(gapMm !== undefined && { gapMm }) })
      }
      return (
        <>
          <SelectField
            label="System"
            value={system.name}
            options={NEEDLE_SYSTEMS.map(({ name, household }) => [name, household ? `${name} (household)` : name])}
            set={(name) => {
              const next = needleSystem(name)!
              const sizes = sizesSold(next, 'universal')
              choose('universal', sizes.includes(80) ? 80 : sizes[0]!, next)
            }}
          />
          <SelectField
            label="Point"
            value={item.point}
            options={sold.map((point) => [point, POINTS[point].words])}
            set={(point) => choose(point as Point, sizesSold(system, point as Point)[0]!)}
          />
          <SelectField
            label="Size"
            value={String(item.sizeNm)}
            options={sizesSold(system, item.point).map((size) => [String(size), sizeText(size)])}
            set={(size) => choose(item.point, Number(size))}
          />
          {gaps && (
            <SelectField
              label="Apart"
              value={String(item.gapMm)}
              options={gaps
                .filter(({ sizesNm }) => sizesNm.includes(item.sizeNm))
                .map(({ gapMm }) => [String(gapMm), `${gapMm} mm`])}
              set={(gapMm) => set({ ...item, gapMm: Number(gapMm) })}
            />
          )}
        </>
      )
    }
    case 'thread':
      return (
        <>
          <SelectField
            label="Use"
            value={item.use}
            options={THREAD_USES.map((use) => [use, spaced(use)])}
            set={(use) => set({ ...item, use: use as typeof item.use })}
          />
          <SelectField
            label="Fibre"
            value={item.fibre}
            options={FIBRES.map((fibre) => [fibre, fibre])}
            set={(fibre) => set({ ...item, fibre: fibre as typeof item.fibre })}
          />
          <div className="flex flex-col gap-1">
            <span className="text-sm" aria-hidden="true">
              tex
            </span>
            <NumberField name="tex" value={item.tex} step={1} set={(tex) => set({ ...item, tex })} />
          </div>
        </>
      )
    case 'bobbin':
      return (
        <label className="flex flex-col gap-1">
          <span className="text-sm">Class</span>
          <input
            className="input w-32"
            required
            maxLength={40}
            value={item.bobbinClass}
            onChange={({ target }) => set({ ...item, bobbinClass: target.value })}
          />
        </label>
      )
    case 'foot':
      return (
        <SelectField
          label="Foot"
          value={item.foot}
          options={FEET.map((foot) => [foot, spaced(foot)])}
          set={(foot) => set({ ...item, foot: foot as typeof item.foot })}
        />
      )
  }
}
