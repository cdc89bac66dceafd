'use client'

import { useSyncExternalStore } from 'react'
import { CommandForm, useEntryForm } from '@/ui/fields/command-form'
import { Select } from '@/ui/fields/select'
import { Text } from '@/ui/fields/text'
import { METRIC } from '@/core/units/measure'
import { LengthsIn, WeightsIn } from '@/ui/parts/units-fields'
import { signInAs } from '@/ui/sign-in-as'

const NEVER = () => () => {}

/** The form begins in the zone that this device is in. */
export function Setup({ zones }: { zones: readonly string[] }) {
  const here = useSyncExternalStore(
    NEVER,
    () => Intl.DateTimeFormat().resolvedOptions().timeZone,
    () => 'UTC',
  )
  const zone = zones.includes(here) ? here : 'UTC'
  return <SetupForm key={zone} zone={zone} zones={zones} />
}

function SetupForm({ zone, zones }: { zone: string; zones: readonly string[] }) {
  const form = useEntryForm('setup', {
    start: {
      word: '',
      venue: '',
      timeZone: zone,
      length: METRIC.length,
      mass: METRIC.mass,
      name: '',
      email: '',
      password: '',
    },
    body: ({ length, mass, ...values }) => ({ ...values, units: { length, mass } }),
    landed: ({ email }, { password }) => void signInAs(email, password, '/begin'),
  })
  return (
    <CommandForm form={form} className="sheet flex flex-col gap-4 p-6" button="Make the venue">
      <Text
        label="Setup word"
        most={40}
        {...form.field('word')}
        hint="It stands where the server was started, so that no stranger on the network can take this page."
      />
      <Text label="Name of the venue" most={80} {...form.field('venue')} />
      <Select label="Time zone" {...form.field('timeZone')} options={zones.map((each) => [each, each])} />
      <div className="flex flex-wrap gap-x-8 gap-y-4">
        <LengthsIn {...form.field('length')} />
        <WeightsIn {...form.field('mass')} />
      </div>
      <Text label="Your name" most={80} {...form.field('name')} hint="As people call you." />
      <Text label="Email you sign in with" type="email" autoComplete="username" {...form.field('email')} />
      <Text
        label="Password"
        type="password"
        autoComplete="new-password"
        {...form.field('password')}
        hint="At least 10 characters. Nobody else ever sees it."
      />
    </CommandForm>
  )
}

/** Made-up machines, learners and eight weeks of books to look around in; it stands beside the venue and goes by itself. */
export function PracticeFirst() {
  const form = useEntryForm('practice', {
    start: { word: '' },
    body: (values) => values,
    landed: ({ email, password }) => void signInAs(email, password!, '/room'),
  })
  return (
    <details className="sheet p-5">
      <summary className="min-h-11 cursor-pointer py-2 text-lg font-bold">Look around in a practice room first</summary>
      <CommandForm form={form} className="mt-2 flex flex-col gap-4" button="Open a practice room">
        <p>
          Nine machines, a class and eight weeks of books, all made up. Making it takes half a minute; in thirty days it
          is gone by itself. Come back to this page for your own venue.
        </p>
        <Text label="The word that was printed" most={40} {...form.field('word')} />
      </CommandForm>
    </details>
  )
}
