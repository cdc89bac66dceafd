import { readMeterText } from '@/core/exchange/meter-line'
import { loadOf } from '@/core/wear/wear'
import { runCommand } from '@/store/commands/run'
import { openWith } from '@/store/keys/keys'
import { lastGiven, readProjects } from '@/store/project/projects'
import { Refused } from '@/store/refused'
import { answering } from '../../_server/answer'
import { storeOf } from '../../_server/store'
import { everyVenue } from '../../_server/every-venue'

const MOST_CHARACTERS = 200_000

/**
 * Stretches of sewing from a machine's run meter, in its line protocol (docs/run-meter.md). The key says which machine it
 * is; whose turn it is there says which cloth wears the needle.
 */
export const POST = (request: Request): Promise<Response> =>
  answering(request, async () => {
    const secret = /^Bearer (\S+)$/.exec(request.headers.get('authorization') ?? '')?.[1]
    const key = secret && (await openWith(everyVenue(), 'run-meter', secret, new Date()))
    if (!key || !key.machineId) throw new Refused(401, 'no-key', 'Send the meter’s own key: Authorization: Bearer …')
    if (request.headers.get('content-type')?.split(';')[0]?.trim() !== 'text/plain') {
      throw new Refused(415, 'not-text', 'Send the meter’s lines, with Content-Type: text/plain')
    }
    const text = await request.text()
    if (text.length > MOST_CHARACTERS) throw new Refused(400, 'too-large', 'Send fewer lines at once')
    const runs = readMeterText(text)
    const project = lastGiven(await readProjects(storeOf(key.siteId), key.siteId, { machineId: key.machineId }))
    const load = project ? loadOf(project.fabric, project.given?.kit.topThread) : 'ordinary'
    const landed = { now: 0, before: 0 }
    for (const run of runs) {
      const body = {
        machineId: key.machineId,
        happenedAt: run.endedAt,
        kind: 'used',
        body: {
          use: { load, motorMinutes: run.motorSeconds / 60 },
          finishedProject: false,
          metered: { stitches: run.stitches, starts: run.starts },
          ...(project && { projectId: project.projectId }),
        },
      }
      // A meter writes in the name of whoever gave it its key, and may do no more than a helper.
      const actor = { siteId: key.siteId, personId: key.madeBy, role: 'helper' as const }
      landed[await landing(actor, run.runId, body)] += 1
    }
    return { landed: landed.now, before: landed.before }
  })

type Actor = Parameters<typeof runCommand>[1]

/** The same stretch sent again counts as landed, though another project may have begun at the machine since. */
async function landing(actor: Actor, commandId: string, body: object): Promise<'now' | 'before'> {
  try {
    return (await runCommand(storeOf(actor.siteId), actor, 'log', { commandId, body })).landed
  } catch (error) {
    if (error instanceof Refused && error.code === 'id-taken') return 'before'
    throw error
  }
}
