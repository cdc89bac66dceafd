'use client'

import { DndContext, KeyboardSensor, useDraggable, useSensor, useSensors } from '@dnd-kit/core'
import { Link } from '@/ui/parts/link'
import { useRef, useState } from 'react'
import { toast } from 'sonner'
import { FARTHEST, INSTRUCTOR_TABLE, TABLE, tableInTheWay, type Place, type TableSize } from '@/core/room/table'
import { Count } from '@/ui/fields/number'
import { CarryingPointer, spoken } from '@/ui/parts/carrying'
import { FaultNote } from '@/ui/parts/fault-note'
import { useWrite } from '@/ui/parts/use-write'

interface Machine {
  readonly machineId: string
  readonly name: string
  readonly number: number
  readonly place: Place
}

/** Anything that stands on the floor: a machine's table, or the instructor's own. */
interface Table {
  readonly id: string
  readonly name: string
  readonly below: string
  readonly place: Place
  readonly size: TableSize
}
const INSTRUCTOR = 'instructor'

/** Tables stand on a grid this fine, in tenths of a metre. */
const GRID = 1

/** The room as it is really furnished: each table is dragged to where it stands, by hand or by keys. */
export function Arrange({ machines, instructor }: { machines: readonly Machine[]; instructor?: Place }) {
  const lowest = Math.max(0, ...machines.map(({ place }) => place.y))
  const tables: readonly Table[] = [
    ...machines.map(({ machineId, name, number, place }) => ({
      id: machineId,
      name,
      below: `no. ${number}`,
      place,
      size: TABLE,
    })),
    {
      id: INSTRUCTOR,
      name: 'Instructor',
      below: instructor ? '' : 'drag to where you stand',
      place: instructor ?? { x: 50, y: Math.min(FARTHEST, lowest + 17) },
      size: INSTRUCTOR_TABLE,
    },
  ]
  const [moved, setMoved] = useState<Readonly<Record<string, Place>>>({})
  const [width, setWidth] = useState(0)
  const floor = useRef<HTMLDivElement>(null)
  const { fault, write } = useWrite()
  const sensors = useSensors(
    useSensor(CarryingPointer, { activationConstraint: { distance: 4 } }),
    useSensor(KeyboardSensor),
  )
  const at = (table: Table): Place => moved[table.id] ?? table.place
  const right = Math.max(100, ...tables.map((table) => at(table).x + table.size.width))
  const bottom = Math.max(50, ...tables.map((table) => at(table).y + table.size.height * 1.4))
  const scale = () => (floor.current?.clientWidth ?? width) / right

  const put = (table: Table, delta: { x: number; y: number }) => {
    const snap = (value: number) => Math.min(FARTHEST, Math.max(0, Math.round(value / GRID) * GRID))
    const before = at(table)
    const place = { x: snap(before.x + delta.x / scale()), y: snap(before.y + delta.y / scale()) }
    if (place.x === before.x && place.y === before.y) return
    const others = tables.filter(({ id }) => id !== table.id).map((each) => ({ ...each, place: at(each) }))
    const other = tableInTheWay(place, table.size, others)
    if (other) {
      toast.error(`${other.name} stands there; ${table.name} is back where it was`)
      return
    }
    setMoved({ ...moved, [table.id]: place })
    const [command, body] =
      table.id === INSTRUCTOR
        ? (['place-instructor', { place }] as const)
        : (['place-machine', { machineId: table.id, place }] as const)
    void write(command, body, {
      done: `${table.name} stands ${metres(place.x)} from the left, ${metres(place.y)} from the front`,
    }).then((landed) => {
      if (!landed) setMoved((now) => ({ ...now, [table.id]: before }))
    })
  }

  return (
    <>
      <div className="mb-3 flex flex-wrap items-end gap-4">
        <h1 className="text-3xl font-bold">Arrange the room</h1>
        <p className="min-w-80 flex-1">
          Drag each table to where it stands, and the instructor’s to where you are: beginners are seated near it. With
          keys: Tab to a table, Space to lift it, arrows to move it, Space to put it down.
        </p>
        <Rows of={machines.length} landed={() => setMoved({})} />
        <Link href="/room" className="btn btn-primary ml-auto min-h-11">
          Done
        </Link>
      </div>
      <FaultNote fault={fault} />
      <DndContext
        id="arrange"
        sensors={sensors}
        accessibility={spoken((id) => tables.find((each) => each.id === id)?.name)}
        onDragEnd={({ active, delta }) => {
          const table = tables.find(({ id }) => id === active.id)
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
          {tables.map((table) => (
            <OneTable key={table.id} table={table} place={at(table)} right={right} bottom={bottom} />
          ))}
        </div>
      </DndContext>
    </>
  )
}

/** For a room that stands in rows: all its tables at once, by number; each is then dragged where it differs. */
function Rows({ of, landed }: { of: number; landed: () => void }) {
  const [perRow, setPerRow] = useState(Math.min(4, Math.max(1, of)))
  const { busy, fault, write } = useWrite()
  if (of < 2) return null
  return (
    <form
      className="flex items-end gap-2"
      onSubmit={(submitted) => {
        submitted.preventDefault()
        void write('place-in-rows', { perRow }, { done: `The tables stand in rows of ${perRow}` }).then(
          (done) => done && landed(),
        )
      }}
    >
      <Count label="In rows of" look="small" min={1} max={16} value={perRow} set={setPerRow} />
      <button type="submit" className="btn btn-outline" disabled={busy}>
        Put them so
      </button>
      <FaultNote fault={fault} />
    </form>
  )
}

const metres = (tenths: number) => `${(tenths / 10).toFixed(1)} m`

function OneTable({ table, place, right, bottom }: { table: Table; place: Place; right: number; bottom: number }) {
  const { size } = table
  const { attributes, listeners, setNodeRef, transform, isDragging } = useDraggable({ id: table.id })
  return (
    <button
      type="button"
      ref={setNodeRef}
      {...listeners}
      {...attributes}
      aria-label={`${table.name}, ${metres(place.x)} from the left, ${metres(place.y)} from the front`}
      className={`absolute cursor-grab touch-none flex flex-col border border-base-content bg-base-100 p-2 text-left leading-tight ${table.id === INSTRUCTOR ? 'border-dashed' : ''} ${isDragging ? 'z-10 cursor-grabbing shadow-lg' : ''}`}
      style={{
        left: `${((place.x - size.width / 2) / right) * 100}%`,
        top: `${((place.y - size.height / 2) / bottom) * 100}%`,
        width: `${(size.width / right) * 100}%`,
        height: `${(size.height / bottom) * 100}%`,
        transform: transform ? `translate(${transform.x}px, ${transform.y}px)` : undefined,
      }}
    >
      <span className="block w-full truncate text-lg font-bold">{table.name}</span>
      {table.below && <span className="text-sm">{table.below}</span>}
    </button>
  )
}
