'use client'

import { named, spaced } from '@/core/units/words'
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
import { useWrite } from '@/ui/parts/use-write'
import { Amount, Count } from '@/ui/fields/number'
import { Select } from '@/ui/fields/select'
import { Text } from '@/ui/fields/text'

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
      <Select
        look="small"
        label="What"
        value={item.kind}
        options={STOCK_KINDS.map((kind) => [kind, KIND_WORDS[kind]])}
        set={(kind) => setItem(FIRST[kind])}
      />
      <ItemFields item={item} set={setItem} />
      <Count label="How many" look="small" min={1} max={100_000} value={count} set={setCount} />
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
          <Select
            look="small"
            label="System"
            value={system.name}
            options={NEEDLE_SYSTEMS.map(({ name, household }) => [name, household ? `${name} (household)` : name])}
            set={(name) => {
              const next = needleSystem(name)!
              const sizes = sizesSold(next, 'universal')
              choose('universal', sizes.includes(80) ? 80 : sizes[0]!, next)
            }}
          />
          <Select
            look="small"
            label="Point"
            value={item.point}
            options={sold.map((point) => [point, POINTS[point].words])}
            set={(point) => choose(point, sizesSold(system, point)[0]!)}
          />
          <Select
            look="small"
            label="Size"
            value={String(item.sizeNm)}
            options={sizesSold(system, item.point).map((size) => [String(size), sizeText(size)])}
            set={(size) => choose(item.point, Number(size))}
          />
          {gaps && (
            <Select
              look="small"
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
          <Select
            look="small"
            label="Use"
            value={item.use}
            options={THREAD_USES.map((use) => [use, spaced(use)])}
            set={(use) => set({ ...item, use })}
          />
          <Select
            look="small"
            label="Fibre"
            value={item.fibre}
            options={FIBRES.map((fibre) => [fibre, named(fibre)])}
            set={(fibre) => set({ ...item, fibre })}
          />
          <Amount label="tex" look="small" min={1} max={1000} value={item.tex} set={(tex) => set({ ...item, tex })} />
        </>
      )
    case 'bobbin':
      return (
        <Text
          label="Class"
          look="small"
          most={40}
          value={item.bobbinClass}
          set={(bobbinClass) => set({ ...item, bobbinClass })}
        />
      )
    case 'foot':
      return (
        <Select
          look="small"
          label="Foot"
          value={item.foot}
          options={FEET.map((foot) => [foot, spaced(foot)])}
          set={(foot) => set({ ...item, foot })}
        />
      )
  }
}
