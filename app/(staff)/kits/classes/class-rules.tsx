'use client'

import type { ClassSettings } from '@/core/room/class-settings'
import { Choice } from '@/ui/fields/choice'
import { CommandForm, useCommandForm } from '@/ui/fields/command-form'
import { Count } from '@/ui/fields/number'
import { Text } from '@/ui/fields/text'

/** What one class does in its own way; where nothing is said the room's rules hold. */
export function ClassRules({
  courseId,
  name,
  settings,
  done,
}: {
  courseId: string
  name: string
  settings: ClassSettings
  done: () => void
}) {
  const { usual, tension, beginners, supervised } = settings
  const form = useCommandForm('set-class', {
    start: {
      from: usual?.from ?? '',
      minutes: usual?.minutes ?? 120,
      blocks: usual?.blocks ?? 2,
      tension: tension ?? ('room' as const),
      beginners: beginners === undefined ? ('room' as const) : beginners ? ('yes' as const) : ('no' as const),
      under: supervised?.under,
      toOne: supervised?.toOne ?? 4,
    },
    body: (values) => ({
      courseId,
      settings: {
        ...(values.from !== '' && { usual: { from: values.from, minutes: values.minutes, blocks: values.blocks } }),
        ...(values.tension !== 'room' && { tension: values.tension }),
        ...(values.beginners !== 'room' && { beginners: values.beginners === 'yes' }),
        ...(values.under !== undefined && { supervised: { under: values.under, toOne: values.toOne } }),
      },
      was: settings,
    }),
    places: {
      from: 'settings.usual.from',
      minutes: 'settings.usual.minutes',
      blocks: 'settings.usual.blocks',
      under: 'settings.supervised.under',
      toOne: 'settings.supervised.toOne',
    },
    words: () => ({ done: `${name} keeps to its own rules` }),
    landed: done,
  })
  // How long and how many is asked of what was said only, so that nothing that was typed is dropped.
  const { from, under } = form.values
  return (
    <CommandForm form={form} className="flex flex-col gap-4 border-l-4 border-base-300 pl-4" button="Keep these">
      <div className="flex flex-wrap gap-4">
        <Text label="Usually from" type="time" optional {...form.field('from')} hint="Empty: asked each time" />
        {from !== '' && (
          <>
            <Count label="Minutes" min={15} max={720} {...form.field('minutes')} />
            <Count label="Blocks" min={1} max={12} {...form.field('blocks')} hint="turns at a machine" />
          </>
        )}
      </div>
      <Choice
        label="The tension dial"
        {...form.field('tension')}
        options={[
          ['room', 'as the room has it'],
          ['hands-on', 'learners turn it'],
          ['hands-off', 'they call a mentor'],
        ]}
      />
      <Choice
        label="Thread for people who unpick"
        {...form.field('beginners')}
        options={[
          ['room', 'as the room has it'],
          ['yes', 'a quarter more'],
          ['no', 'none more'],
        ]}
      />
      <div className="flex flex-wrap gap-4">
        <Count
          label="Supervised: learners under"
          unit="years"
          min={5}
          max={21}
          optional
          {...form.field('under')}
          hint="Empty: they are grown up. Nobody is asked their age."
        />
        {under !== undefined && <Count label="At machines to one grown-up" min={1} max={12} {...form.field('toOne')} />}
      </div>
    </CommandForm>
  )
}
