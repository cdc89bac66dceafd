import type { WeekPlan } from '@/core/session/course-plan'
import type { LineOf, PlannedWeek } from '@/core/wire/asks'
import { itemWords } from '@/core/stock/item'
import { notFound } from '@/store/refused'
import { readSessions } from '@/store/session/sessions'
import { isId } from '../../../../_server/answer'
import { planRequest, readSessionsFacts } from '../../../../_server/session-facts'
import { linesOfJson } from '../../../../_server/lines'
import { planCourseApart } from '../../../../_server/planner'
import { storeOf } from '../../../../_server/store'
import { answerTo } from '../../../../_server/asked'

/** One session may be thought about so long, with all the others to come. */
const SECONDS = 2

/** Plans what is left of a course, session after session; answers a line of JSON for each. Nothing is kept. */
export const POST = answerTo<'plan-course', { course: string }>(
  'plan-course',
  { may: 'set-plan', writes: true },
  async ({ actor, params }) => {
    const { course } = params
    const now = new Date()
    const all = isId(course)
      ? await readSessions(storeOf(actor.siteId), actor.siteId, { courseIds: [course], from: now })
      : []
    const coming = all.filter(({ calledOff }) => !calledOff)
    if (coming.length === 0) throw notFound('session to come', 'course')
    const sessions = await readSessionsFacts(actor.siteId, coming)
    const weeks = sessions.map((known) => ({
      sessionId: known.session.sessionId,
      startsAt: known.session.startsAt.toISOString(),
      request: { ...planRequest(known, now), seconds: SECONDS },
    }))
    const names = new Map(
      sessions.flatMap(({ facts }) => facts.learners.map((each) => [each.projectId, each.learner] as const)),
    )
    const shown = ({ sessionId, plan, needs, left }: WeekPlan): PlannedWeek => ({
      sessionId,
      seats: [...plan.seats],
      changeoverMinutes: plan.changeoverMinutes,
      optimal: plan.optimal,
      unseated: plan.unseated.map(({ student, because }) => ({ name: names.get(student) ?? 'somebody', because })),
      help: plan.help,
      needles: needs.filter(({ usedUp }) => usedUp).map(({ item, count }) => ({ words: itemWords(item), count })),
      runsOut: left.filter(({ count }) => count === 0).map(({ item }) => itemWords(item)),
    })
    return linesOfJson<LineOf<'plan-course'>>(async (say, stop) => {
      let told = 0
      await planCourseApart(
        weeks,
        (week, stage) => {
          say({ week: shown(week) })
          if (stage === 'planned' && (told += 1) === weeks.length) say({ planned: true })
        },
        stop,
      )
      say({ done: true })
    })
  },
)
