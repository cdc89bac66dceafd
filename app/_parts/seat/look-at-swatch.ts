import type { Gate, SwatchSign, Target, TopLook, UnderLook } from '@/core/knowledge/tension/tension'
import type { Sitting } from '@/core/machine/sitting'
import type { SwatchAt, TensionStep } from '@/core/tension/next-step'
import type { CameraFace, SwatchLook } from '@/core/tension/reading'

/** What somebody has chosen of the swatch in hand, and what was sewn before it. */
export interface Looking {
  readonly target: Target
  /** where the dial stands */
  readonly at: number
  readonly top?: TopLook
  readonly under?: UnderLook
  /** what a camera said of the faces that were photographed */
  readonly camera?: NonNullable<SwatchLook['camera']>
  readonly signs: readonly SwatchSign[]
  /** the faces whose photographs had skipped stitches, as long as nobody has said otherwise by hand */
  readonly skippedOn?: readonly ('top' | 'under')[]
  readonly done: readonly Gate[]
  /** swatches of this trouble, oldest first; each kind of stitch is a trouble of its own */
  readonly sewn: readonly (SwatchAt & { readonly target: Target })[]
}

export type Seen =
  | { readonly choose: 'target'; readonly target: Target }
  | { readonly choose: 'at'; readonly at: number }
  | { readonly choose: 'top'; readonly look: TopLook }
  | { readonly choose: 'under'; readonly look: UnderLook }
  /** what a camera saw is taken for what it is, until the person says otherwise */
  | { readonly choose: 'camera'; readonly seen: CameraSeen }
  | { readonly choose: 'sign'; readonly sign: SwatchSign }
  | { readonly choose: 'gate'; readonly gate: Gate }
  /** the swatch is in the book; `next` is where the dial goes now */
  | { readonly choose: 'written'; readonly next?: number }

export type CameraSeen = (
  ({ readonly face: 'top' } & CameraFace<TopLook>) | ({ readonly face: 'under' } & CameraFace<UnderLook>)
) & { readonly skipped: boolean }

export const lookingFrom = (target: Target, at: number, { done, swatches }: Sitting): Looking => ({
  target,
  at,
  signs: [],
  done,
  sewn: swatches.map((each) => ({ ...each, target })),
})

const toggle = <Word>(list: readonly Word[], word: Word): readonly Word[] =>
  list.includes(word) ? list.filter((each) => each !== word) : [...list, word]

export function looked(before: Looking, look: Seen): Looking {
  switch (look.choose) {
    case 'target':
      return { ...before, target: look.target }
    case 'at':
      return { ...before, at: look.at }
    case 'top':
      return { ...before, top: look.look }
    case 'under':
      return { ...before, under: look.look }
    case 'camera': {
      const { face, skipped, ...said } = look.seen
      const others = (before.skippedOn ?? []).filter((each) => each !== face)
      const skippedOn = skipped ? [...others, face] : others
      const byHand = before.signs.includes('skipped') && !before.skippedOn?.length
      const rest = before.signs.filter((each) => each !== 'skipped')
      const signs = byHand || skippedOn.length > 0 ? [...rest, 'skipped' as const] : rest
      return look.seen.face === 'top'
        ? {
            ...before,
            signs,
            skippedOn: byHand ? [] : skippedOn,
            top: look.seen.look,
            camera: { ...before.camera, top: { ...said, look: look.seen.look } },
          }
        : {
            ...before,
            signs,
            skippedOn: byHand ? [] : skippedOn,
            under: look.seen.look,
            camera: { ...before.camera, under: { ...said, look: look.seen.look } },
          }
    }
    case 'sign':
      return {
        ...before,
        signs: toggle(before.signs, look.sign),
        ...(look.sign === 'skipped' && { skippedOn: [] }),
      }
    case 'gate':
      return { ...before, done: toggle(before.done, look.gate) }
    case 'written': {
      const swatch = swatchOf(before)
      const { top: _top, under: _under, camera: _camera, skippedOn: _skippedOn, ...rest } = before
      // The next swatch starts from what was just advised.
      return {
        ...rest,
        at: look.next ?? before.at,
        signs: [],
        sewn: swatch ? [...before.sewn, { ...swatch, target: before.target }] : before.sewn,
      }
    }
  }
}

/** The swatch in hand; undefined until both faces are chosen. */
export const swatchOf = ({ at, top, under, signs, camera }: Looking): SwatchAt | undefined =>
  top && under && { dial: at, top, under, signs, ...(camera && { camera }) }

/** Those of this kind of stitch, oldest first. */
export const sewnOf = ({ sewn, target }: Looking): SwatchAt[] =>
  sewn.filter((each) => each.target === target).map(({ target: _, ...swatch }) => swatch)

/** The swatch in hand as it is written down, with the mark that was taken where two disagree. */
export function lineOf(looking: Looking, { next, reading }: Pick<TensionStep, 'next' | 'reading'>, projectId?: string) {
  const { at, target, top, under, signs, done, camera } = looking
  if (!top || !under) return undefined
  return {
    dial: at,
    target,
    top,
    under,
    done,
    ...(signs.length > 0 && { signs }),
    ...(camera && { camera }),
    ...(projectId && { projectId }),
    ...(next.do === 'done' && reading === 'as-near' && next.dial !== undefined && { asNear: next.dial }),
  }
}
