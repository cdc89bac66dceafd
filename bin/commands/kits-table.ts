import { writeFileSync } from 'node:fs'
import { kitsTable } from '../kits-table'

const FILE = 'docs/kits-table.md'
writeFileSync(FILE, kitsTable())
console.log(`${FILE} is written`)
