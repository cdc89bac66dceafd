import { THREAD_USE, BOBBIN_VOLUMES_MM3 } from '../knowledge/thread/thread-use'
import { threadDiameterMm, type Thread } from '../units/thread'

/** What a project sews, as far as its thread depends on it. Lengths of thread and seam in m, all others in mm. */
export interface ThreadUseQuestion {
  readonly stitch: { readonly iso: '301' | '304'; readonly lengthMm: number; readonly widthMm: number }
  /** the compressed stack */
  readonly stackMm: number
  readonly seamM: number
  readonly starts: number
  readonly swatches?: number
  readonly top: Thread
  readonly bobbin: Thread
  readonly bobbinVolumeMm3: number
  /** two needles: twice the top thread */
  readonly twin?: boolean
  /** a group that unpicks: a quarter more */
  readonly beginners?: boolean
}

export interface ThreadUseAnswer {
  readonly topM: number
  readonly bobbinM: number
  readonly bobbins: number
  /** how much of the bobbin's thread one bobbin holds, wound full */
  readonly capacityM: number
  /** both threads for a metre of seam, tails and swatches out */
  readonly metresPerMetre: number
}

/** Metres of a thread that a bobbin of this usable volume holds. Source: geometry, square packing. */
export const bobbinCapacityM = (volumeMm3: number, thread: Thread): number =>
  volumeMm3 / threadDiameterMm(thread) ** 2 / 1000

/** Usable volume from a bobbin's own measures, in mm. Source: geometry. */
export const bobbinVolumeMm3 = (size: {
  readonly fillMm: number
  readonly hubMm: number
  readonly widthMm: number
}): number => (Math.PI / 4) * (size.fillMm ** 2 - size.hubMm ** 2) * size.widthMm

/** The nominal volume of a bobbin class; undefined for classes that have to be measured. */
export const nominalVolumeMm3 = (bobbinClass: string): number | undefined =>
  BOBBIN_VOLUMES_MM3[bobbinClass.trim().toUpperCase()]

/**
 * Thread that a project takes, tails and swatches in, and how many bobbins to wind before class.
 * Source: geometry of lockstitch (ISO 4915 types 301 and 304), with common allowances.
 */
export function threadUse(question: ThreadUseQuestion): ThreadUseAnswer {
  const { stitch, stackMm, seamM, starts, swatches = 0, top, bobbin, bobbinVolumeMm3: volume } = question
  const across = stitch.iso === '304' ? Math.hypot(stitch.lengthMm, stitch.widthMm) : stitch.lengthMm
  const perMetre = ((across + stackMm) / stitch.lengthMm) * THREAD_USE.takeUp
  const waste = question.beginners ? THREAD_USE.beginners : 1
  const besides = starts * THREAD_USE.perStartM + swatches * THREAD_USE.perSwatchM
  const eachM = (seamM * perMetre + besides) * waste
  const needles = question.twin ? 2 : 1
  const capacityM = bobbinCapacityM(volume, bobbin)
  return {
    topM: eachM * needles * (top.strands ?? 1),
    bobbinM: eachM,
    bobbins: Math.ceil(eachM / (THREAD_USE.fill * capacityM)),
    capacityM,
    metresPerMetre: perMetre * (needles * (top.strands ?? 1) + 1),
  }
}
