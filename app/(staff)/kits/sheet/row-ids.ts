import { v7 as uuid } from 'uuid'

export type Way = 'keep' | 'replace' | 'add'

export interface Ids {
  readonly projectId: string
  readonly personId: string
  readonly enrolmentId: string
}

export const makeIds = (): Ids => ({ projectId: uuid(), personId: uuid(), enrolmentId: uuid() })
