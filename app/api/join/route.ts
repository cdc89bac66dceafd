import { joinBy } from '@/store/site/invitations'
import { entry } from '../../_server/entry'
import { theStore } from '../../_server/store'

/** Somebody comes in by a code that a coordinator gave them, and chooses a password. */
export const POST = entry('join', async (asked) => ({ email: await joinBy(theStore(), asked, new Date()) }))
