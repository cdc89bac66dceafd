'use client'

import { named } from '@/core/units/words'
import { Printer } from 'lucide-react'
import { Link } from '@/ui/parts/link'
import { useMemo, useRef, useState } from 'react'
import type { KitRoom } from '@/core/kit/for-room'
import type { OverridePart } from '@/core/kit/override'
import { StandingMark } from '@/ui/drawings/standing-mark'
import type { FabricFacts } from '@/ui/parts/fabric-facts'
import { FabricFields } from '@/ui/parts/fabric-fields'
import { Select } from '@/ui/fields/select'
import { FaultNote } from '@/ui/parts/fault-note'
import { KitCard } from '@/ui/parts/kit-card'
import { OverrideForm } from '@/ui/parts/override-form'
import { TakeOut } from '@/ui/parts/put-away'
import { useKept } from '@/ui/parts/use-kept'
import { useTheirs } from '@/ui/parts/use-theirs'
import { useWrite } from '@/ui/parts/use-write'
import { needleWords } from '@/ui/words'
import { bagKit, kitsOnOffer, worked, type BagMachine, type BagSaid, type BagWork } from './bag-work'
import { type BagGiven, GivenNote, GivenBefore } from './given-before'
import { ChangedMeanwhile } from './changed-meanwhile'
import { KitWays } from './kit-ways'
import { NotHere } from './not-here'

interface Props {
  readonly project: FabricFacts & { readonly projectId: string; readonly learner: string; readonly name: string }
  /** every kit given for it, newest first */
  readonly given: readonly BagGiven[]
  readonly machines: readonly BagMachine[]
  readonly firstMachine: string | undefined
  readonly room: KitRoom
  readonly mayGive: boolean
  /** it is put away by itself, or with whoever makes it */
  readonly putAway: 'bag' | 'learner' | undefined
  /** a demo or training venue */
  readonly practice: boolean
}

/** One learner's bag: what the cloth is on the left, the kit that follows from it on the right, at once. */
export function Bag({ project, given, machines, firstMachine, room, mayGive, putAway, practice }: Props) {
  const { projectId, learner, name, ...asKept } = project
  const [work, keep] = useKept<BagWork>(`bag-${projectId}`, {
    facts: asKept,
    machineId: firstMachine,
    picked: 0,
    overrides: [],
  })
  const { facts, machineId, overrides } = work
  const say = (said: BagSaid) => keep(worked(work, said))
  const [changing, setChanging] = useState<OverridePart>()
  const opener = useRef<Element | null>(null)
  const openChange = (part: OverridePart) => {
    opener.current = document.activeElement
    setChanging(part)
  }
  // Back to where the change was asked for.
  const closeChange = () => {
    setChanging(undefined)
    if (opener.current instanceof HTMLElement) opener.current.focus()
  }
  const { busy, fault, forget, write } = useWrite()
  const offer = useMemo(() => kitsOnOffer({ facts, machineId }, machines, room), [facts, machineId, machines, room])
  const { request, answer, base, kit, use, bobbinVolume } = bagKit(work, offer, room)
  const chosen = offer.machine
  const begin = (said: BagSaid) => {
    setChanging(undefined)
    say(said)
  }
  const changed = JSON.stringify(facts) !== JSON.stringify(asKept)

  const theirs = useTheirs(fault, asKept)
  const keepFabric = () => write('change-project', { projectId, ...facts, was: asKept }, { done: 'The fabric is kept' })
  const give = async () => {
    if (!base || !chosen) return
    if (changed && !(await keepFabric())) return
    const { point, sizeNm, gapMm } = base.needle
    const landed = await write(
      'give-kit',
      {
        projectId,
        machineId: chosen.machineId,
        needle: { point, sizeNm, ...(gapMm !== undefined && { gapMm }) },
        threadTex: base.topThread.tex,
        overrides,
      },
      { done: `${learner} sits at ${chosen.name} with ${needleWords(kit!.needle)}` },
    )
    if (landed) keep(undefined)
  }

  return (
    <>
      <p className="flex flex-wrap justify-between gap-3">
        <Link className="link" href="/kits">
          Kits
        </Link>
        {given.length > 0 && (
          <Link className="inline-flex items-center gap-2 underline" href={`/kits/${projectId}/print`}>
            <Printer className="size-4" aria-hidden="true" /> Label and card
          </Link>
        )}
      </p>
      <h1 className="text-3xl font-bold">
        {learner}: {name}
      </h1>
      {putAway && (
        <div className="sheet mt-3 flex flex-wrap items-center gap-4 p-4">
          <p className="min-w-64 flex-1 text-lg">This bag is put away: it hangs on no rack and is in no plan.</p>
          {putAway === 'bag' && mayGive && <TakeOut what="project" id={projectId} name={name} />}
          {putAway === 'learner' && (
            <Link className="link" href="/put-away">
              with {learner}
            </Link>
          )}
        </div>
      )}
      <div className="mt-4 grid grid-cols-1 gap-6 lg:grid-cols-[19rem_1fr]">
        <div className="flex flex-col gap-5">
          <Select
            large
            label="On which machine"
            options={machines.map((each) => [each.machineId, `${each.name} (${named(each.standing)})`])}
            value={machineId ?? ''}
            set={(machine) => begin({ say: 'machine', machineId: machine })}
          />
          <FabricFields practice={practice} facts={facts} change={(next) => begin({ say: 'fabric', facts: next })} />
          {mayGive && changed && (
            <div className="flex flex-wrap gap-2">
              <button type="button" className="btn btn-outline" disabled={busy} onClick={() => void keepFabric()}>
                Keep this fabric
              </button>
              <button type="button" className="btn btn-ghost" onClick={() => keep(undefined)}>
                Back to what was kept
              </button>
            </div>
          )}
        </div>
        <div className="flex min-w-0 flex-col gap-4" aria-live="polite">
          {!chosen && <p className="sheet p-6 text-lg">A kit is for one machine. Add a machine to the room first.</p>}
          {chosen && <NotHere name={chosen.name} missing={chosen.missing} refusals={answer?.refusals} />}
          {kit && base && request && chosen && answer && (
            <>
              <div className="flex flex-wrap items-center gap-x-5 gap-y-2">
                <p className="text-xl">
                  On <strong>{chosen.name}</strong>: <strong>{named(kit.verdict)}</strong>
                  {kit.inStock === false && ', not in stock'}
                  {kit.confidence === 'low' && <span className="text-base"> (rests on a guess)</span>}
                </p>
                <StandingMark standing={chosen.standing} />
                {mayGive && (
                  <button
                    type="button"
                    className="btn btn-primary btn-lg ml-auto"
                    disabled={busy || chosen.standing === 'stopped' || changing !== undefined}
                    onClick={() => void give()}
                  >
                    Give this kit
                  </button>
                )}
              </div>
              {chosen.standing === 'stopped' && (
                <p className="text-error">{chosen.name} is stopped: choose another machine.</p>
              )}
              {chosen.faults.map((words) => (
                <p key={words} className="font-semibold text-warning">
                  {words}
                </p>
              ))}
              {given[0]?.machineId === chosen.machineId && <GivenNote given={given[0].kit} now={kit} />}
              <FaultNote fault={fault} />
              {theirs && (
                <ChangedMeanwhile
                  theirs={asKept}
                  takeTheirs={() => {
                    begin({ say: 'fabric', facts: asKept })
                    forget()
                  }}
                  keepMine={() => void keepFabric()}
                />
              )}
              <KitWays kits={answer.kits} chosen={base} choose={(index) => begin({ say: 'way', picked: index })} />
              {changing && (
                <OverrideForm
                  key={changing}
                  request={request}
                  kit={base}
                  others={overrides}
                  part={changing}
                  leave={closeChange}
                  keep={(override) => {
                    say({ say: 'part', part: changing, override })
                    closeChange()
                  }}
                />
              )}
              <KitCard
                kit={kit}
                traits={chosen.traits}
                fabric={facts.fabric}
                layers={facts.layers}
                use={use}
                {...(mayGive && { change: openChange })}
              />
              {!facts.sewn && (
                <p className="text-sm">Say how many metres of seam it has, and the thread and bobbins follow.</p>
              )}
              {facts.sewn && bobbinVolume === undefined && (
                <p className="text-sm">
                  Its bobbin is measured on{' '}
                  <Link className="link" href={`/machines/${chosen.machineId}/traits`}>
                    {chosen.name}’s card
                  </Link>
                  ; then the thread and the bobbins to wind follow.
                </p>
              )}
            </>
          )}
          {given.length > 0 && <GivenBefore given={given} />}
        </div>
      </div>
    </>
  )
}
