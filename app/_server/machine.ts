import 'server-only'
import { notFound } from 'next/navigation'
import { cache } from 'react'
import { standingOf } from '@/core/machine/standing'
import { readMachine } from '@/store/machine/machines'
import { readMachineVersions } from '@/store/machine/versions'
import { lastGiven, readProjects } from '@/store/project/projects'
import { isId } from './answer'
import { siteOf } from './site'
import { booksOf } from './store'
import { machinesVersion } from './versions'

/** One machine as its pages need it: with the room's rules, its standing, and whose turn it is. */
export const machinePage = cache(async (siteId: string, machineId: string) => {
  const store = booksOf(siteId)
  if (!isId(machineId)) notFound()
  // Before all else: what changes while the rest is read is drawn anew, and never missed.
  const { each } = machinesVersion(await readMachineVersions(store, siteId, machineId))
  const [machine, site, projects] = await Promise.all([
    readMachine(store, siteId, machineId),
    siteOf(siteId),
    readProjects(store, siteId, { machineId }),
  ])
  if (!machine) notFound()
  return {
    machine,
    version: each[machineId]!,
    site,
    projects,
    project: lastGiven(projects),
    standing: standingOf(machine.state, site.houseRules.needle, new Date().toISOString()),
  }
})
