import { named } from '@/core/units/words'
import type { Metadata } from 'next'
import { headers } from 'next/headers'
import { METRIC } from '@/core/units/measure'
import { hasPin } from '@/store/site/tablet'
import { formatInTimeZone } from '@/ui/time'
import { mustSee } from '../../_server/actor'
import { deviceWords } from '../../_server/device-words'
import { signIn } from '../../_server/sign-in'
import { siteOf } from '../../_server/site'
import { booksOf } from '../../_server/store'
import { NewPassword } from './new-password'
import { OwnPasskeys } from './own-passkeys'
import { OwnPin } from './own-pin'
import { OwnUnits } from './own-units'
import { SignIns } from './sign-ins'
import { ThisDevice } from './this-device'

export const metadata: Metadata = { title: 'You' }

export default async function YouPage() {
  const actor = await mustSee('see-room')
  const asked = await headers()
  const [site, here, all, pin, passkeys] = await Promise.all([
    siteOf(actor.siteId),
    signIn().api.getSession({ headers: asked }),
    signIn().api.listSessions({ headers: asked }),
    hasPin(booksOf(actor.siteId), actor.siteId, actor.personId),
    signIn().api.listPasskeys({ headers: asked }),
  ])
  const sorted = [...all].sort((one, other) => other.createdAt.getTime() - one.createdAt.getTime())
  return (
    <div className="mx-auto grid max-w-4xl gap-8 md:grid-cols-2">
      <section>
        <h1 className="text-3xl font-bold">
          <bdi>{actor.name}</bdi>, {named(actor.ownRole ?? actor.role)}
        </h1>
        <p className="mt-1">{here?.user.email}</p>
        <SignIns
          signIns={sorted.map(({ id, createdAt, userAgent }) => ({
            id,
            words: deviceWords(userAgent ?? ''),
            since: formatInTimeZone(createdAt, site.timeZone),
            here: id === here?.session.id,
          }))}
        />
        <OwnUnits own={actor.units} venue={site.settings.units ?? METRIC} />
        {!actor.onTablet && (
          <OwnPasskeys
            here={deviceWords(asked.get('user-agent') ?? '')}
            passkeys={passkeys.map(({ id, name, createdAt }) => ({
              id,
              words: name ?? 'some device',
              since: formatInTimeZone(createdAt, site.timeZone),
            }))}
          />
        )}
      </section>
      <div className="flex flex-col gap-8">
        <NewPassword />
        <OwnPin has={pin} />
        <ThisDevice />
      </div>
    </div>
  )
}
