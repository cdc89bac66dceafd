import { Link } from '@/ui/parts/link'

/** Says which steps are asked and why, and the way to all of them. */
export function WhatIsAsked({
  shortened,
  nothing,
  swatchHref,
  wholeHref,
}: {
  shortened: boolean
  nothing: boolean
  /** given when a swatch is still due */
  swatchHref: string | undefined
  wholeHref: string
}) {
  if (!shortened) return null
  return (
    <div className={nothing ? 'sheet p-6 text-lg' : ''}>
      <p>
        {nothing
          ? 'Every step that was checked still holds: nothing has changed since.'
          : 'Only what has changed since it was last checked.'}{' '}
        <Link className="link" href={wholeHref}>
          The whole check
        </Link>
      </p>
      {nothing && swatchHref && (
        <Link className="btn btn-primary btn-lg mt-4" href={swatchHref}>
          Now the test swatch
        </Link>
      )}
    </div>
  )
}
