import { formatInTimeZone } from '@/ui/time'
import type { ForNextTime as Said } from '@/store/session/for-next-time'

/** When they meet again, and what the instructor said they bring. */
export function ForNextTime({ classes, timeZone }: { classes: readonly Said[]; timeZone: string }) {
  if (classes.length === 0) return null
  return (
    <section aria-label="For next time" className="seam mt-6 pt-4">
      <h2 className="text-2xl font-bold">For next time</h2>
      {classes.map(({ course, said, meets }) => (
        <p key={course} className="text-lg">
          {course}
          {meets
            ? ` meets again on ${formatInTimeZone(meets, timeZone)}.`
            : ': no further session is planned yet.'}{' '}
          {said && <strong>{said}</strong>}
        </p>
      ))}
    </section>
  )
}
