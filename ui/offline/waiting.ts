'use client'

import { openDB, type DBSchema } from 'idb'
import type { Fault } from '@/core/schema/invalid'
import type { CommandSent } from '@/core/wire/commands'

/** A line of a book that was written while the server was away; its id and its moment were made here. */
export interface WaitingLine {
  /** in the order of writing */
  readonly seq: number
  readonly commandId: string
  readonly body: CommandSent<'log'>
  readonly personId: string
  /** what it says, for whoever looks at what waits */
  readonly words: string
  /** why the server did not take it; it stays until somebody decides */
  readonly refused?: Fault
}

interface Kept extends DBSchema {
  waiting: { key: number; value: WaitingLine }
}

const opened = () =>
  openDB<Kept>('orthodex', 1, {
    upgrade: (database) => void database.createObjectStore('waiting', { keyPath: 'seq', autoIncrement: true }),
  })
let database: ReturnType<typeof opened> | undefined
const theDatabase = () => (database ??= opened())

const changed = new EventTarget()
const told = () => changed.dispatchEvent(new Event('change'))
export const onWaiting = (tell: () => void): (() => void) => {
  changed.addEventListener('change', tell)
  return () => changed.removeEventListener('change', tell)
}

export const readWaiting = async (): Promise<WaitingLine[]> => (await theDatabase()).getAll('waiting')

export async function keepWaiting(line: Omit<WaitingLine, 'seq'>): Promise<void> {
  const waiting = await readWaiting()
  // Two taps on one thing are one line.
  if (!waiting.some(({ commandId }) => commandId === line.commandId))
    await (await theDatabase()).add('waiting', line as WaitingLine)
  told()
}

export async function dropWaiting(seq: number): Promise<void> {
  await (await theDatabase()).delete('waiting', seq)
  told()
}

/** What is on its way to the server just now: nobody knows yet whether it has landed. */
export const underWay = new Set<string>()

/** A line that nobody else has seen yet is taken back by dropping it. @returns whether it still waited here */
export async function takeBackWaiting(commandId: string): Promise<boolean> {
  if (underWay.has(commandId)) return false
  const line = (await readWaiting()).find((each) => each.commandId === commandId)
  if (line) await dropWaiting(line.seq)
  return line !== undefined
}

export async function refuseWaiting(line: WaitingLine, refused: Fault | undefined): Promise<void> {
  const { refused: _, ...again } = line
  await (await theDatabase()).put('waiting', refused ? { ...again, refused } : again)
  told()
}
