import * as Type from 'typebox'
import type { Static } from 'typebox'
import { FootWord } from '../../knowledge/vocabulary'
import { From0, strict, words } from '../../schema/shape'
import { named, plain } from '../../units/words'

/** Where a machine's hands-on settings stand; only what is known is said. */
export const SettingsSchema = strict(
  {
    dial: Type.Optional(Type.Number()),
    stitch: Type.Optional(Type.String({ minLength: 1, maxLength: 40 })),
    lengthMm: Type.Optional(From0),
    widthMm: Type.Optional(From0),
    needlePosition: Type.Optional(words(['left', 'centre', 'right'] as const)),
    footPressure: Type.Optional(words(['low', 'normal', 'high'] as const)),
    foot: Type.Optional(FootWord),
    speed: Type.Optional(words(['slow', 'middling', 'fast'] as const)),
  },
  { minProperties: 1 },
)
export type Settings = Static<typeof SettingsSchema>

const SETTING_WORDS: Readonly<Record<keyof Settings, string>> = {
  dial: 'dial',
  stitch: 'stitch',
  lengthMm: 'length',
  widthMm: 'width',
  needlePosition: 'needle position',
  footPressure: 'foot pressure',
  foot: 'foot',
  speed: 'speed',
}

/** Settings in words: "dial 4, length 2.5 mm". */
export const settingsWords = (settings: Settings): string =>
  (Object.keys(settings) as (keyof Settings)[])
    .map((name) => {
      const value = settings[name]!
      const said = typeof value === 'number' ? plain(value) : named(value)
      return `${SETTING_WORDS[name]} ${said}${name.endsWith('Mm') ? ' mm' : ''}`
    })
    .join(', ')
