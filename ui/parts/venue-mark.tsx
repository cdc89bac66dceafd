/** Whose paper it is. */
export interface PrintedVenue {
  readonly name: string
  /** a picture as a data address */
  readonly logo?: string | undefined
}

/** A venue's name, with its picture beside it where it has one, as it stands at the head of what is printed. */
export function VenueMark({
  name,
  logo,
  small = false,
  className = '',
}: PrintedVenue & {
  /** where the sheet has no line to spare */
  small?: boolean
  className?: string
}) {
  return (
    <p className={`flex items-center gap-2 ${className}`}>
      <bdi>{name}</bdi>
      {/* As high as the line beside it; the name says already whose it is. */}
      {logo && <img src={logo} alt="" className={`max-w-[40mm] object-contain ${small ? 'h-[5mm]' : 'h-[9mm]'}`} />}
    </p>
  )
}
