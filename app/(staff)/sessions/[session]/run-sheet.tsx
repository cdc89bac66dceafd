'use client'

import { DndContext, DragOverlay } from '@dnd-kit/core'
import { useState } from 'react'
import { supervisedAsks } from '@/core/room/class-settings'
import { breachWords, byHandFigures, moveOptions, placeKey, sheetFigures } from '@/core/session/sheet'
import { putDownOn, spoken, underPointer, useCardSensors } from '@/ui/parts/carrying'
import { FaultNote } from '@/ui/parts/fault-note'
import { PrintButton } from '@/ui/parts/print-button'
import { useFormId } from '@/ui/parts/use-form-id'
import { useWrite } from '@/ui/parts/use-write'
import { BeginDialog } from './begin-dialog'
import { EarlierPlans } from './earlier-plans'
import { MoveDialog } from './move-dialog'
import { PlanLine } from './plan-line'
import { MachineRow } from './sheet-rows'
import { Tray } from './sheet-seat'
import type { SheetProps } from './sheet-props'
import { usePlanning } from './use-planning'
import { asPlanSeat } from '@/core/session/seat'
import { kitsToGive, pinTurned, seatedAtUnsound, seatsMoved } from './seats'
import { SheetHead } from './sheet-head'
import { useKeptSeats } from './use-kept-seats'

/** Who sits where and when: planned, moved by hand with what it costs, pinned, planned again around the pins. */
export function RunSheet(props: SheetProps) {
  const { sessionId, question, machines, learners, blocks, mayPlan } = props
  const [carried, setCarried] = useState<string>()
  const [moving, setMoving] = useState<string>()
  const [asking, setAsking] = useState<{
    readonly block: number
    readonly against: readonly string[]
    readonly kits: number
  }>()
  const { busy, fault, write } = useWrite()
  const { seats, keep, basedOn } = useKeptSeats(props, write)
  const { idOf, renew } = useFormId()
  const planning = usePlanning(sessionId, mayPlan)
  const sensors = useCardSensors()

  const who = new Map(learners.map((learner) => [learner.projectId, learner]))
  const nameOf = (project: string) => who.get(project)?.learner ?? 'somebody who does not come'
  const figures = sheetFigures(question, seats.map(asPlanSeat))
  const byHand = byHandFigures(question)
  const options = new Map(
    (carried ? moveOptions(question, seats.map(asPlanSeat), carried) : []).map((option) => [
      placeKey(option.machine, option.block),
      option,
    ]),
  )
  const machineOf = (project: string) => seats.find(({ projectId }) => projectId === project)?.machineId
  const whyNot = (project: string) => {
    const machine = machineOf(project)
    if (!machine) return undefined
    return machines.find(({ machineId }) => machineId === machine)?.stopped ?? who.get(project)?.whyNot[machine]
  }
  const wordsOf = (breach: (typeof figures.breaches)[number]) => breachWords(breach, nameOf, whyNot)

  const move = (project: string, to: { machine: string; block: number } | undefined) => {
    setMoving(undefined)
    const place = to && machines.find(({ machineId }) => machineId === to.machine)
    keep(
      seatsMoved(seats, project, to),
      place ? `${nameOf(project)} sits at ${place.name}, block ${to.block}` : `${nameOf(project)} has no seat for now`,
    )
  }
  const pin = (project: string) => {
    const seat = seats.find(({ projectId }) => projectId === project)
    if (!seat) return
    keep(
      pinTurned(seats, project),
      seat.pinned ? `${nameOf(project)} may be seated anew` : `${nameOf(project)} stays there`,
    )
  }
  const leaveOut = (machineId: string) => {
    const out = props.leftOut.includes(machineId)
    const { name } = machines.find((each) => each.machineId === machineId)!
    keep(
      seats,
      out ? `${name} takes part again` : `${name} is left out`,
      out ? props.leftOut.filter((each) => each !== machineId) : [...props.leftOut, machineId],
    )
  }
  /** Before a whole block is given its kits, what speaks against it is said. */
  const begin = (block: number) => {
    const against = [...props.beginsOddly, ...seatedAtUnsound(seats, block, machines, nameOf)]
    if (against.length > 0) setAsking({ block, against, kits: kitsOf(block).length })
    else give(block)
  }
  const kitsOf = (block: number) => kitsToGive(seats, block, who, machines, idOf)
  const give = (block: number) => {
    setAsking(undefined)
    const kits = kitsOf(block)
    if (kits.length === 0) return
    const takeBack = () => void takeKitsBack(kits.map(({ kitGivenId }) => kitGivenId))
    void write(
      'give-kits',
      { kits },
      { done: `Block ${block} begins: ${kits.length === 1 ? 'one kit' : `${kits.length} kits`} given`, undo: takeBack },
    ).then((landed) => landed && renew())
  }

  const takeKitsBack = (kitGivenIds: readonly string[]) =>
    write('take-kits-back', { kitGivenIds }, { done: 'The kits are taken back' })

  const supervised = supervisedAsks(props.ofClass, seats)
  const seatAt = (machineId: string, block: number) =>
    seats.filter((seat) => seat.machineId === machineId && seat.block === block)
  const carriedLearner = carried ? who.get(carried) : undefined
  return (
    <>
      <PlanLine
        {...props}
        figures={figures}
        byHand={byHand}
        seats={seats}
        planning={{
          ...planning,
          plan: (fromBlock) => planning.plan(basedOn, fromBlock),
        }}
        busy={busy}
      />
      <FaultNote fault={fault ?? planning.fault} />
      {supervised && <p className="my-3 border-l-4 border-warning py-1 pl-3">{supervised}</p>}
      {figures.breaches.length > 0 && (
        <section aria-label="What does not go together" className="my-3 border-l-4 border-error py-1 pl-3">
          <ul>
            {figures.breaches.map((breach) => (
              <li key={wordsOf(breach)}>{wordsOf(breach)}</li>
            ))}
          </ul>
        </section>
      )}
      <DndContext
        id="run-sheet"
        sensors={sensors}
        collisionDetection={underPointer}
        accessibility={spoken((id) => {
          if (id === 'tray') return 'without a seat'
          const [machine, block] = id.split(' ')
          const name = props.machines.find(({ machineId }) => machineId === machine)?.name
          return name === undefined ? who.get(id)?.learner : `${name}, block ${block}`
        })}
        onDragStart={({ active }) => setCarried(String(active.id))}
        onDragCancel={() => setCarried(undefined)}
        onDragEnd={(event) => {
          setCarried(undefined)
          const on = putDownOn(event)
          if (on === undefined) return
          const project = String(event.active.id)
          const [machine, block] = on.split(' ')
          const seat = seats.find(({ projectId }) => projectId === project)
          if (on === 'tray') {
            if (seat) move(project, undefined)
          } else if (seat?.machineId !== machine || seat?.block !== Number(block))
            move(project, { machine: machine!, block: Number(block) })
        }}
      >
        <Tray
          projects={figures.unseated}
          who={who}
          because={
            new Map(props.proofHolds ? props.proof?.unseated.map(({ projectId, because }) => [projectId, because]) : [])
          }
          mayMove={mayPlan}
          open={setMoving}
        />
        {props.mayGive && (
          <div className="mt-4 flex flex-wrap gap-2 lg:hidden print:hidden">
            {blocks.map(({ from }, index) => (
              <button
                key={from}
                type="button"
                className="btn btn-outline"
                disabled={busy || !seats.some((seat) => seat.block === index + 1)}
                onClick={() => begin(index + 1)}
              >
                Begin block {index + 1}: give the kits
              </button>
            ))}
          </div>
        )}
        <table className="mt-4 w-full border-separate border-spacing-0 max-lg:block lg:table-fixed">
          <caption className="sr-only">Run sheet: machines down, blocks across</caption>
          <SheetHead
            {...props}
            seats={seats}
            busy={busy}
            begin={begin}
            takeBack={(kitGivenIds) => void takeKitsBack(kitGivenIds)}
          />
          <tbody className="max-lg:block">
            {machines.map((machine) => (
              <MachineRow
                key={machine.machineId}
                machine={machine}
                blocks={blocks}
                seatAt={seatAt}
                who={who}
                changes={figures.changes}
                broken={new Set(figures.breaches.flatMap(({ students }) => students))}
                options={options}
                leftOut={props.leftOut.includes(machine.machineId)}
                mayMove={mayPlan}
                open={setMoving}
                pin={pin}
                leaveOut={leaveOut}
                busy={busy}
              />
            ))}
          </tbody>
        </table>
        <DragOverlay>
          {carriedLearner && (
            <div className="sheet p-3 shadow-xl">
              <strong>{carriedLearner.learner}</strong> {carriedLearner.what}
            </div>
          )}
        </DragOverlay>
      </DndContext>
      {asking && <BeginDialog {...asking} begin={() => give(asking.block)} close={() => setAsking(undefined)} />}
      {moving && who.get(moving) && (
        <MoveDialog
          learner={who.get(moving)!}
          options={moveOptions(question, seats.map(asPlanSeat), moving)}
          seated={seats.some(({ projectId }) => projectId === moving)}
          machines={machines}
          nameOf={nameOf}
          choose={(to) => move(moving, to)}
          close={() => setMoving(undefined)}
        />
      )}
      <div className="mt-6 flex flex-wrap items-center gap-4 print:hidden">
        <PrintButton words="Print the run sheet" />
        <a className="link" href={`/api/sessions/${sessionId}/sheet`} download>
          As a table (CSV)
        </a>
        {props.madeBy && <span className="text-sm">Kept by {props.madeBy}; every earlier plan is kept too.</span>}
      </div>
      {props.earlier.length > 0 && (
        <EarlierPlans
          plans={props.earlier}
          machines={machines}
          nameOf={nameOf}
          mayTake={mayPlan && !busy}
          take={({ seats: again, leftOut, when }) => keep(again, `The plan of ${when} stands again`, leftOut)}
        />
      )}
    </>
  )
}
