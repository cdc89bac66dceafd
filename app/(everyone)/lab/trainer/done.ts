import type { Answered } from '@/core/knowledge/tension/answer'

/** How an exercise went: right answers of so many, and what was taken for what, as far as the exercise asks it. */
export interface Done {
  readonly right: number
  readonly of: number
  readonly answers?: readonly Answered[]
}
