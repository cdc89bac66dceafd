import { NEEDLE_OUT } from '@/core/knowledge/check/needle-out'
import type { Point } from '@/core/knowledge/needle/needle'
import type { LineBody } from '@/core/machine/event'

export interface Choice {
  readonly point: Point
  readonly sizeNm: number
  readonly gapMm?: number
}

/** Why a needle comes out, as it is asked here; each says what state it is in and where it goes. */
export const REASONS = [
  'due',
  'other-kit',
  'skipped',
  'popping',
  'snags',
  'struck',
  'shredding',
  'unknown-age',
  'broken',
] as const satisfies readonly (keyof typeof NEEDLE_OUT)[]

/** What somebody has said of a change so far. */
export interface Changing {
  readonly reason: (typeof REASONS)[number]
  /** undefined: the machine stays without */
  readonly fitted?: Choice | undefined
  readonly partUsed: boolean
  /** needle hours on a part-used needle's tag */
  readonly hours: number
  /** of a needle that broke */
  readonly piecesFound: boolean
}

export type Said =
  | { readonly say: 'reason'; readonly reason: Changing['reason'] }
  | { readonly say: 'needle'; readonly choice: Choice }
  | { readonly say: 'part-used'; readonly partUsed: boolean }
  | { readonly say: 'hours'; readonly hours: number }
  | { readonly say: 'pieces'; readonly found: boolean }

/** What is most likely wanted: the kit's needle, for the reason that its predecessor gives. */
export function changingFrom(
  old: (Choice & { readonly due: string; readonly condition: string }) | undefined,
  kit: Choice | undefined,
): Changing {
  const reason =
    old?.condition === 'unverified'
      ? 'unknown-age'
      : old?.due === 'change' || !kit || same(kit, old)
        ? 'due'
        : 'other-kit'
  return { reason, fitted: kit ?? old, partUsed: false, hours: 0, piecesFound: false }
}

export function changed(before: Changing, said: Said): Changing {
  switch (said.say) {
    case 'reason':
      return { ...before, reason: said.reason }
    case 'needle':
      return { ...before, fitted: said.choice }
    case 'part-used':
      return { ...before, partUsed: said.partUsed }
    case 'hours':
      return { ...before, hours: said.hours }
    case 'pieces':
      return { ...before, piecesFound: said.found }
  }
}

/** The line that is written. @param hadOne whether a needle is known to be in the machine */
export function lineOf(
  { reason, fitted, partUsed, hours, piecesFound }: Changing,
  system: string,
  hadOne: boolean,
): LineBody<'needle-changed'> {
  const { state, wentTo } = NEEDLE_OUT[reason]
  return {
    ...(hadOne && { out: { reason, state, wentTo, ...(reason === 'broken' && { piecesFound }) } }),
    ...(fitted && {
      in: {
        system,
        point: fitted.point,
        sizeNm: fitted.sizeNm,
        ...(fitted.gapMm !== undefined && { gapMm: fitted.gapMm }),
        condition: partUsed ? 'part-used' : 'new',
        ...(partUsed && { effectiveHours: hours }),
      },
    }),
  }
}

export const same = (
  a: { point: Point; sizeNm: number; gapMm?: number | undefined } | undefined,
  b: typeof a,
): boolean => a !== undefined && b !== undefined && a.point === b.point && a.sizeNm === b.sizeNm && a.gapMm === b.gapMm
