import 'server-only'
import { notFound } from 'next/navigation'
import { cache } from 'react'
import { standingOf } from '@/core/machine/standing'
import { readMachine } from '@/store/machine/machines'
import { lastGiven, readProjects } from '@/store/project/projects'
import { isId } from './answer'
import { siteOf } from './site'
import { theStore } from './store'

/** One machine as its pages need it: with the room's rules, its standing, and whose turn it is. */
export const machinePage = cache(async (siteId: string, machineId: string) => {
  const store = theStore()
  if (!isId(machineId)) notFound()
  const [machine, site, projects] = await Promise.all([
    readMachine(store, siteId, machineId),
    siteOf(siteId),
    readProjects(store, siteId, { machineId }),
  ])
  if (!machine) notFound()
  return {
    machine,
    site,
    projects,
    project: lastGiven(projects),
    standing: standingOf(machine.state, site.houseRules.needle, new Date().toISOString()),
  }
})
