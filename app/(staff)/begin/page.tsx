import { Check } from 'lucide-react'
import type { Metadata } from 'next'
import { Link } from '@/ui/parts/link'
import { readBeginning } from '@/store/site/beginning'
import { mustSee } from '../../_server/actor'
import { beginSteps } from '../../_server/begin-steps'
import { siteOf } from '../../_server/site'
import { booksOf } from '../../_server/store'

export const metadata: Metadata = { title: 'Getting ready' }

/** The way from an empty room to its first session; left and taken up again at will, since it only looks at what is there. */
export default async function BeginPage() {
  const actor = await mustSee('see-people')
  const [beginning, site] = await Promise.all([
    readBeginning(booksOf(actor.siteId), actor.siteId),
    siteOf(actor.siteId),
  ])
  const steps = beginSteps(beginning)
  const next = steps.find(({ there, later }) => !there && !later) ?? steps.find(({ there }) => !there)
  return (
    <div className="mx-auto max-w-3xl">
      <h1 className="text-3xl font-bold">
        Getting <bdi>{site.name}</bdi> ready
      </h1>
      <p className="mt-1 text-lg">
        {next
          ? 'Leave this whenever you like: it looks at what is there, and the next step is the one marked.'
          : 'Everything is there. Plan the first session from its page.'}
      </p>
      <ol className="mt-6">
        {steps.map((step, index) => (
          <li
            key={step.title}
            aria-current={step === next ? 'step' : undefined}
            className={`seam flex gap-4 py-4 ${step === next ? 'border-l-8 border-l-primary pl-4' : 'pl-2'}`}
          >
            <span
              className={`grid size-9 shrink-0 place-items-center rounded-full border-2 ${step.there ? 'border-success text-success' : 'border-base-content'}`}
              aria-hidden="true"
            >
              {step.there ? <Check className="size-5" /> : index + 1}
            </span>
            <div className="flex min-w-0 flex-1 flex-wrap items-center gap-x-4 gap-y-2">
              <div className="min-w-0 flex-1 basis-72">
                <h2 className="text-xl font-bold">
                  {step.title}
                  {step.there && <span className="font-normal"> · {step.there}</span>}
                  {!step.there && step.later && <span className="text-base font-normal"> · can wait</span>}
                </h2>
                <p>{step.why}</p>
              </div>
              <Link href={step.href} className={`btn ${step === next ? 'btn-primary btn-lg' : 'btn-outline'}`}>
                {step.button}
              </Link>
            </div>
          </li>
        ))}
      </ol>
    </div>
  )
}
