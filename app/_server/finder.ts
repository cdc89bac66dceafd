import 'server-only'
import { seatCheck, type CheckStep } from '@/core/check/seat-check'
import { afterFail } from '@/core/fault/lead-on'
import { curesOf } from '@/core/fault/patterns'
import { knownOfFault } from '@/core/fault/known'
import { FAULT_CHECKS, type FaultCheck } from '@/core/knowledge/fault/fault-check'
import { SYMPTOMS, type Symptom } from '@/core/knowledge/fault/symptom'
import { faultsOf, openFaultWords } from '@/core/machine/standing'
import { itemKey } from '@/core/stock/item'
import { readStanding } from '@/store/machine/standing-lines'
import type { Machine } from '@/store/machine/machines'
import { readKitBefore, type Project } from '@/store/project/projects'
import { readFaultRuns } from '@/store/room/fault-runs'
import { readMoves } from '@/store/stock/stock'
import type { Site } from '@/store/site/site'
import { booksOf } from './store'

/** How far back a room's own cures count. */
const CURES_DAYS = 365
const DAY_MS = 24 * 3_600_000
/** More needles than break or are changed at one machine while a strike is recent. */
const NEEDLE_LINES = 12

/** What the finder is told of a machine: what its book knows, its own ways, and what cured things in this room. */
export async function finderProps(
  site: Site,
  machine: Machine,
  project: Project | undefined,
  asked: { readonly symptom?: string | undefined; readonly after?: string | undefined },
) {
  const { state, traits } = machine
  const now = Date.now()
  const thread =
    state.thread && itemKey({ kind: 'thread', tex: state.thread.tex, fibre: state.thread.fibre, use: state.thread.use })
  const [runs, needleLines, threadMoves, kitBefore] = await Promise.all([
    readFaultRuns(booksOf(site.siteId), site.siteId, new Date(now - CURES_DAYS * DAY_MS)),
    readStanding(booksOf(site.siteId), site.siteId, {
      kinds: ['needle-broke', 'needle-changed'],
      machineIds: [machine.machineId],
      newest: NEEDLE_LINES,
    }),
    thread ? readMoves(booksOf(site.siteId), site.siteId, thread) : [],
    readKitBefore(booksOf(site.siteId), site.siteId, machine.machineId),
  ])
  const { fitting } = state
  // From a check that did not pass: the step says where to begin.
  const failed = state.failedSteps.find(({ step }) => step === asked.after)
  const symptom = failed ? afterFail(failed).symptom : asked.symptom
  const known = knownOfFault(
    {
      state,
      needleRules: site.houseRules.needle,
      fabricStructure: project?.fabric.structure,
      needleLines,
      threadMoves,
      kitBefore,
      failed,
    },
    now,
  )
  const steps = seatCheck(traits, project?.given?.kit)
  return {
    machineId: machine.machineId,
    name: machine.name,
    ...(project && { projectId: project.projectId }),
    known,
    open: faultsOf(state).map((each) => ({ ...each, words: openFaultWords(each) })),
    brokenKnown: state.locks.some(({ kind }) => kind === 'broken-needle') || (!fitting && state.brokeAt !== undefined),
    cures: Object.fromEntries(SYMPTOMS.map((symptom) => [symptom, curesOf(runs, symptom)])),
    ways: Object.fromEntries(FAULT_CHECKS.map((check) => [check, waysOf(check, steps)])) as Record<
      FaultCheck,
      CheckStep[]
    >,
    drawn: { traits, set: project?.given?.kit.dial.setting ?? traits.tensionDial?.normal },
    ...(SYMPTOMS.includes(symptom as Symptom) && { symptom: symptom as Symptom }),
  }
}

/** How this machine does what a check asks for. */
const waysOf = (check: FaultCheck, steps: readonly CheckStep[]): CheckStep[] =>
  steps.filter(({ checks }) => checks?.includes(check))
