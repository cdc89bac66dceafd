import { CLOTH_QUESTIONS, type ClothQuestion, type ToldCloth } from '../knowledge/cloth/cloth-question'
import { TRAITS_OF_FABRIC, type FabricTrait, type Structure } from '../knowledge/cloth/fabric'
import { NAMED_FABRICS } from '../knowledge/cloth/named-fabric'
import { completeFabric, FABRIC_NUMBERS } from './intake'

/** What was answered, by question: the id of the answer. */
export type ClothAnswers = Readonly<Partial<Record<string, string>>>

interface Known extends ToldCloth {
  readonly name: string
}
const CLOTHS: readonly Known[] = NAMED_FABRICS.map((named) => ({ name: named.name, ...completeFabric(named) }))

/** So many questions are asked at most; fewer where the next would tell too little. */
export const MOST_QUESTIONS = 6
const LEAST_BITS = 0.35
/** A trait is said where it is this likely. */
const SAID = 0.5
const NEAREST = 3

/** How likely a cloth is seen to give an answer. */
function chanceOf({ of, answers, slip, scale }: ClothQuestion, cloth: ToldCloth, answer: number): number {
  const truth = of(cloth)
  if (answer === truth) return 1 - slip
  if (!scale) return slip / (answers.length - 1)
  // Of a scale it is mostly the step beside it that is taken for it.
  const beside = answers.filter((_, at) => Math.abs(at - truth) === 1).length
  return Math.abs(answer - truth) === 1
    ? (0.9 * slip) / beside
    : (0.1 * slip) / Math.max(1, answers.length - 1 - beside)
}

const entropy = (weights: readonly number[]): number => {
  const all = weights.reduce((sum, weight) => sum + weight, 0)
  return weights.reduce((sum, weight) => (weight > 0 ? sum - (weight / all) * Math.log2(weight / all) : sum), 0)
}

/** How likely each named cloth is, by what was answered; each as likely as the next before anything was. */
function weightsOf(answered: ClothAnswers): number[] {
  return CLOTHS.map((cloth) =>
    CLOTH_QUESTIONS.reduce((weight, question) => {
      const answer = question.answers.findIndex(({ id }) => id === answered[question.id])
      return answer === -1 ? weight : weight * chanceOf(question, cloth, answer)
    }, 1),
  )
}

/** The question that is expected to tell most of what is still open; undefined when enough is known. */
export function nextClothQuestion(answered: ClothAnswers): ClothQuestion | undefined {
  if (Object.keys(answered).length >= MOST_QUESTIONS) return undefined
  const weights = weightsOf(answered)
  const all = weights.reduce((sum, weight) => sum + weight, 0)
  const open = entropy(weights)
  const best = CLOTH_QUESTIONS.filter(({ id }) => answered[id] === undefined)
    .map((question) => {
      const left = question.answers.reduce((sum, _, answer) => {
        const then = weights.map((weight, index) => weight * chanceOf(question, CLOTHS[index]!, answer))
        return sum + (then.reduce((part, weight) => part + weight, 0) / all) * entropy(then)
      }, 0)
      return { question, tells: open - left }
    })
    .sort((a, b) => b.tells - a.tells)[0]
  return best && best.tells >= LEAST_BITS ? best.question : undefined
}

/** A number that was not measured, with its spread: two cloths in three lie within it. */
export interface GuessedNumber {
  readonly value: number
  readonly spread: number
}

/** What a cloth is by what was answered. */
export interface WhichCloth {
  readonly structure: Structure
  /** how likely that is, 0 … 1 */
  readonly sure: number
  readonly traits: readonly FabricTrait[]
  /** g/m² */
  readonly massGsm: GuessedNumber
  readonly thicknessMm: GuessedNumber
  readonly stretchPercent: GuessedNumber
  /** the named cloths that it is most like, the nearest first */
  readonly nearest: readonly { readonly name: string; readonly likely: number }[]
}

export function whichCloth(answered: ClothAnswers): WhichCloth {
  const weights = weightsOf(answered)
  const all = weights.reduce((sum, weight) => sum + weight, 0)
  const likely = CLOTHS.map((cloth, index) => ({ cloth, likely: weights[index]! / all }))
  const of = (is: (cloth: Known) => boolean, among = likely) =>
    among.reduce((sum, each) => sum + (is(each.cloth) ? each.likely : 0), 0)
  const structures = [...new Set(CLOTHS.map(({ structure }) => structure))]
  const structure = structures.reduce((best, each) =>
    of((cloth) => cloth.structure === each) > of((cloth) => cloth.structure === best) ? each : best,
  )
  const sure = of((cloth) => cloth.structure === structure)
  const among = likely
    .filter(({ cloth }) => cloth.structure === structure)
    .map((each) => ({ ...each, likely: each.likely / sure }))
  const guessed = (number: (cloth: Known) => number): GuessedNumber => {
    const sorted = among.map((each) => ({ at: number(each.cloth), likely: each.likely })).sort((a, b) => a.at - b.at)
    const below = (share: number): number => {
      let sum = 0
      return sorted.find((each) => (sum += each.likely) >= share - 1e-9)!.at
    }
    // The middle one and not the mean: one heavy webbing among twenty cloths says nothing of the others.
    return { value: below(0.5), spread: (below(0.84) - below(0.16)) / 2 }
  }
  return {
    structure,
    sure,
    traits: TRAITS_OF_FABRIC.filter((trait) => of(({ traits }) => traits.includes(trait), among) > SAID),
    massGsm: guessed(({ massGsm }) => massGsm),
    thicknessMm: guessed(({ thicknessMm }) => thicknessMm),
    stretchPercent: guessed(({ stretchPercent }) => stretchPercent),
    nearest: [...likely]
      .sort((a, b) => b.likely - a.likely)
      .slice(0, NEAREST)
      .map((each) => ({ name: each.cloth.name, likely: each.likely })),
  }
}

/** The cloth as a project takes it: what looking told is a guess, all of it, until it is measured. */
export function guessedFabric({ structure, traits, massGsm, thicknessMm, stretchPercent }: WhichCloth) {
  const byThickness = structure === 'leather' || structure === 'rope'
  return {
    structure,
    traits,
    ...(!byThickness && { massGsm: Math.round(massGsm.value) }),
    thicknessMm: Math.round(thicknessMm.value * 100) / 100,
    stretchPercent: Math.round(stretchPercent.value),
    guessed: FABRIC_NUMBERS.filter((field) => !byThickness || field !== 'massGsm'),
  }
}
