import { describe, expect, it } from 'vitest'
import { ROOM_NUMBERS, type RoomNumberName } from '../knowledge/room-number'
import { RoomNumbersSchema } from '../room/house-rules'
import { Invalid } from '../schema/invalid'
import { check } from '../schema/validate'
import { COST_NUMBERS, planningNumbers, WEIGHT_NUMBERS } from './planning-numbers'

describe('what planning is told of a room', () => {
  it('are its own numbers where it has some, and the usual ones where it has none', () => {
    const usual = planningNumbers()
    for (const [part, name] of Object.entries(COST_NUMBERS))
      expect(usual.costs[part as keyof typeof COST_NUMBERS]).toBe(ROOM_NUMBERS[name].usual)
    const own = planningNumbers({ minutesNeedle: 7, weightBeginner: 0 })
    expect(own.costs).toEqual({ ...usual.costs, needle: 7 })
    expect(own.weights).toEqual({ ...usual.weights, beginner: 0 })
  })

  it.each(Object.entries({ ...COST_NUMBERS, ...WEIGHT_NUMBERS }))('%s is one number of the room, %s', (part, name) => {
    const { min, max, usual } = ROOM_NUMBERS[name as RoomNumberName]
    const told = (value: number) => {
      const { costs, weights } = planningNumbers({ [name]: value })
      return { ...costs, ...weights }[part as never] as number
    }
    for (const value of [min, usual, max]) {
      expect(told(value)).toBe(value)
      expect(check(RoomNumbersSchema, { [name]: value })).toEqual({ [name]: value })
    }
    expect(() => check(RoomNumbersSchema, { [name]: max + 1 })).toThrow(Invalid)
    expect(() => check(RoomNumbersSchema, { [name]: min - 1 })).toThrow(Invalid)
  })
})
