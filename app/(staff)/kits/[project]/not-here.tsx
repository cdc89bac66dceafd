import type { Refusal } from '@/core/kit/request'

/** Why there is no kit on this machine: something about it is not known yet, or it cannot sew this. */
export function NotHere({
  name,
  missing,
  refusals = [],
}: {
  name: string
  missing?: readonly string[] | undefined
  refusals?: readonly Refusal[] | undefined
}) {
  return (
    <>
      {missing && (
        <section className="sheet p-6">
          <h2 className="text-xl font-bold">Not known of {name} yet</h2>
          <p className="mt-1">No kit can be promised until somebody looks:</p>
          <ul className="mt-2 list-disc pl-6">
            {missing.map((question) => (
              <li key={question}>{question}</li>
            ))}
          </ul>
        </section>
      )}
      {refusals.length > 0 && (
        <section className="sheet border-error p-6">
          <h2 className="text-2xl font-bold">Not on {name}</h2>
          {refusals.map((refusal) => (
            <div key={refusal.limit} className="mt-3">
              <p className="text-lg">{refusal.because}</p>
              <p>
                <strong>Would help:</strong> {refusal.wouldHelp}
              </p>
            </div>
          ))}
        </section>
      )}
    </>
  )
}
