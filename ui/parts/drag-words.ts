import type { DndContext } from '@dnd-kit/core'
import type { ComponentProps } from 'react'

/** What a screen reader says while something is carried: names, never ids. */
export function spoken(
  nameOf: (id: string) => string | undefined,
): NonNullable<ComponentProps<typeof DndContext>['accessibility']> {
  const name = (id: string | number) => nameOf(String(id)) ?? 'It'
  return {
    announcements: {
      onDragStart: ({ active }) => `${name(active.id)} is lifted.`,
      onDragOver: ({ active, over }) => (over ? `${name(active.id)} is over ${name(over.id)}.` : undefined),
      onDragEnd: ({ active, over }) =>
        over ? `${name(active.id)} is put down: ${name(over.id)}.` : `${name(active.id)} is put down.`,
      onDragCancel: ({ active }) => `${name(active.id)} is back where it was.`,
    },
    screenReaderInstructions: {
      draggable: 'Space lifts it, the arrow keys move it, Space puts it down, Escape puts it back.',
    },
  }
}
