import { completeFabric, type Fabric } from '../fabric/intake'
import type { Facts } from '../knowledge/rule'
import { isThickThread } from './thread-choice'
import type { KitRequest } from './request'

/** Everything the rules may ask about a request, before any choice has been made. */
export interface KitQuestion {
  readonly request: KitRequest
  readonly fabric: Fabric
  readonly facts: Facts
}

/** Elastane is likely where a knit stretches over half, or a woven over a tenth. Source: common practice. */
const likelyElastane = (fabric: Fabric): boolean =>
  (fabric.structure === 'knit' && fabric.stretchPercent > 50) ||
  (fabric.structure === 'woven' && fabric.stretchPercent > 10)

export function kitQuestion(request: KitRequest): KitQuestion {
  const fabric = completeFabric(request.fabric)
  const { machine, schools = {}, thread, operation, layers } = request
  const crossingLayers = Math.max(layers.seam, layers.crossing)
  const stackMm = fabric.thicknessMm * crossingLayers
  const silky =
    fabric.band === 'sheer' ||
    fabric.traits.includes('sheer') ||
    (fabric.traits.includes('slippery') && fabric.massGsm < 150)
  const light = fabric.band === 'sheer' || fabric.band === 'light'
  return {
    request,
    fabric,
    facts: {
      structure: fabric.structure,
      traits: fabric.traits,
      massGsm: fabric.massGsm,
      thicknessMm: fabric.thicknessMm,
      stretchPercent: fabric.stretchPercent,
      band: fabric.band,
      bandWords: fabric.band?.replaceAll('-', ' '),
      silky,
      elastane: fabric.traits.includes('elastane') || likelyElastane(fabric),
      operation,
      seamLayers: layers.seam,
      crossingLayers,
      crossingMm: stackMm,
      stackMm,
      threadGiven: thread !== undefined,
      threadTex: thread?.tex,
      threadFibre: thread?.fibre,
      threadFinish: thread?.finish,
      thickThread: thread ? isThickThread(thread) : operation === 'topstitch' && !light && !silky,
      learner: request.learner ?? false,
      straightPlate: machine?.straightPlate ?? false,
      spoolPins: machine?.spoolPins,
      schoolPoint: schools.point,
      schoolDenim: schools.denim,
      schoolSuede: schools.suede,
      schoolElastane: schools.elastane,
      schoolImitation: schools.imitation,
    },
  }
}
