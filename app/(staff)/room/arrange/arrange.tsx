'use client'

import { DndContext, KeyboardSensor, PointerSensor, useDraggable, useSensor, useSensors } from '@dnd-kit/core'
import Link from 'next/link'
import { useRef, useState } from 'react'
import { TABLE } from '@/ui/drawings/room-plan'
import { FaultNote } from '@/ui/parts/fault-note'
import { useWrite } from '@/ui/parts/use-write'

interface Place {
  readonly x: number
  readonly y: number
}
interface Table {
  readonly machineId: string
  readonly name: string
  readonly number: number
  readonly place: Place
}

/** Tables stand on a grid this fine, in tenths of a metre. */
const GRID = 1
const MOST = 400

/** The room as it is really furnished: each table is dragged to where it stands, by hand or by keys. */
export function Arrange({ machines }: { machines: readonly Table[] }) {
  const [moved, setMoved] = useState<Readonly<Record<string, Place>>>({})
  const [width, setWidth] = useState(0)
  const floor = useRef<HTMLDivElement>(null)
  const { fault, write } = useWrite()
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 4 } }),
    useSensor(KeyboardSensor),
  )
  const at = (table: Table): Place => moved[table.machineId] ?? table.place
  const right = Math.max(100, ...machines.map((table) => at(table).x + TABLE.width))
  const bottom = Math.max(50, ...machines.map((table) => at(table).y + TABLE.height * 1.4))
  const scale = () => (floor.current?.clientWidth ?? width) / right

  const put = (table: Table, delta: { x: number; y: number }) => {
    const snap = (value: number) => Math.min(MOST, Math.max(0, Math.round(value / GRID) * GRID))
    const before = at(table)
    const place = { x: snap(before.x + delta.x / scale()), y: snap(before.y + delta.y / scale()) }
    if (place.x === before.x && place.y === before.y) return
    setMoved({ ...moved, [table.machineId]: place })
    void write(
      'place-machine',
      { machineId: table.machineId, place },
      { done: `${table.name} stands ${metres(place.x)} from the left, ${metres(place.y)} from the front` },
    ).then((landed) => {
      if (!landed) setMoved((now) => ({ ...now, [table.machineId]: before }))
    })
  }

  return (
    <>
      <div className="mb-3 flex flex-wrap items-end gap-4">
        <h1 className="text-3xl font-bold">Arrange the room</h1>
        <p>
          Drag each table to where it stands. With keys: Tab to a table, Space to lift it, arrows to move it, Space to
          put it down.
        </p>
        <Link href="/room" className="btn btn-primary ml-auto min-h-11">
          Done
        </Link>
      </div>
      <FaultNote fault={fault} />
      <DndContext
        id="arrange"
        sensors={sensors}
        onDragEnd={({ active, delta }) => {
          const table = machines.find(({ machineId }) => machineId === active.id)
          if (table) put(table, delta)
        }}
      >
        <div
          ref={(element) => {
            floor.current = element
            if (element && element.clientWidth !== width) setWidth(element.clientWidth)
          }}
          className="sheet relative w-full overflow-hidden"
          style={{ aspectRatio: `${right} / ${bottom}` }}
          role="group"
          aria-label="Floor of the room, front at the top"
        >
          {machines.map((table) => (
            <OneTable key={table.machineId} table={table} place={at(table)} right={right} bottom={bottom} />
          ))}
        </div>
      </DndContext>
    </>
  )
}

const metres = (tenths: number) => `${(tenths / 10).toFixed(1)} m`

function OneTable({ table, place, right, bottom }: { table: Table; place: Place; right: number; bottom: number }) {
  const { attributes, listeners, setNodeRef, transform, isDragging } = useDraggable({ id: table.machineId })
  return (
    <button
      type="button"
      ref={setNodeRef}
      {...listeners}
      {...attributes}
      aria-label={`${table.name}, ${metres(place.x)} from the left, ${metres(place.y)} from the front`}
      className={`absolute cursor-grab touch-none flex flex-col border border-base-content bg-base-100 p-2 text-left leading-tight ${isDragging ? 'z-10 cursor-grabbing shadow-lg' : ''}`}
      style={{
        left: `${((place.x - TABLE.width / 2) / right) * 100}%`,
        top: `${((place.y - TABLE.height / 2) / bottom) * 100}%`,
        width: `${(TABLE.width / right) * 100}%`,
        height: `${(TABLE.height / bottom) * 100}%`,
        transform: transform ? `translate(${transform.x}px, ${transform.y}px)` : undefined,
      }}
    >
      <span className="block text-lg font-bold">{table.name}</span>
      <span className="text-sm">no. {table.number}</span>
    </button>
  )
}
