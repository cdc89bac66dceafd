import type { Metadata } from 'next'
import { mustSee } from '../../../_server/actor'
import { Demonstration } from './demonstration'

export const metadata: Metadata = { title: 'Demonstration' }

export default async function DemonstrationPage() {
  await mustSee('see-lab')
  return <Demonstration />
}
