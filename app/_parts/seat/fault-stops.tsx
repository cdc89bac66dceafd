interface Props {
  readonly name: string
  readonly busy: boolean
  readonly role: 'learner' | 'staff'
  readonly back: () => void
  /** what was wrong with the last write */
  readonly children: React.ReactNode
}

/** Nobody looks further than the plug. */
export function ElectricalStop({ name, role, busy, back, children, stop }: Props & { stop: () => void }) {
  return (
    <section className="sheet border-l-8 border-l-error p-6">
      <h2 className="text-2xl font-bold">Stop. Unplug it at the wall now</h2>
      <p className="mt-2 text-lg">
        A smell, a spark, a shock or a damaged cord is for a licensed repairer. Nobody looks further than the plug, and
        nobody sews on {name}.
      </p>
      <div className="mt-4 flex flex-wrap gap-3">
        <button type="button" className="btn btn-error btn-lg" disabled={busy} onClick={stop}>
          {role === 'staff' ? `It is unplugged: stop ${name}` : `It is unplugged: stop ${name} and call staff`}
        </button>
        <button type="button" className="btn btn-ghost btn-lg" onClick={back}>
          Back
        </button>
      </div>
      {children}
    </section>
  )
}

/** The break itself, before anything is looked for. */
export function BreakStop({
  name,
  busy,
  back,
  children,
  role,
  broke,
}: Props & { broke: (piecesFound: boolean) => void }) {
  return (
    <section className="sheet border-l-8 border-l-error p-6">
      <h2 className="text-2xl font-bold">Stop. Foot off the pedal, power off</h2>
      <p className="mt-2 text-lg">
        Glasses stay on. Find every piece: point, blade and shank, laid together to the whole length. Look on the cloth,
        in the case and under the plate. Nobody sews on {name} until each one lies on the table.
      </p>
      <div className="mt-4 flex flex-wrap gap-3">
        {role === 'staff' && (
          <button type="button" className="btn btn-primary btn-lg" disabled={busy} onClick={() => broke(true)}>
            Every piece is found
          </button>
        )}
        <button type="button" className="btn btn-error btn-lg" disabled={busy} onClick={() => broke(false)}>
          {role === 'staff' ? `Not every piece: stop ${name}` : `It broke: stop ${name} and call staff`}
        </button>
        <button type="button" className="btn btn-ghost btn-lg" onClick={back}>
          It is whole
        </button>
      </div>
      {children}
    </section>
  )
}
