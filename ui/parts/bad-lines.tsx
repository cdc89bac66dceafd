/** Lines of a sheet that could not be read: where, why, and what stands there. */
export function BadLines({
  bad,
}: {
  bad: readonly {
    readonly line: number
    readonly column: string
    readonly because: string
    readonly cells: readonly string[]
  }[]
}) {
  if (bad.length === 0) return null
  return (
    <ul aria-label="Lines that cannot be read" className="mb-3 border-l-4 border-error pl-3">
      {bad.map(({ line, column, because, cells }) => (
        <li key={line}>
          Line {line}, {column}: {because}
          <span className="block font-mono text-sm opacity-80">{cells.filter(Boolean).join(' · ')}</span>
        </li>
      ))}
    </ul>
  )
}
