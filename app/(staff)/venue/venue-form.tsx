'use client'

import { Link } from '@/ui/parts/link'
import { retentionPreview, type Learner } from '@/core/people/retention'
import {
  ORDINARY_TEST_THREADS,
  SHORTEST_RETENTION_MONTHS,
  WEEK_DAYS,
  type VenueSettings,
} from '@/core/room/venue-settings'
import { METRIC } from '@/core/units/measure'
import { counted } from '@/core/units/words'
import { Choice, Choices, Tick } from '@/ui/fields/choice'
import { ColourField } from '@/ui/fields/colour'
import { CommandForm, useCommandForm } from '@/ui/fields/command-form'
import { Count } from '@/ui/fields/number'
import { Select } from '@/ui/fields/select'
import { Text } from '@/ui/fields/text'
import { LengthsIn, WeightsIn } from '@/ui/parts/units-fields'
import { dayWords } from '@/ui/time'
import { LogoField } from './logo-field'

interface Props {
  readonly name: string
  readonly timeZone: string
  readonly settings: VenueSettings
  readonly zones: readonly string[]
  readonly learners: readonly Learner[]
  /** YYYY-MM-DD, where the venue stands */
  readonly today: string
}

const FIRST_DAYS = ['1', '0', '6'] as const
const ALL_DAYS = WEEK_DAYS.map((_, day) => String(day))
const dayName = (day: string) => WEEK_DAYS[Number(day)]!

export function VenueForm({ name, timeZone, settings, zones, learners, today }: Props) {
  const {
    weekStartsOn,
    openDays,
    learnersAfterMonths,
    units = METRIC,
    namesOnWall = true,
    photographs = false,
  } = settings
  const { testThreads = ORDINARY_TEST_THREADS, logo = '' } = settings
  const days: readonly string[] = openDays.map(String)
  const form = useCommandForm('change-venue', {
    start: {
      name,
      timeZone,
      weekStartsOn: String(weekStartsOn),
      openDays: days,
      length: units.length,
      mass: units.mass,
      namesOnWall,
      photographs,
      topThread: testThreads.top,
      bobbinThread: testThreads.bobbin,
      erases: learnersAfterMonths === undefined ? 'never' : 'after',
      months: learnersAfterMonths ?? 12,
      logo,
    },
    body: (values) => ({
      name: values.name,
      timeZone: values.timeZone,
      settings: {
        weekStartsOn: Number(values.weekStartsOn) as VenueSettings['weekStartsOn'],
        openDays: values.openDays.map(Number).sort(),
        units: { length: values.length, mass: values.mass },
        testThreads: { top: values.topThread, bobbin: values.bobbinThread },
        ...(values.logo && { logo: values.logo }),
        ...(!values.namesOnWall && { namesOnWall: false }),
        ...(values.photographs && { photographs: true }),
        ...(values.erases === 'after' && { learnersAfterMonths: values.months }),
      },
      was: { name, timeZone, settings },
    }),
    places: {
      weekStartsOn: 'settings.weekStartsOn',
      openDays: 'settings.openDays',
      namesOnWall: 'settings.namesOnWall',
      photographs: 'settings.photographs',
      topThread: 'settings.testThreads.top',
      bobbinThread: 'settings.testThreads.bobbin',
      months: 'settings.learnersAfterMonths',
      logo: 'settings.logo',
    },
    words: (values) => ({ done: `${values.name} goes by the clock of ${values.timeZone}` }),
  })
  const { erases, months, weekStartsOn: first } = form.values
  const known = zones.includes(timeZone) ? zones : [timeZone, ...zones]
  const week = ALL_DAYS.map((_, index) => String((Number(first) + index) % 7))
  return (
    <CommandForm form={form} className="sheet mt-4 flex flex-col gap-5 p-5" button="Keep it">
      <Text label="Name of the venue" most={80} {...form.field('name')} />
      <Select
        label="Time zone"
        {...form.field('timeZone')}
        hint="Sessions stay at their moment; what changes is the clock they are told by."
        options={known.map((each) => [each, each])}
      />
      <Choice
        label="A week begins on"
        options={FIRST_DAYS.map((day) => [day, dayName(day)])}
        {...form.field('weekStartsOn')}
      />
      <Choices
        label="Open on"
        options={week.map((day) => [day, dayName(day)])}
        hint="A session on another day can still be put down; it is said that the venue is closed then."
        {...form.field('openDays')}
      />
      <div className="flex flex-wrap gap-x-8 gap-y-4">
        <LengthsIn {...form.field('length')} />
        <WeightsIn {...form.field('mass')} />
      </div>
      <div className="flex flex-wrap gap-x-8 gap-y-4">
        <ColourField
          label="Test swatches are sewn with this above"
          hint="The darker of the two."
          {...form.field('topThread')}
        />
        <ColourField
          label="and this below"
          hint="Pictures and the camera go by both."
          {...form.field('bobbinThread')}
        />
      </div>
      <LogoField
        label="Logo"
        hint="Stands beside the name on cards, hand-outs and sheets. It is made small on this device."
        {...form.field('logo')}
      />
      <Tick label="A screen on the wall says who sits where" {...form.field('namesOnWall')} />
      <Tick
        label="Photographs of machines are kept"
        hint={
          photographs && !form.values.photographs
            ? 'Those that are kept now are taken away for good.'
            : 'Of machines alone. Photographs of swatches never leave the device that took them.'
        }
        {...form.field('photographs')}
      />
      <Choice
        label="Learners are erased"
        options={[
          ['never', 'only by hand'],
          ['after', 'some time after their last day'],
        ]}
        {...form.field('erases')}
      />
      {erases === 'after' && (
        <>
          <Count
            label="After so many months"
            min={SHORTEST_RETENTION_MONTHS}
            max={120}
            unit="months"
            {...form.field('months')}
          />
          <Preview learners={learners} months={months} today={today} />
        </>
      )}
      <p className="text-sm">
        <Link className="link" href="/people/kept">
          What is kept about people
        </Link>
        , and what erasing takes away.
      </p>
    </CommandForm>
  )
}

/** What the nights to come would do, before it is kept. */
function Preview({ learners, months, today }: { learners: readonly Learner[]; months: number; today: string }) {
  const rows = retentionPreview(learners, months, today)
  return (
    <div role="status" className="border-l-4 border-base-300 pl-4">
      {rows.length === 0 && <p>Nobody goes yet: every learner is in a class that has sessions to come.</p>}
      <ul>
        {rows.slice(0, 8).map(({ day, course, learners: count }) => (
          <li key={`${day} ${course}`}>
            {counted(count, 'learner')} of {course} {count === 1 ? 'goes' : 'go'}{' '}
            {day === today ? 'in the coming night' : `on ${dayWords(day)} ${day.slice(0, 4)}`}
          </li>
        ))}
      </ul>
      {rows.length > 8 && <p>and more after that.</p>}
      <p className="mt-1 text-sm">Who comes again before then stays. Staff are never erased by a clock.</p>
    </div>
  )
}
