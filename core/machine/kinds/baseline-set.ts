import { TEACHING } from '../../room/role'
import { strict } from '../../schema/shape'
import { kind } from './kind'
import { SettingsSchema, settingsWords } from './settings'

export const baselineSet = kind({
  body: strict({ settings: SettingsSchema }),
  filter: 'setting up',
  mayWrite: TEACHING,
  fold: (state, { settings }) => ({ ...state, baseline: settings }),
  words: ({ settings }) => ({ title: 'Baseline set', detail: settingsWords(settings) }),
  typed: { as: 'baseline' },
})
