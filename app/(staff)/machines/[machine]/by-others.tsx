'use client'

import { useState } from 'react'
import { Choice } from '@/ui/fields/choice'
import { Text } from '@/ui/fields/text'
import { FaultNote } from '@/ui/parts/fault-note'
import { Opener } from '@/ui/parts/opener'
import { useWrite } from '@/ui/parts/use-write'

type Job = 'serviced' | 'electrical-test'

/** What a technician or a licensed tester has done at a machine: the two jobs of care that no tap of the room’s own does. */
export function ByOthers({ machineId }: { machineId: string }) {
  const { busy, fault, log } = useWrite()
  const [job, setJob] = useState<Job>()
  const [by, setBy] = useState('')
  const [did, setDid] = useState('')
  const [passed, setPassed] = useState<'passed' | 'failed'>('passed')
  const [next, setNext] = useState('')

  const write = () =>
    job === 'serviced'
      ? log(machineId, 'serviced', { by, electrical: false, ...(did && { did }) }, { done: 'Service written down' })
      : log(
          machineId,
          'electrical-test',
          { passed: passed === 'passed', by, ...(next && passed === 'passed' && { nextDue: `${next}T00:00:00.000Z` }) },
          { done: passed === 'passed' ? 'Test written down' : 'Stopped: it failed its electrical test' },
        )
  const button = (name: Job, words: string) => (
    <Opener words={words} open={job === name} toggle={() => setJob(job === name ? undefined : name)} />
  )
  return (
    <div className="mt-3">
      <div className="flex flex-wrap gap-2">
        {button('serviced', 'Serviced …')}
        {button('electrical-test', 'Electrical test …')}
      </div>
      {job && (
        <form
          className="mt-3 flex flex-col gap-3 border-l-4 border-base-300 pl-4"
          onSubmit={(submitted) => {
            submitted.preventDefault()
            void write().then((landed) => {
              if (!landed) return
              setJob(undefined)
              setDid('')
              setPassed('passed')
              setNext('')
            })
          }}
        >
          <Text label="By whom" value={by} set={setBy} />
          {job === 'serviced' ? (
            <Text label="What was done" most={500} optional value={did} set={setDid} />
          ) : (
            <>
              <Choice
                label="Result"
                options={[
                  ['passed', 'passed'],
                  ['failed', 'failed'],
                ]}
                value={passed}
                set={setPassed}
              />
              {passed === 'passed' && (
                <Text
                  label="Next by"
                  hint="As local rules want it: nobody sews on it after that day. Left empty, nobody is reminded."
                  type="date"
                  optional
                  value={next}
                  set={setNext}
                />
              )}
            </>
          )}
          <button type="submit" className="btn btn-primary self-start" disabled={busy}>
            Write it down
          </button>
        </form>
      )}
      <FaultNote fault={fault} />
    </div>
  )
}
