import { expect, it } from 'vitest'
import { check } from '../schema/validate'
import { DEFAULT_VENUE_SETTINGS, LOGO_MOST_LETTERS } from './venue-settings'
import { VenueSettingsSchema } from './venue-settings-schema'

const PNG = 'data:image/png;base64,iVBORw0KGgo'
const withLogo = (logo: string) => () => check(VenueSettingsSchema, { ...DEFAULT_VENUE_SETTINGS, logo })

it('a logo is a whole small PNG and nothing that could run, lead elsewhere or fill every page', () => {
  expect(withLogo(`${PNG}AAAANSUhEUg==`)).not.toThrow()
  for (const other of [
    '',
    'https://elsewhere.example/logo.png',
    'data:image/svg+xml;base64,PHN2Zz48L3N2Zz4=',
    'data:text/html;base64,iVBORw0KGgoA',
    'data:image/png;base64,R0lGODlhAQABAAAAACw=',
    `${PNG}AAAA" onload="x`,
    `${PNG}AAAA\n`,
    PNG + 'A'.repeat(LOGO_MOST_LETTERS),
  ])
    expect(withLogo(other), other.slice(0, 40)).toThrow(/logo/)
})
