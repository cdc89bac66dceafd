'use client'

export default function Failed({ reset }: { reset: () => void }) {
  return (
    <main id="main" className="mx-auto flex min-h-[70dvh] max-w-xl flex-col justify-center gap-4 px-5">
      <h1 className="text-3xl font-bold">This page could not be drawn</h1>
      <p className="text-lg">
        Nothing that was written down is lost. It may be that the database is away for a moment.
      </p>
      <p>
        <button type="button" className="btn btn-primary" onClick={reset}>
          Try again
        </button>
      </p>
    </main>
  )
}
