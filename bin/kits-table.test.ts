import { readFileSync } from 'node:fs'
import { expect, it } from 'vitest'
import { kitsTable } from './kits-table'

it('the table of cloths in docs says what the core says; npm run kits-table writes it anew', () => {
  expect(readFileSync('docs/kits-table.md', 'utf8')).toBe(kitsTable())
})
