import type { Metadata } from 'next'
import { mustSee } from '../../_server/actor'
import { siteOf } from '../../_server/site'
import { VenueForm } from './venue-form'

export const metadata: Metadata = { title: 'The venue' }

export default async function VenuePage() {
  const actor = await mustSee('see-people')
  const { name, timeZone } = await siteOf(actor.siteId)
  return (
    <div className="mx-auto max-w-xl">
      <h1 className="text-3xl font-bold">The venue</h1>
      <p className="mt-1">Its name stands on every page and print; every time of day is told by its clock.</p>
      <VenueForm name={name} timeZone={timeZone} zones={['UTC', ...Intl.supportedValuesOf('timeZone')]} />
    </div>
  )
}
