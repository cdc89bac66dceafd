import { completeFabric, type Fabric, type FabricNumber } from '../fabric/intake'
import type { Knowledge } from '../knowledge/knowledge'
import { roomFacts } from '../knowledge/room-number'
import { holds, restsOn } from '../schema/rule'
import type { FactName, Facts, GatheredFacts, Rule } from '../knowledge/fact'
import { counted, plain, spaced } from '../units/words'
import { usualFinish } from '../units/thread'
import type { KitRequest } from './request'

/** Everything the rules may ask about a request, before any choice has been made. */
export interface KitQuestion {
  readonly request: KitRequest
  readonly knowledge: Knowledge
  readonly fabric: Fabric
  readonly facts: Facts
  /** facts that rest on a guess rather than on something measured */
  readonly guessed: readonly FactName[]
}

/** Facts that follow from a number of the cloth: guessed when it is. */
const FOLLOWS: Readonly<Record<FabricNumber, readonly FactName[]>> = {
  massGsm: ['massGsm', 'gsmPerMm', 'lofty', 'band', 'bandWords', 'light', 'silky', 'webbing'],
  thicknessMm: ['thicknessMm', 'gsmPerMm', 'lofty', 'stackMm', 'crossingMm', 'stackWords'],
  stretchPercent: ['stretchPercent', 'elastane', 'pops'],
}

export function kitQuestion(request: KitRequest, knowledge: Knowledge): KitQuestion {
  const fabric = completeFabric(request.fabric, knowledge)
  const { machine, schools = {}, thread, operation, layers } = request
  const crossingLayers = Math.max(layers.seam, layers.crossing)
  const facts: GatheredFacts = {
    structure: fabric.structure,
    traits: fabric.traits,
    traitsKnown: request.fabric.traits !== undefined,
    gsmPerMm: fabric.massGsm / fabric.thicknessMm,
    massGsm: fabric.massGsm,
    thicknessMm: fabric.thicknessMm,
    stretchPercent: fabric.stretchPercent,
    band: fabric.band,
    bandWords: fabric.band && spaced(fabric.band),
    operation,
    crossingLayers,
    threadGiven: thread !== undefined,
    threadTex: thread?.tex,
    threadFibre: thread?.fibre,
    threadFinish: thread?.finish,
    threadStrands: thread?.strands,
    threadKinds: thread && [thread.fibre, thread.finish ?? usualFinish(thread.fibre)],
    learner: request.learner ?? false,
    straightPlate: machine?.straightPlate ?? false,
    spoolPins: machine?.spoolPins,
    maxStackMm: machine?.maxStackMm,
    maxLeatherMm: machine?.maxLeatherMm,
    plateMm: machine?.maxWidthMm,
    schoolPoint: schools.point,
    schoolDenim: schools.denim,
    schoolSuede: schools.suede,
    schoolElastane: schools.elastane,
    schoolImitation: schools.imitation,
    ...roomFacts(request.room),
    ...(machine?.heaviestTex !== undefined && { heaviestBondedTex: machine.heaviestTex }),
  }
  for (const { when, give } of knowledge.clothFacts) facts[give.fact] ??= holds(when, facts)
  Object.assign(facts, stackFacts(fabric.thicknessMm, layers.seam, crossingLayers, facts))
  const guessed = fabric.estimated.flatMap((field) => FOLLOWS[field])
  return { request, knowledge, fabric, facts, guessed }
}

const FIELD_WORDS: Readonly<Record<FabricNumber, string>> = {
  massGsm: 'mass',
  thicknessMm: 'thickness',
  stretchPercent: 'stretch',
}

/** What these rows rest on that nobody measured, as a sentence to add: " Its thickness is a guess."; empty when all was. */
export function guessSaid({ fabric }: Pick<KitQuestion, 'fabric'>, rules: readonly Rule<unknown>[]): string {
  if (fabric.estimated.length === 0) return ''
  const fields = fabric.estimated.filter((field) =>
    FOLLOWS[field].some((fact) => rules.some((rule) => restsOn(rule).has(fact))),
  )
  if (fields.length === 0) return ''
  const words = fields.map((field) => FIELD_WORDS[field]).join(' and its ')
  return ` Its ${words} ${fields.length === 1 ? 'is a guess' : 'are guesses'}.`
}

/** Of lofty cloth the foot leaves half the thickness. Source: common practice. */
const PRESSED = 0.5

/** How thick seam and crossing are under the foot, and how that is said. */
function stackFacts(thicknessMm: number, seamLayers: number, crossingLayers: number, facts: Facts): Facts {
  const pressedMm = facts['lofty'] ? thicknessMm * PRESSED : thicknessMm
  // Coils lie side by side: the needle meets one cord at a time.
  const high = facts['sideBySide'] ? 1 : crossingLayers
  const stackMm = pressedMm * high
  return {
    stackMm,
    crossingMm: stackMm,
    crossingRises: high > seamLayers,
    stackWords: `${counted(high, 'layer')} of ${plain(thicknessMm)} mm${facts['lofty'] ? ', pressed to half by the foot,' : ''} make${high === 1 ? 's' : ''} ${plain(stackMm)} mm`,
  }
}
