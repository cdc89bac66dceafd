import type { WeekPlan } from '@/core/session/course-plan'
import { itemWords } from '@/core/stock/item'
import { notFound } from '@/store/refused'
import { readSessions } from '@/store/session/sessions'
import { mustBeAllowed } from '../../../../_server/actor'
import { answering, isId, sameSiteOnly } from '../../../../_server/answer'
import { planRequest, readEvenings } from '../../../../_server/evening'
import { linesOfJson } from '../../../../_server/lines'
import { planCourseApart } from '../../../../_server/planner'
import { theStore } from '../../../../_server/store'

/** One evening may be thought about so long, with all the others to come. */
const SECONDS = 4

/** Plans what is left of a course, evening after evening; answers a line of JSON for each. Nothing is kept. */
export const POST = (request: Request, { params }: { params: Promise<{ course: string }> }): Promise<Response> =>
  answering(async () => {
    sameSiteOnly(request)
    const actor = await mustBeAllowed('set-plan')
    const { course } = await params
    const now = new Date()
    const sessions = isId(course) ? await readSessions(theStore(), actor.siteId, { courseId: course, from: now }) : []
    const coming = sessions.filter(({ calledOff }) => !calledOff)
    if (coming.length === 0) throw notFound('evening to come', 'course')
    const evenings = await readEvenings(actor.siteId, coming)
    const weeks = evenings.map((evening) => ({
      sessionId: evening.session.sessionId,
      startsAt: evening.session.startsAt.toISOString(),
      request: { ...planRequest(evening, now), seconds: SECONDS },
    }))
    const names = new Map(
      evenings.flatMap(({ facts }) => facts.learners.map((each) => [each.projectId, each.learner] as const)),
    )
    const shown = ({ sessionId, plan, needs, left }: WeekPlan) => ({
      sessionId,
      seats: plan.seats,
      changeoverMinutes: plan.changeoverMinutes,
      optimal: plan.optimal,
      unseated: plan.unseated.map(({ student, because }) => ({ name: names.get(student) ?? 'somebody', because })),
      help: plan.help,
      needles: needs.filter(({ usedUp }) => usedUp).map(({ item, count }) => ({ words: itemWords(item), count })),
      runsOut: left.filter(({ count }) => count === 0).map(({ item }) => itemWords(item)),
    })
    return linesOfJson(async (say, stop) => {
      await planCourseApart(weeks, (week) => say({ week: shown(week) }), stop)
      say({ done: true })
    })
  })
