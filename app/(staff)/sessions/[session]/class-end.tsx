import type { ReactNode } from 'react'
import { CLASS_END } from '@/core/knowledge/care/place-caution'

/** What is done when the last one has left, in its order; on the run sheet it is printed with it. */
export const ClassEnd = ({ children }: { children?: ReactNode }) => (
  <section className="mt-8" aria-labelledby="class-end">
    <h2 id="class-end" className="text-xl font-bold">
      When the last one has left
    </h2>
    <ol className="mt-2 grid gap-x-6 gap-y-2 sm:grid-cols-2">
      {CLASS_END.map(({ title, how }) => (
        <li key={title} className="seam py-2">
          <strong>{title}.</strong> {how}
        </li>
      ))}
    </ol>
    {children}
  </section>
)
