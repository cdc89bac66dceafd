import type { Metadata } from 'next'
import { notFound } from 'next/navigation'
import { may } from '@/core/wire/permission'
import { mustSee } from '../../../_server/actor'
import { StoresSheet } from './stores-sheet'

export const metadata: Metadata = { title: 'Stores in and out' }

export default async function StoresSheetPage() {
  const actor = await mustSee('see-stores')
  if (!may(actor.role, 'count-stock')) notFound()
  return <StoresSheet />
}
