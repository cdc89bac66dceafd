'use client'

import { named, spaced } from '@/core/units/words'
import { useEffect, useRef, useState } from 'react'
import { FEET } from '@/core/knowledge/stitch/foot'
import { POINTS, type Point } from '@/core/knowledge/needle/needle'
import { overrideKit, partWords, type Override, type OverridePart } from '@/core/kit/override'
import type { Kit, KitRequest } from '@/core/kit/request'
import { FIBRES, FINISHES } from '@/core/units/thread'
import { sizeText } from '@/core/units/needle-size'
import { Amount } from '../fields/number'
import { Select } from '../fields/select'

const PART_NAMES: Readonly<Record<OverridePart, string>> = {
  needle: 'needle',
  thread: 'thread',
  bobbin: 'bobbin thread',
  foot: 'foot',
  pressure: 'foot pressure',
  stitch: 'stitch length and width',
  dial: 'starting dial',
}

/** The value that a part has now, as an override would carry it. */
const valueOf = (kit: Kit, part: OverridePart): Override['value'] => {
  const { needle, topThread, bobbinThread, foot, footPressure, stitch, dial } = kit
  switch (part) {
    case 'needle':
      return { point: needle.point, sizeNm: needle.sizeNm, ...(needle.gapMm && { gapMm: needle.gapMm }) }
    case 'thread':
      return topThread
    case 'bobbin':
      return bobbinThread
    case 'foot':
      return foot
    case 'pressure':
      return footPressure
    case 'stitch':
      return { lengthMm: stitch.lengthMm, widthMm: stitch.widthMm }
    case 'dial':
      return dial.setting ?? 0
  }
}

/** Chooses one part otherwise: the value, the reason, and at once what that breaks. */
export function OverrideForm({
  request,
  kit,
  others,
  part,
  keep,
  leave,
}: {
  request: KitRequest
  kit: Kit
  /** parts that were chosen otherwise already */
  others: readonly Override[]
  part: OverridePart
  keep: (override: Override | undefined) => void
  leave: () => void
}) {
  const before = others.find((each) => each.part === part)
  const [value, setValue] = useState<Override['value']>(before?.value ?? valueOf(kit, part))
  const [because, setBecause] = useState(before?.because ?? '')
  const override = { part, value, because: because.trim() || 'no reason yet' } as Override
  const rest = others.filter((each) => each.part !== part)
  const { breaks } = overrideKit(request, kit, [...rest, override])
  const stopped = breaks.some(({ severity }) => severity === 'stop')
  // On a long bag it opens far above the hand that asked for it.
  const heading = useRef<HTMLHeadingElement>(null)
  useEffect(() => {
    heading.current?.focus({ preventScroll: true })
    heading.current?.scrollIntoView({ block: 'center' })
  }, [])
  return (
    <form
      className="sheet flex flex-col gap-4 p-5"
      aria-label={`Choose another ${PART_NAMES[part]}`}
      onSubmit={(submitted) => {
        submitted.preventDefault()
        keep({ ...override, because: because.trim() })
      }}
    >
      <h2 ref={heading} tabIndex={-1} className="text-xl font-bold outline-none">
        Another {PART_NAMES[part]}
      </h2>
      <p>
        In place of <strong>{partWords(kit, part)}</strong>.
      </p>
      <Value part={part} value={value} set={setValue} dial={request.machine?.dial} />
      <label className="flex flex-col gap-1">
        <span className="font-bold">Why</span>
        <input
          className="input w-full"
          required
          minLength={3}
          maxLength={300}
          value={because}
          onChange={({ target }) => setBecause(target.value)}
          placeholder="kept with your name"
        />
      </label>
      <div aria-live="polite" className="flex flex-col gap-1">
        {breaks.map((each) => (
          <p
            key={each.rule}
            className={`border-l-4 py-0.5 pl-3 ${each.severity === 'stop' ? 'border-error text-error' : 'border-warning text-warning'}`}
          >
            <strong>{each.severity === 'stop' ? 'Cannot be: ' : 'Mind: '}</strong>
            {each.because}
          </p>
        ))}
        {breaks.length === 0 && <p className="text-success">Breaks nothing that is known here.</p>}
      </div>
      <div className="flex flex-wrap gap-2">
        <button type="submit" className="btn btn-primary" disabled={stopped}>
          Choose this
        </button>
        {before && (
          <button type="button" className="btn btn-outline" onClick={() => keep(undefined)}>
            Back to {partWords(kit, part)}
          </button>
        )}
        <button type="button" className="btn btn-ghost" onClick={leave}>
          Leave it
        </button>
      </div>
    </form>
  )
}

function Value({
  part,
  value,
  set,
  dial,
}: {
  part: OverridePart
  value: Override['value']
  set: (value: Override['value']) => void
  dial?: { readonly min: number; readonly max: number; readonly step: number } | undefined
}) {
  if (part === 'needle') {
    const needle = value as { point: Point; sizeNm: number; gapMm?: number }
    const { sizesNm, gaps } = POINTS[needle.point]
    const point = (next: Point) => {
      const [sizeNm = 80] = [POINTS[next].sizesNm.find((size) => size >= needle.sizeNm) ?? POINTS[next].sizesNm.at(-1)]
      const gap = POINTS[next].gaps?.find((each) => each.sizesNm.includes(sizeNm))
      set({ point: next, sizeNm, ...(gap && { gapMm: gap.gapMm }) })
    }
    return (
      <div className="flex flex-wrap gap-3">
        <Select
          look="small"
          label="Point"
          options={(Object.keys(POINTS) as Point[]).map((each) => [each, POINTS[each].words])}
          value={needle.point}
          set={point}
        />
        <Select
          look="small"
          label="Size"
          options={sizesNm.map((each) => [String(each), sizeText(each)])}
          value={String(needle.sizeNm)}
          set={(next) => {
            const sizeNm = Number(next)
            const gap = gaps?.find((each) => each.sizesNm.includes(sizeNm))
            set({ point: needle.point, sizeNm, ...(gap && { gapMm: gap.gapMm }) })
          }}
        />
        {gaps && (
          <Select
            look="small"
            label="Apart"
            options={gaps
              .filter((each) => each.sizesNm.includes(needle.sizeNm))
              .map((each) => [String(each.gapMm), `${each.gapMm} mm`])}
            value={String(needle.gapMm)}
            set={(next) => set({ ...needle, gapMm: Number(next) })}
          />
        )}
      </div>
    )
  }
  if (part === 'thread' || part === 'bobbin') {
    const thread = value as Extract<Override, { part: 'thread' }>['value']
    return (
      <div className="flex flex-wrap gap-3">
        <Amount look="small" label="tex" value={thread.tex} set={(tex) => set({ ...thread, tex })} step={1} />
        <Select
          look="small"
          label="Fibre"
          options={FIBRES.map((each) => [each, named(each)])}
          value={thread.fibre}
          set={(next) => set({ ...thread, fibre: next })}
        />
        <Select
          look="small"
          label="Finish"
          options={FINISHES.map((each) => [each, named(each)])}
          value={thread.finish ?? 'spun'}
          set={(next) => set({ ...thread, finish: next })}
        />
      </div>
    )
  }
  if (part === 'stitch') {
    const stitch = value as { lengthMm: number; widthMm: number }
    return (
      <div className="flex flex-wrap gap-3">
        <Amount
          look="small"
          label="Length (mm)"
          value={stitch.lengthMm}
          step={0.1}
          set={(lengthMm) => set({ ...stitch, lengthMm })}
        />
        <Amount
          look="small"
          label="Width (mm)"
          value={stitch.widthMm}
          step={0.5}
          set={(widthMm) => set({ ...stitch, widthMm })}
        />
      </div>
    )
  }
  if (part === 'dial')
    return <Amount look="small" label="Dial" value={value as number} step={dial?.step ?? 0.5} set={set} />
  const words: readonly string[] = part === 'foot' ? FEET : ['low', 'normal', 'high']
  return (
    <Select
      look="small"
      label={part === 'foot' ? 'Foot' : 'Pressure'}
      options={words.map((each) => [each, spaced(each)])}
      value={value as string}
      set={(next) => set(next as Override['value'])}
    />
  )
}
