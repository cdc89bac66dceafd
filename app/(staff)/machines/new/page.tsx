import type { Metadata } from 'next'
import { notFound } from 'next/navigation'
import { may } from '@/core/people/role'
import { ARCHETYPES } from '@/core/knowledge/archetype'
import { readRoom } from '@/store/machine/machines'
import { mustSee } from '../../../_server/actor'
import { theStore } from '../../../_server/store'
import { traitQuestions } from '../../../_server/trait-fields'
import { NewMachine } from './new-machine'

export const metadata: Metadata = { title: 'Add a machine' }

/** The next free table, row by row, four to a row. */
function freePlace(taken: readonly { x: number; y: number }[]): { x: number; y: number } {
  for (let row = 0; ; row += 1) {
    for (let column = 0; column < 4; column += 1) {
      const place = { x: 14 + column * 24, y: 9 + row * 17 }
      if (!taken.some(({ x, y }) => Math.abs(x - place.x) < 20 && Math.abs(y - place.y) < 15)) return place
    }
  }
}

export default async function NewMachinePage() {
  const actor = await mustSee('see-room')
  if (!may(actor.role, 'add-machine')) notFound()
  const machines = await readRoom(theStore(), actor.siteId)
  return (
    <NewMachine
      questions={traitQuestions()}
      archetypes={ARCHETYPES}
      place={freePlace(machines.map(({ place }) => place))}
      number={Math.max(0, ...machines.map(({ number }) => number)) + 1}
    />
  )
}
