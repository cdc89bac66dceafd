'use client'

import Link from 'next/link'
import { useMemo, useState } from 'react'
import { computeKit } from '@/core/kit/kit'
import type { Kit, KitMachine, KitRequest, KitSchools, KitStock } from '@/core/kit/request'
import type { StandingWord } from '@/core/machine/standing'
import type { Traits } from '@/core/machine/trait'
import { StandingMark } from '@/ui/drawings/standing-mark'
import { FabricFields, type FabricFacts } from '@/ui/parts/fabric-fields'
import { FaultNote } from '@/ui/parts/fault-note'
import { KitCard } from '@/ui/parts/kit-card'
import { useWrite } from '@/ui/parts/use-write'
import { needleWords, threadWords } from '@/ui/words'

export interface BagMachine {
  readonly machineId: string
  readonly name: string
  readonly standing: StandingWord
  readonly traits: Traits
  /** absent while traits that a kit needs are missing */
  readonly machine?: KitMachine
  readonly missing?: readonly string[]
}

interface Props {
  readonly project: FabricFacts & { readonly projectId: string; readonly learner: string; readonly name: string }
  readonly given?: { readonly machineId: string; readonly kit: Kit }
  readonly machines: readonly BagMachine[]
  readonly firstMachine: string | undefined
  readonly schools: KitSchools
  readonly stock?: KitStock
  readonly mayGive: boolean
}

/** One learner's bag: what the cloth is on the left, the kit that follows from it on the right, at once. */
export function Bag({ project, given, machines, firstMachine, schools, stock, mayGive }: Props) {
  const [facts, setFacts] = useState<FabricFacts>({
    fabric: project.fabric,
    layers: project.layers,
    operation: project.operation,
  })
  const [machineId, setMachineId] = useState(firstMachine)
  const [picked, setPicked] = useState(0)
  const { busy, fault, write } = useWrite()
  const chosen = machines.find((each) => each.machineId === machineId)

  const answer = useMemo(() => {
    if (!chosen?.machine) return undefined
    const request: KitRequest = { ...facts, machine: chosen.machine, schools, learner: true, ...(stock && { stock }) }
    return computeKit(request)
  }, [facts, chosen, schools, stock])
  const kit = answer?.kits[Math.min(picked, answer.kits.length - 1)]
  const changed =
    JSON.stringify(facts) !==
    JSON.stringify({ fabric: project.fabric, layers: project.layers, operation: project.operation })

  const give = async () => {
    if (!kit || !chosen) return
    if (
      changed &&
      !(await write('change-project', { projectId: project.projectId, ...facts }, { done: 'The fabric is kept' }))
    )
      return
    const { point, sizeNm, gapMm } = kit.needle
    await write(
      'give-kit',
      {
        projectId: project.projectId,
        machineId: chosen.machineId,
        needle: { point, sizeNm, ...(gapMm !== undefined && { gapMm }) },
      },
      { done: `${project.learner} sits at ${chosen.name} with ${needleWords(kit.needle)}` },
    )
  }

  return (
    <>
      <p>
        <Link className="link" href="/kits">
          Kits
        </Link>
      </p>
      <h1 className="text-3xl font-bold">
        {project.learner}: {project.name}
      </h1>
      <div className="mt-4 grid gap-6 lg:grid-cols-[19rem_1fr]">
        <div className="flex flex-col gap-5">
          <FabricFields
            facts={facts}
            change={(next) => {
              setFacts(next)
              setPicked(0)
            }}
          />
          <label className="flex flex-col gap-1">
            <span className="font-bold">On which machine</span>
            <select
              className="select select-lg w-full"
              value={machineId}
              onChange={({ target }) => {
                setMachineId(target.value)
                setPicked(0)
              }}
            >
              {machines.map((each) => (
                <option key={each.machineId} value={each.machineId}>
                  {each.name} ({each.standing})
                </option>
              ))}
            </select>
          </label>
          {mayGive && changed && (
            <button
              type="button"
              className="btn btn-outline"
              disabled={busy}
              onClick={() =>
                void write('change-project', { projectId: project.projectId, ...facts }, { done: 'The fabric is kept' })
              }
            >
              Keep this fabric
            </button>
          )}
        </div>
        <div className="flex min-w-0 flex-col gap-4" aria-live="polite">
          {!chosen && <p className="sheet p-6 text-lg">A kit is for one machine. Add a machine to the room first.</p>}
          {chosen?.missing && (
            <section className="sheet p-6">
              <h2 className="text-xl font-bold">Not known of {chosen.name} yet</h2>
              <p className="mt-1">No kit can be promised until somebody looks:</p>
              <ul className="mt-2 list-disc pl-6">
                {chosen.missing.map((question) => (
                  <li key={question}>{question}</li>
                ))}
              </ul>
            </section>
          )}
          {answer?.verdict === 'refused' && chosen && (
            <section className="sheet border-error p-6">
              <h2 className="text-2xl font-bold">Not on {chosen.name}</h2>
              {answer.refusals.map((refusal) => (
                <div key={refusal.limit} className="mt-3">
                  <p className="text-lg">{refusal.because}</p>
                  <p>
                    <strong>Would help:</strong> {refusal.wouldHelp}
                  </p>
                </div>
              ))}
            </section>
          )}
          {kit && chosen && answer && (
            <>
              <div className="flex flex-wrap items-center gap-x-5 gap-y-2">
                <p className="text-xl">
                  On <strong>{chosen.name}</strong>: <strong>{kit.verdict}</strong>
                  {kit.inStock === false && ', not in stock'}
                </p>
                <StandingMark standing={chosen.standing} />
                {mayGive && (
                  <button
                    type="button"
                    className="btn btn-primary btn-lg ml-auto"
                    disabled={busy || chosen.standing === 'stopped'}
                    onClick={() => void give()}
                  >
                    Give this kit
                  </button>
                )}
              </div>
              {chosen.standing === 'stopped' && (
                <p className="text-error">{chosen.name} is stopped: choose another machine.</p>
              )}
              {given && given.machineId === chosen.machineId && <GivenNote given={given.kit} now={kit} />}
              <FaultNote fault={fault} />
              {answer.kits.length > 1 && (
                <div role="radiogroup" aria-label="Ways to do it, best first" className="flex flex-wrap gap-2">
                  {answer.kits.map((each, index) => (
                    <button
                      key={`${each.needle.point}-${each.needle.sizeNm}-${each.topThread.tex}`}
                      type="button"
                      role="radio"
                      aria-checked={each === kit}
                      className={`btn h-auto py-2 ${each === kit ? 'btn-neutral' : 'btn-outline'}`}
                      onClick={() => setPicked(index)}
                    >
                      <span className="text-left">
                        {needleWords(each.needle as never)}
                        <span className="block text-sm font-normal">
                          {each.inStock === false ? 'not in stock' : each.verdict},{' '}
                          {threadWords(each.topThread as never)}
                        </span>
                      </span>
                    </button>
                  ))}
                </div>
              )}
              <KitCard kit={kit} traits={chosen.traits} fabric={facts.fabric} layers={facts.layers} />
            </>
          )}
        </div>
      </div>
    </>
  )
}

function GivenNote({ given, now }: { given: Kit; now: Kit }) {
  const same =
    given.needle.point === now.needle.point &&
    given.needle.sizeNm === now.needle.sizeNm &&
    given.dial.setting === now.dial.setting
  return (
    <p>
      {same
        ? 'This kit was given.'
        : `The kit that was given has ${needleWords(given.needle)}; the fabric has changed since.`}
    </p>
  )
}
