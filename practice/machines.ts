import { archetype } from '@/core/knowledge/machine/archetype'
import type { Traits } from '@/core/knowledge/machine/trait'

/** A machine of the demo room; places are tenths of a metre from the room's corner. */
export interface DemoMachine {
  readonly name: string
  readonly number: number
  readonly place: { readonly x: number; readonly y: number }
  readonly notes: string
  readonly traits: Traits
}

export const DEMO_MACHINES: readonly DemoMachine[] = [
  {
    name: 'Heron',
    number: 1,
    place: { x: 14, y: 9 },
    notes: 'Heavy and steady. The spool felt is new.',
    traits: { ...archetype('iron-front-loader').traits, tableHeightAdjusts: false, spaceAtLeft: true },
  },
  {
    name: 'Curlew',
    number: 2,
    place: { x: 38, y: 9 },
    notes: 'The window plate lifts off: do not drop it, it vanishes against the floor.',
    traits: { ...archetype('electronic-drop-in').traits, tableHeightAdjusts: false, spaceAtLeft: false },
  },
  {
    name: 'Dunlin',
    number: 3,
    place: { x: 62, y: 9 },
    notes: 'Wants oil each day it is used. Its screen changes tension with every stitch.',
    traits: { ...archetype('computerised-quilter').traits, tableHeightAdjusts: true, spaceAtLeft: false },
  },
  {
    name: 'Knot',
    number: 4,
    place: { x: 86, y: 9 },
    notes: 'Its own long needles live in the tin on the shelf. Straight stitch only, and very good at it.',
    traits: { ...archetype('vintage-straight').traits, tableHeightAdjusts: false, spaceAtLeft: false },
  },
  {
    name: 'Plover',
    number: 5,
    place: { x: 14, y: 26 },
    notes: 'On loan from the library. The length dial runs backwards.',
    traits: { ...archetype('lettered-dial').traits, tableHeightAdjusts: false, spaceAtLeft: true },
  },
  {
    name: 'Avocet',
    number: 6,
    place: { x: 38, y: 26 },
    notes: 'The pressure spring is strong and can fly off: turn its cap slowly, glasses on.',
    traits: { ...archetype('portable-walking-foot').traits, tableHeightAdjusts: false, spaceAtLeft: false },
  },
  {
    name: 'Godwit',
    number: 7,
    place: { x: 62, y: 26 },
    notes: 'Letters on one dial, and width slides from narrow to wide.',
    traits: { ...archetype('plain-zigzag').traits, tableHeightAdjusts: false, spaceAtLeft: false },
  },
  {
    name: 'Turnstone',
    number: 8,
    place: { x: 86, y: 26 },
    notes: 'Its bobbins look like the household ones and must never be mixed: red tray only here.',
    traits: { ...archetype('industrial-straight').traits, tableHeightAdjusts: false, spaceAtLeft: false },
  },
  {
    name: 'Snipe',
    number: 9,
    place: { x: 38, y: 43 },
    notes: 'Heron’s sister, but its normal mark is 5.',
    traits: {
      ...archetype('iron-front-loader').traits,
      tensionDial: { min: 0, max: 9, normal: 5, step: 0.5 },
      spoolPins: 1,
      feet: ['standard', 'zigzag', 'buttonhole'],
      tableHeightAdjusts: false,
      spaceAtLeft: false,
    },
  },
]
