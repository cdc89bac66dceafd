import * as Type from 'typebox'
import { STAFF } from '../../room/role'
import { strict, words } from '../../schema/shape'
import { kind } from './kind'

const PLACES = {
  race: 'in the race',
  arm: 'at the points in the arm',
  everywhere: 'everywhere it is wanted',
} as const
type Place = keyof typeof PLACES

export const oiled = kind({
  body: strict({ where: Type.Optional(words(Object.keys(PLACES) as Place[])) }),
  filter: 'care',
  mayWrite: STAFF,
  care: (counts, { where = 'race' }, { happenedAt }) => ({
    ...counts,
    ...(where !== 'arm' && { bobbinsSinceOil: 0, daysSinceOil: 0 }),
    ...(where !== 'race' && { armOiledAt: happenedAt }),
  }),
  words: ({ where = 'race' }) => ({
    title: 'Oiled',
    detail: `One drop of sewing machine oil ${PLACES[where]}.`,
  }),
  typed: { asks: { path: 'where', when: ({ oiling }) => oiling === 'race-and-arm' } },
})
