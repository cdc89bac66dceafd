'use client'

import type { FabricFacts } from './fabric-facts'

/** Without metres nothing is said of thread. */
export function withSewn(
  { sewn: _, ...facts }: FabricFacts,
  sewn: { readonly seamM: number | undefined; readonly starts: number },
): FabricFacts {
  const { seamM, starts } = sewn
  return seamM === undefined ? facts : { ...facts, sewn: { seamM, starts } }
}

export function Sewing({
  name,
  value,
  set,
}: {
  name: string
  value: number | undefined
  set: (value: number | undefined) => void
}) {
  return (
    <label className="flex flex-col gap-1">
      <span className="text-sm font-bold">{name}</span>
      <input
        type="number"
        inputMode="decimal"
        className="input w-full"
        min={0}
        max={500}
        step="any"
        value={value ?? ''}
        placeholder="not said"
        onChange={({ target }) => set(target.value === '' ? undefined : Math.max(0, target.valueAsNumber || 0))}
      />
    </label>
  )
}
