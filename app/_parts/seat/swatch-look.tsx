'use client'

export function Look({
  name,
  chosen,
  words,
  choose,
  children,
}: {
  name: string
  chosen: boolean
  words: string
  choose: () => void
  children: React.ReactNode
}) {
  return (
    <label
      className={`flex cursor-pointer flex-col gap-1 border-2 p-2 has-focus-visible:outline-3 has-focus-visible:outline-primary ${chosen ? 'border-primary bg-base-200' : 'border-base-300'}`}
    >
      <input type="radio" name={name} className="sr-only" checked={chosen} onChange={choose} aria-label={words} />
      {children}
      <span className="text-sm leading-tight">
        {chosen && <span aria-hidden="true">✓ </span>}
        {words}
      </span>
    </label>
  )
}
