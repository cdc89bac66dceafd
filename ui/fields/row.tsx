import type { ReactNode } from 'react'

/** What every field is given: what it is called, what it holds, and where what was typed goes. */
export interface FieldOf<Value> {
  readonly label: string
  readonly value: Value
  readonly set: (value: Value) => void
  /** what helps to answer, said before anything goes wrong */
  readonly hint?: ReactNode
  /** what is wrong with the answer as it stands */
  readonly error?: string | undefined
  /** `small`: one of several in a row; `beside`: its label stands on its left where there is room; `unseen`: what stands around it says what it is, and its label is only read aloud */
  readonly look?: 'small' | 'beside' | 'unseen'
}

/** What ties a field's input to its words for whoever hears the page read aloud. */
export const described = (id: string, { hint, error }: Pick<FieldOf<unknown>, 'hint' | 'error'>) => ({
  id,
  'aria-invalid': error !== undefined,
  'aria-describedby': [hint && `${id}-hint`, error && `${id}-error`].filter(Boolean).join(' ') || undefined,
})

interface Framed extends Pick<FieldOf<unknown>, 'label' | 'hint' | 'error' | 'look'> {
  readonly id: string
  readonly children: ReactNode
}

const FRAMES = {
  above: 'flex flex-col gap-1',
  small: 'flex flex-col gap-1',
  unseen: 'flex flex-col gap-1',
  beside: 'grid items-center gap-x-4 gap-y-1 sm:grid-cols-[16rem_1fr] sm:[&>:nth-child(n+3)]:col-start-2',
} as const
const LABELS = { above: 'font-bold', small: 'text-sm font-semibold', beside: '', unseen: 'sr-only' } as const

/** A field as it stands on the page: its label above, then the input, then its hint and what is wrong. */
export function Row({ id, label, hint, error, look, children }: Framed) {
  return (
    <div className={FRAMES[look ?? 'above']}>
      <label htmlFor={id} className={LABELS[look ?? 'above']}>
        {label}
      </label>
      {children}
      <Notes id={id} hint={hint} error={error} />
    </div>
  )
}

/** Several answers under one question. */
export function Group({ id, label, hint, error, look, children }: Framed) {
  return (
    <fieldset aria-describedby={described(id, { hint, error })['aria-describedby']}>
      <legend className={`mb-1 ${LABELS[look ?? 'above']}`}>{label}</legend>
      <div className="flex flex-wrap gap-2">{children}</div>
      <Notes id={id} hint={hint} error={error} />
    </fieldset>
  )
}

function Notes({ id, hint, error }: Pick<FieldOf<unknown>, 'hint' | 'error'> & { readonly id: string }) {
  return (
    <>
      {hint && (
        <span id={`${id}-hint`} className="text-sm">
          {hint}
        </span>
      )}
      {error && (
        <span id={`${id}-error`} role="alert" className="border-l-4 border-error pl-2 text-sm text-error">
          {error}
        </span>
      )}
    </>
  )
}
