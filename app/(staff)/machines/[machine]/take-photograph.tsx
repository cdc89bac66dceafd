'use client'

import { useState } from 'react'
import { PHOTOGRAPH_MOST_LETTERS } from '@/core/machine/photograph'
import { FaultNote } from '@/ui/parts/fault-note'
import { useWrite } from '@/ui/parts/use-write'
import { madeSmall } from '@/ui/picture/made-small'
import { reach } from '@/ui/reach'

/** How large and how well a picture is kept: the best that is small enough. */
const WAYS = [
  { width: 960, height: 960, quality: 0.85 },
  { width: 720, height: 720, quality: 0.8 },
  { width: 560, height: 560, quality: 0.75 },
  { width: 420, height: 420, quality: 0.7 },
] as const

/** The one that is kept, so that taking it away can be undone. */
async function keptNow(machineId: string): Promise<string | undefined> {
  const answer = await reach(`/api/machines/${machineId}/photograph`)
  if (!answer.ok) return undefined
  const picture = await answer.blob()
  return new Promise((resolve, reject) => {
    const reader = new FileReader()
    reader.onload = () => resolve(reader.result as string)
    reader.onerror = () => reject(reader.error ?? new Error('not read'))
    reader.readAsDataURL(picture)
  })
}

/** Takes how a machine looks, or takes it away. */
export function TakePhotograph({ machineId, has }: { machineId: string; has: boolean }) {
  const { busy, fault, write } = useWrite()
  const [wrong, setWrong] = useState('')
  const choose = async (input: HTMLInputElement) => {
    const file = input.files?.[0]
    if (!file) return
    const picture = await madeSmall(file, 'image/jpeg', PHOTOGRAPH_MOST_LETTERS, WAYS).catch(() => undefined)
    setWrong(picture ? '' : 'This is no picture that this browser opens: choose a JPEG, PNG or WebP')
    if (picture) await write('set-machine-photograph', { machineId, picture }, { done: 'Everybody sees it so' })
    input.value = ''
  }
  const takeAway = async () => {
    const before = await keptNow(machineId).catch(() => undefined)
    await write(
      'set-machine-photograph',
      { machineId, picture: null },
      {
        done: 'It is gone',
        ...(before && {
          undo: () => void write('set-machine-photograph', { machineId, picture: before }, { done: 'It is back' }),
        }),
      },
    )
  }
  return (
    <div className="mt-3 print:hidden">
      <div className="flex flex-wrap items-center gap-2">
        <label className="btn btn-outline focus-within:outline-2 focus-within:outline-offset-2">
          {has ? 'Another photograph' : 'Photograph it'}
          <input
            type="file"
            accept="image/jpeg,image/png,image/webp"
            className="sr-only"
            disabled={busy}
            onChange={({ currentTarget }) => void choose(currentTarget)}
          />
        </label>
        {has && (
          <button type="button" className="btn btn-ghost" disabled={busy} onClick={() => void takeAway()}>
            Take it away
          </button>
        )}
      </div>
      <p className="mt-1 text-sm">
        Of the machine alone, nobody in it. Where and when it was taken stays on this device.
      </p>
      {wrong && (
        <p role="alert" className="mt-1 text-error">
          {wrong}
        </p>
      )}
      <FaultNote fault={fault} />
    </div>
  )
}
