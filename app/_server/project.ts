import 'server-only'
import { notFound } from 'next/navigation'
import { cache } from 'react'
import { readProject, type Project } from '@/store/project/projects'
import { isId } from './answer'
import { booksOf } from './store'

/** One project as its pages need it, read once a request; no such project is no such page. */
export const projectPage = cache(async (siteId: string, projectId: string): Promise<Project> => {
  const project = isId(projectId) ? await readProject(booksOf(siteId), siteId, projectId) : undefined
  return project ?? notFound()
})
