import { beforeAll, describe, expect, it, vi } from 'vitest'
import { careCalendar } from '@/core/care/calendar'
import { codeOf } from '@/core/code/code'
import { archetype } from '@/core/knowledge/machine/archetype'
import { foldMachine, UNSEEN } from '@/core/machine/fold'
import type { MachineEvent } from '@/core/machine/event'
import { TRAIT_NAMES } from '@/core/knowledge/machine/trait'
import { ROLES } from '@/core/room/role'
import { careFeed } from './care-feed'
import { placesOf } from './home'
import { labelCode } from './label-code'
import { traitQuestions } from './trait-fields'

const ID = '019a0000-0000-7000-8000-000000000001'
const OTHER = '019a0000-0000-7000-8000-000000000002'
beforeAll(() => vi.stubEnv('ORTHODEX_ORIGIN', 'https://room.example http://localhost:3600'))

describe('a label', () => {
  it('bears the code that is typed, and a picture that is its own', () => {
    const heron = labelCode('machine', ID)
    expect(heron.code).toBe(codeOf('machine', ID))
    expect(labelCode('machine', ID)).toEqual(heron)
    expect(labelCode('project', ID).path).not.toBe(heron.path)
    expect(labelCode('machine', OTHER).path).not.toBe(heron.path)
  })

  it('is a square of whole modules with its three corners, and nothing outside', () => {
    const { size, path } = labelCode('machine', ID)
    const dark = new Set([...path.matchAll(/M(\d+) (\d+)h1v1h-1z/g)].map(([, x, y]) => `${x} ${y}`))
    expect(dark.size).toBeGreaterThan(100)
    for (const at of dark) for (const part of at.split(' ')) expect(Number(part)).toBeLessThan(size)
    // A corner is seven wide: a dark frame, a light one in it, and a dark middle.
    for (const [left, top] of [
      [0, 0],
      [size - 7, 0],
      [0, size - 7],
    ] as const)
      for (let x = 0; x < 7; x += 1)
        for (let y = 0; y < 7; y += 1) {
          const ring = Math.min(x, y, 6 - x, 6 - y)
          expect(dark.has(`${left + x} ${top + y}`), `${left + x} ${top + y}`).toBe(ring !== 1)
        }
  })
})

/** Long lines of iCalendar are folded; unfolded they read as they were meant. */
const unfolded = (text: string) => text.replaceAll('\r\n ', '')

describe('the calendar that a phone reads', () => {
  const now = new Date('2026-03-05T12:00:00Z')
  const line = (day: string, index: number): MachineEvent => ({
    eventId: `019a0000-0000-7000-8000-0000000001${index}`,
    happenedAt: `2026-${day}T18:00:00.000Z`,
    personId: OTHER,
    kind: 'bobbin-wound',
    body: { count: 6 },
  })
  const machine = {
    machineId: ID,
    name: 'Heron',
    number: 1,
    place: { x: 1, y: 1 },
    notes: '',
    proofs: {},
    traits: archetype('vintage-straight').traits,
    state: foldMachine([line('03-01', 10), line('03-02', 11)]),
  }
  const idle = { ...machine, machineId: OTHER, name: 'Dunlin', number: 2, state: UNSEEN }
  const session = {
    sessionId: OTHER,
    courseId: OTHER,
    ofClass: {},
    course: 'Bags; a first class, with "quotes"',
    startsAt: new Date('2026-03-12T18:00:00Z'),
    endsAt: new Date('2026-03-12T20:00:00Z'),
    blocks: 2,
  }
  const calendar = careCalendar([machine, idle], undefined, now.toISOString(), 120, 'Europe/London')
  const feed = (sessions = [session] as Parameters<typeof careFeed>[2]) =>
    unfolded(careFeed('The Hall', calendar, sessions, 'https://room.example', now))

  it('has each job of care and each session once, each with an id that stays', () => {
    const text = feed()
    const ids = [...text.matchAll(/^UID:(.*)\r$/gm)].map(([, id]) => id!)
    expect(ids.length).toBe(calendar.now.length + calendar.coming.length + 1)
    expect(new Set(ids).size).toBe(ids.length)
    expect(ids).toContain(`${OTHER}@orthodex`)
    expect([...feed().matchAll(/^UID:(.*)\r$/gm)].map(([, id]) => id!)).toEqual(ids)
    for (const { due } of calendar.now) expect(text).toContain(`SUMMARY:Heron: ${due.title}`)
  })

  it('is text as the standard writes it: lines of 75 octets at most, ended as they should be', () => {
    const text = careFeed('The Hall', calendar, [session], 'https://room.example', now)
    for (const each of text.split('\r\n')) expect(Buffer.byteLength(each)).toBeLessThanOrEqual(75)
    expect(text.replaceAll('\r\n', '')).not.toContain('\n')
    expect(text.startsWith('BEGIN:VCALENDAR')).toBe(true)
    expect(text.trimEnd().endsWith('END:VCALENDAR')).toBe(true)
    expect(unfolded(text)).toContain('SUMMARY:Bags\\; a first class\\, with "quotes"')
  })

  it('says that a session is called off, and why, instead of leaving it out', () => {
    const text = feed([{ ...session, calledOff: 'the heating is out' }])
    expect(text).toContain('called off')
    expect(text).toContain('the heating is out')
    expect(text).toMatch(/^STATUS:CANCELLED\r$/m)
    expect(feed()).not.toContain('CANCELLED')
  })

  it('defers to the manual wherever it asks for care, and names nobody', () => {
    const text = feed([])
    const jobs = text.split('BEGIN:VEVENT').slice(1)
    expect(jobs.length).toBeGreaterThan(0)
    for (const job of jobs) expect(job).toContain('manual wins over every count')
    expect(text).not.toContain('Ada')
  })
})

describe('what forms and menus are made of', () => {
  it('asks of every trait one question that ends as questions do not, in words of its own', () => {
    const questions = traitQuestions()
    expect(questions.map(({ trait }) => trait)).toEqual([...TRAIT_NAMES])
    expect(new Set(questions.map(({ question }) => question)).size).toBe(questions.length)
    for (const { schema } of questions) expect(JSON.parse(JSON.stringify(schema))).toEqual(schema)
  })

  it('leads each role only to places of its own, and a learner to nobody else’s', () => {
    for (const role of ROLES) {
      const hrefs = placesOf(role).map(({ href }) => href)
      expect(hrefs.length).toBeGreaterThan(1)
      expect(new Set(hrefs).size).toBe(hrefs.length)
      expect(hrefs.includes('/station')).toBe(role === 'learner')
      expect(hrefs.includes('/people')).toBe(role === 'coordinator')
    }
  })
})
