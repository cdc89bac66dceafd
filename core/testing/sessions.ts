import { archetype } from '../knowledge/machine/archetype'
import { UNSEEN } from '../machine/fold'
import { DEFAULT_HOUSE_RULES } from '../room/house-rules'
import type { SessionFacts, SessionLearner, SessionMachine } from '../session/room-question'
import type { OnHand } from '../stock/ledger'
import type { StockItem } from '../stock/item'

/** A session whose time every test names the same. */
export const SESSION_AT = '2026-11-26T18:00:00.000Z'

const CLOTHS: readonly Pick<SessionLearner, 'name' | 'fabric' | 'layers' | 'operation' | 'sewn'>[] = [
  {
    name: 'stuff sack',
    fabric: { structure: 'woven', massGsm: 64, thicknessMm: 0.1, traits: ['slippery', 'dense'] },
    layers: { seam: 2, crossing: 4 },
    operation: 'seam',
    sewn: { seamM: 3.4, starts: 6 },
  },
  {
    name: 'headband',
    fabric: { structure: 'knit', massGsm: 220, thicknessMm: 1, stretchPercent: 25 },
    layers: { seam: 2, crossing: 2 },
    operation: 'stretch-seam',
  },
  {
    name: 'bag',
    fabric: { structure: 'woven', massGsm: 150, thicknessMm: 0.3 },
    layers: { seam: 2, crossing: 4 },
    operation: 'seam',
    sewn: { seamM: 2, starts: 4 },
  },
]

export const sessionMachine = (
  name: string,
  kind: Parameters<typeof archetype>[0] = 'iron-front-loader',
): SessionMachine => ({
  machineId: name,
  name,
  traits: { ...archetype(kind).traits, tableHeightAdjusts: false, spaceAtLeft: true },
  state: UNSEEN,
})

/** @param cloth which of three: a light woven, a knit, a plain woven */
export const sessionLearner = (name: string, cloth: number, more: Partial<SessionLearner> = {}): SessionLearner => ({
  ...CLOTHS[cloth % CLOTHS.length]!,
  projectId: `of ${name}`,
  personId: name,
  learner: name,
  needs: [],
  signOffs: [],
  ...more,
})

export const shelf = (item: StockItem, count: number): OnHand => ({ item, count, beyond: 0 })

/** Three front-loaders, six learners, two blocks, and nothing kept on shelves. */
export const session = (more: Partial<SessionFacts> = {}): SessionFacts => ({
  blocks: 2,
  blockMinutes: 60,
  machines: ['Heron', 'Curlew', 'Knot'].map((name) => sessionMachine(name)),
  leftOut: [],
  learners: ['Ida', 'Jon', 'Kit', 'Lea', 'Max', 'Nia'].map((name, index) => sessionLearner(name, index)),
  pairs: [],
  room: { rules: DEFAULT_HOUSE_RULES, dropTests: [] },
  staffAtHand: 2,
  onHand: [],
  ...more,
})
