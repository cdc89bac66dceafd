import type { Answer, Answered } from '../knowledge/tension/answer'
import { LESSON, type LessonMoment } from '../knowledge/tension/lesson'

/** Which moment of the lesson shows a thing. */
const SHOWN_IN: Readonly<Partial<Record<Answer, string>>> = {
  good: 'good',
  'too-tight': 'tight',
  'too-loose': 'loose',
  threading: 'discs',
  needle: 'needle',
  'dial-up': 'tight',
  'dial-down': 'loose',
  rethread: 'discs',
  'change-needle': 'needle',
}

/** The moment of the lesson that shows what was mixed up, where there is one. */
export const momentOf = ({ shown }: Pick<Answered, 'shown'>): LessonMoment | undefined =>
  LESSON.find(({ id }) => id === SHOWN_IN[shown])
