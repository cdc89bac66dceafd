import {
  MouseSensor,
  pointerWithin,
  PointerSensor,
  TouchSensor,
  useSensor,
  useSensors,
  type CollisionDetection,
  type DndContext,
  type DragEndEvent,
  type SensorProps,
} from '@dnd-kit/core'
import type { ComponentProps } from 'react'
import { flushSync } from 'react-dom'

/**
 * What carries draws its every move before the next event comes: whoever lets go at once, or on a slow tablet, puts down where
 * the pointer is and not where it was a moment ago.
 */
const drawnAtOnce = <Props extends Pick<SensorProps<object>, 'onMove'>>(props: Props): Props => ({
  ...props,
  onMove: (coordinates) => flushSync(() => props.onMove(coordinates)),
})

/** Carries what stands still under a finger: a handle, or a table on a floor that does not scroll. */
export class CarryingPointer extends PointerSensor {
  constructor(props: ConstructorParameters<typeof PointerSensor>[0]) {
    super(drawnAtOnce(props))
  }
}

class CarryingMouse extends MouseSensor {
  constructor(props: ConstructorParameters<typeof MouseSensor>[0]) {
    super(drawnAtOnce(props))
  }
}

class CarryingFinger extends TouchSensor {
  constructor(props: ConstructorParameters<typeof TouchSensor>[0]) {
    super(drawnAtOnce(props))
  }
}

/** Carries cards of a page that scrolls: a finger that holds still for a moment lifts one, a finger that moves on scrolls. */
export const useCardSensors = () =>
  useSensors(
    useSensor(CarryingMouse, { activationConstraint: { distance: 6 } }),
    useSensor(CarryingFinger, { activationConstraint: { delay: 250, tolerance: 8 } }),
  )

/**
 * Over which place something is carried: the one under the pointer, as the page stands now. What a place says while
 * somebody is carried makes rows taller, so where the places stood when the carrying began is not where they stand.
 */
export const underPointer: CollisionDetection = (asked) =>
  pointerWithin({
    ...asked,
    droppableRects: new Map(
      asked.droppableContainers.flatMap(({ id, node }) =>
        node.current ? [[id, node.current.getBoundingClientRect()] as const] : [],
      ),
    ),
  })

/** On what it was put down. The library's own `over` follows a moment after what it found. */
export const putDownOn = ({ collisions, over }: Pick<DragEndEvent, 'collisions' | 'over'>): string | undefined => {
  const id = collisions?.[0]?.id ?? over?.id
  return id === undefined ? undefined : String(id)
}

/** What a screen reader says while something is carried: names, never ids. */
export function spoken(
  nameOf: (id: string) => string | undefined,
): NonNullable<ComponentProps<typeof DndContext>['accessibility']> {
  const name = (id: string | number) => nameOf(String(id)) ?? 'It'
  return {
    announcements: {
      onDragStart: ({ active }) => `${name(active.id)} is lifted.`,
      onDragOver: ({ active, over }) => (over ? `${name(active.id)} is over ${name(over.id)}.` : undefined),
      onDragEnd: (event) => {
        // The whole event is given here too; the library's type names a part of it.
        const on = putDownOn(event as DragEndEvent)
        return on === undefined
          ? `${name(event.active.id)} is put down.`
          : `${name(event.active.id)} is put down: ${name(on)}.`
      },
      onDragCancel: ({ active }) => `${name(active.id)} is back where it was.`,
    },
    screenReaderInstructions: {
      draggable: 'Space lifts it, the arrow keys move it, Space puts it down, Escape puts it back.',
    },
  }
}
