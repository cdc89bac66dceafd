import { renderToStaticMarkup } from 'react-dom/server'
import { describe, expect, it } from 'vitest'
import { TABLE } from '@/core/room/table'
import { RoomPlan, type PlanMachine } from './room-plan'

const machine = (name: string, x: number, y: number, more: Partial<PlanMachine> = {}): PlanMachine => ({
  href: `/machines/${name}`,
  name,
  number: 1,
  place: { x, y },
  standing: 'ready',
  because: '',
  needle: 'universal 80/12',
  setting: 'dial 4',
  who: '',
  traits: {},
  ...more,
})
const draw = (machines: readonly PlanMachine[], instructor?: { x: number; y: number }) =>
  renderToStaticMarkup(<RoomPlan machines={machines} label="Plan" {...(instructor && { instructor })} />)
const viewBox = (markup: string) => /viewBox="([^"]+)"/.exec(markup)![1]!.split(' ').map(Number)

describe('the plan of a room', () => {
  it('is as large as its tables need, and no table is cut off', () => {
    const [, , width, height] = viewBox(draw([machine('Heron', 14, 9), machine('Curlew', 180, 90)]))
    expect(width).toBeGreaterThan(180 + TABLE.width / 2)
    expect(height).toBeGreaterThan(90 + TABLE.height / 2)
    const [, , ownWidth, ownHeight] = viewBox(draw([machine('Heron', 14, 9)], { x: 50, y: 120 }))
    expect(ownWidth).toBe(100)
    expect(ownHeight).toBeGreaterThan(120)
  })

  it('of a part of a large hall begins where its own first table stands', () => {
    const far = [machine('Heron', 214, 209), machine('Curlew', 238, 209)]
    expect(draw(far)).toContain('translate(-200 -200)')
    expect(viewBox(draw(far))).toEqual(viewBox(draw([machine('Heron', 14, 9), machine('Curlew', 38, 9)])))
  })

  it('says each machine in words: whether it stands ready, why not, and what is in it', () => {
    const markup = draw([
      machine('Heron', 14, 9),
      machine('Godwit', 38, 9, { standing: 'stopped', because: 'Pedal cord is frayed', who: 'Farah' }),
    ])
    expect(markup).toContain('aria-label="Heron, ready. In it: universal 80/12. dial 4."')
    expect(markup).toContain('aria-label="Godwit, stopped: Pedal cord is frayed. In it:')
    expect(markup).toContain('STOPPED')
    expect(markup).toMatch(/no\. 1 · Farah/)
  })

  it('tells the three standings apart by shape, not by colour alone', () => {
    const shapes = (['ready', 'due', 'stopped'] as const).map(
      (standing) => /<svg x="1"[^>]*>(.*?)<\/svg>/.exec(draw([machine('Heron', 14, 9, { standing })]))![1],
    )
    expect(new Set(shapes).size).toBe(3)
  })

  it('draws what is left of a needle as its share of the ring, and no ring where nobody knows', () => {
    const dash = (lifeLeft: number) =>
      Number(
        /stroke-dasharray="([\d.]+) [\d.]+"\/?><\/?(?:circle|g)/.exec(
          draw([machine('Heron', 14, 9, { lifeLeft })]),
        )![1],
      )
    expect(dash(0.5) / dash(1)).toBeCloseTo(0.5, 6)
    expect(dash(0.25) / dash(1)).toBeCloseTo(0.25, 6)
    const unknown = draw([machine('Heron', 14, 9)])
    expect(unknown).toContain('hours not known')
    expect(unknown).not.toContain('rotate(-90)')
  })

  it('draws each machine by its traits: its own table, the cone, the lying spool', () => {
    const outline = (traits: PlanMachine['traits']) => draw([machine('Heron', 14, 9, { traits })])
    const all = [
      outline({}),
      outline({ spoolPin: 'upright' }),
      outline({ spoolPin: 'lying' }),
      outline({ spoolPin: 'cone-stand' }),
      outline({ drive: 'industrial' }),
      outline({ drive: 'portable-walking-foot' }),
    ]
    expect(new Set(all).size).toBe(all.length)
    expect(outline({ spoolPin: 'both' })).toBe(outline({ spoolPin: 'lying' }))
  })

  it('shows where the instructor stands once somebody has said it', () => {
    expect(draw([machine('Heron', 14, 9)])).not.toContain('instructor')
    expect(draw([machine('Heron', 14, 9)], { x: 50, y: 43 })).toContain('translate(50 43)')
  })
})
