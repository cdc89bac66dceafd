'use client'

import { Text } from '@/ui/fields/text'
import { FaultNote } from '@/ui/parts/fault-note'
import { useKept } from '@/ui/parts/use-kept'
import { useWrite } from '@/ui/parts/use-write'

/** One line for next time, which every learner of the class has on their seat until they meet again. */
export function TellClass({ sessionId, said }: { sessionId: string; said?: string }) {
  const [words, keep] = useKept(`tell-class-${sessionId}`, said ?? '')
  const { busy, fault, write } = useWrite()
  const now = words.trim()
  const tell = async () => {
    const landed = await write(
      'tell-class',
      { sessionId, ...(now && { said: now }), ...(said && { was: said }) },
      { done: now ? 'The class has it on its seats' : 'Nothing is said any more' },
    )
    if (landed) keep(undefined)
  }
  return (
    <form
      className="mt-3 flex flex-wrap items-end gap-3 print:hidden"
      onSubmit={(submitted) => {
        submitted.preventDefault()
        void tell()
      }}
    >
      <div className="min-w-64 flex-1">
        <Text label="What they bring or think of" most={200} value={words} set={keep} optional />
      </div>
      <button type="submit" className="btn btn-primary" disabled={busy || now === (said ?? '')}>
        Tell the class
      </button>
      <FaultNote fault={fault} />
    </form>
  )
}
