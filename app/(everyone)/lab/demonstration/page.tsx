import type { Metadata } from 'next'
import { mustSee } from '../../../_server/actor'
import { Demonstration } from './demonstration'

export const metadata: Metadata = { title: 'Demonstration' }

export default async function DemonstrationPage({
  searchParams,
}: {
  searchParams: Promise<{ at?: string | string[] }>
}) {
  await mustSee('see-lab')
  const { at } = await searchParams
  return <Demonstration {...(typeof at === 'string' && { from: at })} />
}
