import { STAFF } from '../../room/role'
import { strict } from '../../schema/shape'
import { foundAt } from '../changes'
import { kind } from './kind'
import { SettingsSchema, settingsWords } from './settings'

export const foundOff = kind({
  body: strict({ settings: SettingsSchema }),
  filter: 'setting up',
  mayWrite: STAFF,
  fold: (state, { settings }) => foundAt(state, settings),
  words: ({ settings }) => ({ title: 'Found off its baseline', detail: settingsWords(settings) }),
  typed: { as: 'found at' },
})
