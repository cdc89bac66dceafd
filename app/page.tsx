import { redirect } from 'next/navigation'
import { anyVenue } from './_server/venue'
import { currentActor, homeOf } from './_server/actor'

export default async function Start() {
  const actor = await currentActor()
  redirect(actor ? homeOf(actor.role) : (await anyVenue()) ? '/sign-in' : '/setup')
}
