import { roomCheck, seatCheck } from '@/core/check/seat-check'
import { fabricClass, completeFabric } from '@/core/fabric/intake'
import { computeKit } from '@/core/kit/kit'
import type { Kit, KitMachine, KitRequest } from '@/core/kit/request'
import type { MachineEvent } from '@/core/machine/event'
import { foldMachine } from '@/core/machine/fold'
import { kitMachine } from '@/core/kit/kit-machine'
import { wearOfFitting } from '@/core/machine/standing'
import type { Load } from '@/core/knowledge/needle/wear'
import { DEFAULT_HOUSE_RULES } from '@/core/room/house-rules'
import { DEMO_MACHINES, type DemoMachine } from './machines'
import { DEMO_PROJECTS } from './projects'
import type { Chance } from './random'

/** One line to be written, and by whom. */
export interface ToldEvent {
  readonly machine: string
  readonly by: 'coordinator' | 'instructor' | 'helper'
  readonly event: Omit<MachineEvent, 'personId'>
}

const WEEKS = 8
const MINUTE = 60_000

/** The last eight Thursdays at 18:00 UTC before `today`, oldest first. */
function thursdays(today: Date): Date[] {
  const day = new Date(Date.UTC(today.getUTCFullYear(), today.getUTCMonth(), today.getUTCDate(), 18))
  do day.setUTCDate(day.getUTCDate() - 1)
  while (day.getUTCDay() !== 4)
  return Array.from({ length: WEEKS }, (_, week) => new Date(day.getTime() - (WEEKS - 1 - week) * 7 * 24 * 60 * MINUTE))
}

const LOADS: Readonly<Record<string, Load>> = {
  woven: 'ordinary',
  knit: 'ordinary',
  pile: 'hard',
  felt: 'hard',
  coated: 'hard',
  leather: 'harsh',
}

/** Eight weeks of believable Thursdays, told by the same rules that the room lives by. */
export function demoHistory(chance: Chance, today: Date): ToldEvent[] {
  return DEMO_MACHINES.flatMap((machine) => tellMachine(machine, chance, thursdays(today), today))
}

function tellMachine(machine: DemoMachine, chance: Chance, sessions: readonly Date[], today: Date): ToldEvent[] {
  const told: ToldEvent[] = []
  const known = kitMachine(machine.traits)
  if ('missing' in known) throw new Error(`${machine.name} lacks ${known.missing.join(', ')}`)
  let at = sessions[0]!
  const tell = (
    happening: { kind: string; body: object },
    by: ToldEvent['by'] = chance.pick(['helper', 'instructor']),
    afterMinutes = chance.between(2, 6),
  ) => {
    at = new Date(at.getTime() + afterMinutes * MINUTE)
    const event = { eventId: chance.id(at), happenedAt: at.toISOString(), ...happening } as ToldEvent['event']
    told.push({ machine: machine.name, by, event })
    return event
  }
  const state = () => foldMachine(told.map(({ event }) => ({ ...event, personId: 'told' }) as MachineEvent))
  const project = DEMO_PROJECTS.find((each) => each.machine === machine.name)

  sessions.forEach((session, week) => {
    at = session
    const last = week === sessions.length - 1
    const kit = last && project ? kitFor(project, known.machine) : everydayKit(chance, known.machine)
    if (!kit) return
    prepare(week)
    fitNeedle(kit)
    tell({
      kind: 'set-up',
      body: {
        thread: kit.topThread,
        bobbinThread: kit.bobbinThread,
        foot: kit.foot,
        dial: kit.dial.setting!,
        ...(last && project && { fabricClass: fabricClass(completeFabric(project.fabric)) }),
      },
    })
    runCheck(kit, week)
    if (machine.name === 'Heron' && week === 4) footDownMystery(kit)
    stitchSwatch(kit, chance.next() < 0.35)
    troubles(week)
    if (machine.name === 'Curlew' && week === 3) breakNeedle(false)
    if (machine.name === 'Avocet' && week === 6) breakNeedle(true)
    const load = LOADS[last && project ? project.fabric.structure : 'woven'] ?? 'ordinary'
    if (state().fitting) {
      const use = { load, chairMinutes: chance.between(70, 105), duty: machine.name === 'Plover' ? 0.5 : 0.25 }
      tell(
        { kind: 'used', body: { use, finishedProject: week % 3 === 2 || (machine.name === 'Plover' && last) } },
        'helper',
        use.chairMinutes,
      )
    }
    if (week % 2 === 1) {
      tell({
        kind: 'cleaned',
        body: { found: chance.pick(['a little lint', 'lots of fluff', 'a thread end in the race']) },
      })
      if (machine.traits.oiling?.startsWith('race')) tell({ kind: 'oiled', body: {} })
      runCheck(kit, week)
    }
  })
  endings()
  return told

  /** What the session before class writes: the day-start baseline once, the room check, oil where the manual wants it. */
  function prepare(week: number): void {
    const { tensionDial, feet, oiling } = machine.traits
    if (week === 0 && tensionDial && feet) {
      tell(
        { kind: 'baseline-set', body: { settings: { dial: tensionDial.normal, lengthMm: 2.5, foot: feet[0]! } } },
        'coordinator',
      )
    }
    lookOver()
    if (oiling === 'race-and-arm' && week % 4 === 2) tell({ kind: 'oiled', body: { where: 'everywhere' } }, 'helper')
    tell({ kind: 'bobbin-wound', body: { count: 1 + (week % 2) } }, 'helper')
  }

  /** The room check, all well. */
  function lookOver(): void {
    const steps = roomCheck(machine.traits).map(({ step, group }) => ({ step, group, result: 'pass' as const }))
    tell({ kind: 'check-run', body: { list: 'room', steps } }, 'helper')
  }

  function fitNeedle(kit: Kit): void {
    const { fitting } = state()
    const wear = fitting && wearOfFitting(fitting, DEFAULT_HOUSE_RULES.needle)
    const wanted = kit.needle
    const isRight = fitting && fitting.needle.point === wanted.point && fitting.needle.sizeNm === wanted.sizeNm
    if (isRight && wear?.verdict !== 'change') return
    const worn = wear?.verdict === 'change'
    tell({
      kind: 'needle-changed',
      body: {
        ...(fitting && {
          out: worn
            ? { reason: 'due', state: 'blunt', wentTo: 'sharps' }
            : { reason: 'other-kit', state: 'sharp', wentTo: 'part-used' },
        }),
        in: {
          system: wanted.system,
          point: wanted.point,
          sizeNm: wanted.sizeNm,
          ...(wanted.gapMm !== undefined && { gapMm: wanted.gapMm }),
          condition: 'new',
        },
      },
    })
  }

  function runCheck(kit: Kit, week: number): void {
    const asked = seatCheck(machine.traits, kit)
    const slip = chance.next() < 0.12 ? chance.pick(asked).step : undefined
    const steps = (failing?: string) =>
      asked.map(({ step, group }) => ({ step, group, result: step === failing ? 'fail' : 'pass' }))
    if (slip && week < WEEKS - 1) tell({ kind: 'check-run', body: { list: 'seat', steps: steps(slip) } })
    tell({ kind: 'check-run', body: { list: 'seat', steps: steps() } })
  }

  function stitchSwatch(kit: Kit, off: boolean): void {
    const target = kit.stitch.iso === '301' ? 'straight' : kit.stitch.of === 'decorative' ? 'decorative' : 'zigzag'
    const dial = kit.dial.setting!
    const good = target === 'straight' ? 'own' : 'dots'
    if (off) tell({ kind: 'swatch-stitched', body: { dial, target, top: 'dots', under: 'own', done: [] } })
    const done = off ? ['rethreaded'] : []
    tell({ kind: 'swatch-stitched', body: { dial, target, top: 'own', under: good, done } })
  }

  /** Three nests in one session, and no dial was ever wrong: the machine had been threaded with its foot down. */
  function footDownMystery(kit: Kit): void {
    const dial = kit.dial.setting!
    for (const done of [[], ['needle'], ['needle', 'bobbin']]) {
      tell({ kind: 'swatch-stitched', body: { dial, target: 'straight', top: 'own', under: 'nest', done } }, 'helper')
    }
    tell(
      {
        kind: 'noted',
        body: {
          text: 'Three nests in a row. It had been threaded with the foot down each time: foot up, and it was gone.',
        },
      },
      'instructor',
    )
  }

  /** What went wrong and what cured it: on Heron always the same, on Plover its old needles. */
  function troubles(week: number): void {
    if (machine.name === 'Heron' && week >= 4 && week <= 6) {
      const answers = [
        { check: 'tails-held', found: false },
        { check: 'rethread-foot-up', found: true },
      ] as const
      tell(
        {
          kind: 'fault-run',
          body: { symptom: 'nest-at-start', answers: [...answers], outcome: 'cured', cured: 'rethread-foot-up' },
        },
        'helper',
      )
    }
    if (machine.name === 'Plover' && (week === 2 || week === 5)) {
      const answers = [{ check: 'needle-condition' as const, found: true }]
      tell(
        { kind: 'fault-run', body: { symptom: 'skipped', answers, outcome: 'cured', cured: 'needle-condition' } },
        'helper',
      )
    }
  }

  function breakNeedle(piecesFound: boolean): void {
    tell({ kind: 'needle-broke', body: { piecesFound, cause: 'cloth pulled over the crossing' } }, 'helper')
    if (!piecesFound) tell({ kind: 'pieces-found', body: {} }, 'coordinator', 20)
    const needle = everydayKit(chance, (known as { machine: KitMachine }).machine)!.needle
    tell({
      kind: 'needle-changed',
      body: { in: { system: needle.system, point: needle.point, sizeNm: needle.sizeNm, condition: 'new' } },
    })
  }

  /** How the room was left on the last session: most machines ready, a few not. */
  function endings(): void {
    // Today the helper has begun to look the room over, and has not come to all of it yet.
    if (!['Godwit', 'Knot', 'Snipe'].includes(machine.name)) {
      at = new Date(Math.max(at.getTime(), today.getTime() - chance.between(40, 120) * MINUTE))
      lookOver()
    }
    if (machine.name === 'Godwit') {
      tell(
        {
          kind: 'red-tagged',
          body: { because: 'Pedal cord is frayed at the plug: unplugged, waiting for the licensed repairer' },
        },
        'instructor',
      )
    }
    if (machine.name === 'Knot') {
      tell({ kind: 'found-off', body: { settings: { lengthMm: 4 } } }, 'helper')
    }
    if (machine.name === 'Turnstone') {
      tell({ kind: 'set-up', body: { foot: 'non-stick' } }, 'helper')
    }
    if (machine.name === 'Snipe') {
      tell(
        {
          kind: 'needle-changed',
          body: {
            out: { reason: 'unknown-age', state: 'not-looked', wentTo: 'part-used' },
            in: { system: '130/705 H', point: 'universal', sizeNm: 80, condition: 'unverified' },
          },
        },
        'helper',
      )
    }
  }
}

/** The kit for a demo project on a machine, computed like any other. */
function kitFor(
  project: Pick<KitRequest, 'fabric' | 'layers' | 'operation'> | object,
  machine: KitMachine,
): Kit | undefined {
  const { fabric, layers, operation } = project as KitRequest
  return computeKit({ fabric, layers, operation, machine }).kits[0]
}

/** Ordinary Thursday work: cotton of some ordinary mass that this machine can sew. */
function everydayKit(chance: Chance, machine: KitMachine): Kit | undefined {
  const light = [120, 150, 150, 190]
  const heavy = [260, 300, 380]
  const masses = machine.needleNm.min >= 90 ? heavy : machine.needleNm.max <= 100 ? [150] : light
  return kitFor(
    {
      fabric: { structure: 'woven', massGsm: chance.pick(masses), traits: [] },
      layers: { seam: 2, crossing: 4 },
      operation: 'seam',
    },
    machine,
  )
}
