import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { dayIn } from '@/core/units/day'
import { dayWords, formatInTimeZone, timeIn } from './time'
import { momentIn, wrongWithSession } from './zone'

const ZONES = ['UTC', 'Europe/London', 'America/New_York', 'Asia/Kolkata', 'Pacific/Auckland', 'America/St_Johns']

describe('a moment where the venue stands', () => {
  it('is said with its day and time there', () => {
    expect(formatInTimeZone('2026-11-19T18:40:00.000Z', 'Europe/London')).toBe('Thu 19 Nov, 18:40')
    expect(formatInTimeZone('2026-06-30T23:30:00.000Z', 'Europe/London')).toBe('Wed 1 Jul, 00:30')
    expect(formatInTimeZone('2026-09-03T10:00:00.000Z', 'Pacific/Auckland')).toBe('Thu 3 Sep, 22:00')
    expect(dayWords('2026-11-26')).toBe('Thu 26 Nov')
  })

  it('typed as a day and a time comes back as that day and that time, in every zone and season', () =>
    fc.assert(
      fc.property(
        fc.constantFrom(...ZONES),
        fc.date({ min: new Date('2024-01-01'), max: new Date('2030-12-31'), noInvalidDate: true }),
        // Clocks change in the night; classes do not.
        fc.integer({ min: 6, max: 22 }),
        fc.constantFrom(0, 15, 30, 45),
        (zone, date, hour, minute) => {
          const day = date.toISOString().slice(0, 10)
          const time = `${String(hour).padStart(2, '0')}:${String(minute).padStart(2, '0')}`
          const moment = new Date(momentIn(day, time, zone))
          expect([dayIn(moment, zone), timeIn(moment, zone)]).toEqual([day, time])
        },
      ),
    ))

  it('some weeks on is at the same time of day, though clocks change between', () => {
    const first = momentIn('2026-10-22', '18:00', 'Europe/London')
    const second = momentIn('2026-10-22', '18:00', 'Europe/London', 1)
    expect([first, second]).toEqual(['2026-10-22T17:00:00.000Z', '2026-10-29T18:00:00.000Z'])
  })

  it('that is no moment yet is left as it was typed, for the schema to speak about', () => {
    expect(momentIn('', '18:00', 'UTC')).toBe('T18:00')
    expect(momentIn('2026-10-22', '', 'UTC')).toBe('2026-10-22T')
  })
})

describe('a session as typed', () => {
  const session = { day: '2027-03-14', from: '18:00', to: '20:00' }
  const wrong = (more: Partial<typeof session>, weeks = 1, zone = 'America/New_York') =>
    wrongWithSession({ ...session, ...more }, zone, weeks)

  it('is told what is wrong with it in words, and nothing when all is well', () => {
    expect(wrong({})).toBeUndefined()
    expect(wrong({ day: '' })).toBe('Say which day')
    expect(wrong({ to: '' })).toBe('Say from when and to when')
    expect(wrong({ to: '17:59' })).toBe('It ends before it begins')
    expect(wrong({ to: '18:00' })).toBe('It ends before it begins')
    expect(wrong({}, 61)).toBe('Say how many weeks: 1 to 60')
    expect(wrong({}, NaN)).toBe('Say how many weeks: 1 to 60')
  })

  it('is not put at an hour that the clocks leave out, in whichever of its weeks', () => {
    const night = { from: '02:30', to: '04:00' }
    expect(wrong(night)).toBe('Sun 14 Mar has no 02:30: the clocks go forward over it')
    expect(wrong({ ...night, day: '2027-02-28' }, 2)).toBeUndefined()
    expect(wrong({ ...night, day: '2027-02-28' }, 3)).toContain('Sun 14 Mar')
    expect(wrong(night, 1, 'UTC')).toBeUndefined()
  })
})
