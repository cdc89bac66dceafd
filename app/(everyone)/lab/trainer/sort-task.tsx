'use client'

import { closestCenter, DndContext, KeyboardSensor, useSensor, useSensors } from '@dnd-kit/core'
import {
  arrayMove,
  SortableContext,
  sortableKeyboardCoordinates,
  useSortable,
  verticalListSortingStrategy,
} from '@dnd-kit/sortable'
import { useState } from 'react'
import type { StitchSetup } from '@/core/stitch/lockstitch'
import type { Said } from '@/core/trainer/task'
import { CarryingPointer, putDownOn, spoken } from '@/ui/parts/carrying'
import { Told } from './question'
import { FACE_WORDS, TwoFaces } from './two-faces'

const LETTERS = ['A', 'B', 'C', 'D', 'E'] as const
/** Enough of a seam to tell it by in a row. */
const LENGTH_MM = 14

/** Swatches that are put into order: dragged, or moved by a button. */
export function SortTask({
  swatches,
  right,
  seed,
  said,
  say,
  ...told
}: {
  swatches: readonly StitchSetup[]
  /** indices, the loosest first */
  right: readonly number[]
  seed: number
  said: Said | undefined
  say: (said: Said) => void
  because: string
  next: () => void
  last: boolean
}) {
  const [order, setOrder] = useState(() => swatches.map((_, index) => index))
  const sensors = useSensors(
    useSensor(CarryingPointer, { activationConstraint: { distance: 6 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  )
  const answered = said !== undefined
  const inOrder = order.every((index, at) => index === right[at])
  const ids = order.map((index) => LETTERS[index]!)
  const move = (from: number, to: number) => {
    if (to >= 0 && to < order.length) setOrder(arrayMove(order, from, to))
  }
  return (
    <div className="mt-3 grid grid-cols-1 gap-6 lg:grid-cols-[3fr_2fr]">
      <div>
        <div className="hidden gap-3 text-sm sm:flex">
          <span className="w-12 shrink-0" />
          <span className="grid grow grid-cols-2 gap-2">
            <span>{FACE_WORDS.top}</span>
            <span>{FACE_WORDS.under}</span>
          </span>
          <span className="w-12 shrink-0" />
        </div>
        <DndContext
          id="sort-swatches"
          sensors={sensors}
          collisionDetection={closestCenter}
          accessibility={spoken((id) => `Swatch ${id}`)}
          onDragEnd={(event) => {
            const on = putDownOn(event)
            if (on) move(ids.indexOf(event.active.id as (typeof ids)[0]), ids.indexOf(on as (typeof ids)[0]))
          }}
        >
          <SortableContext items={ids} strategy={verticalListSortingStrategy} disabled={answered}>
            <ol aria-label="Swatches, the loosest first">
              {order.map((index, at) => (
                <Row
                  key={ids[at]}
                  letter={ids[at]!}
                  place={answered ? right.indexOf(index) + 1 : undefined}
                  held={answered && right[at] === index}
                  up={at > 0 && !answered ? () => move(at, at - 1) : undefined}
                  down={at < order.length - 1 && !answered ? () => move(at, at + 1) : undefined}
                >
                  <TwoFaces setup={swatches[index]!} seed={seed + index} diagram={false} lengthMm={LENGTH_MM} beside />
                </Row>
              ))}
            </ol>
          </SortableContext>
        </DndContext>
      </div>
      <div>
        {!answered && (
          <button type="button" className="btn btn-primary btn-lg" onClick={() => say(order)}>
            That is the order
          </button>
        )}
        <Told right={inOrder} answered={answered} {...told} />
      </div>
    </div>
  )
}

function Row({
  letter,
  place,
  held,
  up,
  down,
  children,
}: {
  letter: string
  /** where it belongs, once that is told */
  place: number | undefined
  held: boolean
  up: (() => void) | undefined
  down: (() => void) | undefined
  children: React.ReactNode
}) {
  const { attributes, listeners, setNodeRef, transform, transition, isDragging } = useSortable({ id: letter })
  return (
    <li
      ref={setNodeRef}
      style={{ transform: transform ? `translateY(${transform.y}px)` : undefined, transition }}
      className={`seam flex items-center gap-3 py-2 ${isDragging ? 'relative z-10 bg-base-200' : ''}`}
    >
      <button
        type="button"
        className="btn btn-square btn-ghost numeral shrink-0 cursor-grab touch-none text-2xl"
        {...attributes}
        {...listeners}
        aria-label={`Swatch ${letter}`}
      >
        {letter}
      </button>
      <div className="min-w-0 grow">{children}</div>
      {place === undefined ? (
        <span className="flex w-12 shrink-0 flex-col">
          <MoveButton words={`${letter} up`} sign="↑" act={up} />
          <MoveButton words={`${letter} down`} sign="↓" act={down} />
        </span>
      ) : (
        <span className={`w-12 shrink-0 text-center font-semibold ${held ? '' : 'border-l-4 border-warning'}`}>
          {held ? '✓' : place}
          <span className="sr-only">{held ? ' in its place' : ` is its place`}</span>
        </span>
      )}
    </li>
  )
}

const MoveButton = ({ words, sign, act }: { words: string; sign: string; act: (() => void) | undefined }) => (
  <button type="button" className="btn btn-ghost btn-square min-h-11" aria-label={words} disabled={!act} onClick={act}>
    {sign}
  </button>
)
