/** A label's code: as a camera reads it, and as it is typed. */
export interface PrintedCode {
  readonly code: string
  /** modules across */
  readonly size: number
  /** an SVG path of the dark modules, one unit each */
  readonly path: string
}

export function PrintedCodeFigure({ code, className }: { code: PrintedCode; className: string }) {
  return (
    <figure className="text-center">
      <svg
        viewBox={`-2 -2 ${code.size + 4} ${code.size + 4}`}
        className={className}
        role="img"
        aria-label={`Code ${code.code}`}
      >
        <path d={code.path} fill="currentColor" />
      </svg>
      <figcaption className="font-mono text-sm font-bold">{code.code}</figcaption>
    </figure>
  )
}
