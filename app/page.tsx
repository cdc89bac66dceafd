import { redirect } from 'next/navigation'
import { currentActor, homeOf } from './_server/actor'

export default async function Start() {
  const actor = await currentActor()
  redirect(actor ? homeOf(actor.role) : '/sign-in')
}
