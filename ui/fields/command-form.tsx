'use client'

import { useState, type ReactNode } from 'react'
import {
  useForm,
  useWatch,
  type DefaultValues,
  type FieldErrors,
  type FieldValues,
  type Path,
  type PathValue,
} from 'react-hook-form'
import { CHECKS } from '@/.generated/form-checks/checks.mjs'
import { faultsIn } from '@/core/schema/fault-words'
import type { Fault } from '@/core/schema/invalid'
import { capital } from '@/core/units/words'
import type { CommandName, CommandSent } from '@/core/wire/commands'
import type { EntryAnswer, EntryBody, EntryName } from '@/core/wire/entries'
import type { FormBody, FormName } from '@/core/wire/form-bodies'
import { sendEntry } from '../ask'
import { fieldAt } from './field-at'
import { FaultNote } from '../parts/fault-note'
import { useWrite, type WriteWords } from '../parts/use-write'

/** What is wrong with a body before it is sent: the server's very schema, compiled when the application was built. */
export async function wrongWith<Name extends FormName>(name: Name, body: FormBody<Name>): Promise<readonly Fault[]> {
  const { default: validate } = await CHECKS[name]()
  // What is sent is what JSON makes of it: a field left undefined is not there.
  return validate(JSON.parse(JSON.stringify(body))) ? [] : faultsIn(validate.errors ?? [])
}

interface Asked<Name extends FormName, Values extends FieldValues> {
  readonly start: Values
  readonly body: (values: Values) => FormBody<Name>
  /** where a field stands in the body, when it is not called the same there */
  readonly places?: Readonly<Partial<Record<keyof Values & string, string>>>
  /** after it has landed */
  readonly landed?: (values: Values) => void
}

/** A form whose body is checked at its fields before anything is sent; what the server says of a field is said there too. */
function useCheckedForm<Name extends FormName, Values extends FieldValues>(
  name: Name,
  { start, body, places, landed }: Asked<Name, Values>,
  { fault, send }: { readonly fault: Fault | undefined; readonly send: (values: Values) => Promise<boolean> },
) {
  const placesOf = (values: Values) => Object.keys(values).map((field) => [field, places?.[field] ?? field] as const)
  const form = useForm<Values>({
    defaultValues: start as DefaultValues<Values>,
    shouldFocusError: false,
    resolver: async (values: Values) => {
      const faults = await wrongWith(name, body(values))
      if (faults.length === 0) return { values, errors: {} }
      const errors: Record<string, { type: string; message: string }> = {}
      for (const { code, message, path, what } of faults) {
        const field = fieldAt(path, placesOf(values)) ?? 'root'
        const said = field === 'root' ? message : values[field] === '' ? 'Fill this in' : capital(what ?? message)
        errors[field] ??= { type: code, message: said }
      }
      return { values: {}, errors: errors as FieldErrors<Values> }
    },
  })
  const values = useWatch({ control: form.control }) as Values
  const { errors, isSubmitted, isSubmitting } = form.formState
  const told = fault && fieldAt(fault.path, placesOf(values))
  return {
    busy: isSubmitting,
    values,
    reset: () => form.reset(start),
    /** what a field needs besides its label */
    field: <Field extends Path<Values>>(field: Field) => ({
      value: values[field] as PathValue<Values, Field>,
      set: (value: PathValue<Values, Field>) => form.setValue(field, value, { shouldValidate: isSubmitted }),
      error:
        (errors[field]?.message as string | undefined) ??
        (told === field ? capital(fault!.what ?? fault!.message) : undefined),
    }),
    /** what is wrong with nothing that is asked here */
    fault: errors.root?.message
      ? { code: 'invalid', message: errors.root.message, path: '' }
      : told
        ? undefined
        : fault,
    send: form.handleSubmit(async (typed) => {
      if (await send(typed)) landed?.(typed)
    }),
  }
}

/** A form that writes one command. What was typed stays whatever goes wrong. */
export function useCommandForm<Name extends CommandName, Values extends FieldValues>(
  name: Name,
  { words, ...asked }: Asked<Name, Values> & { readonly words: (values: Values) => WriteWords },
) {
  const { fault, write } = useWrite()
  const body = asked.body as (values: Values) => CommandSent<Name>
  return useCheckedForm(name, asked, {
    fault,
    send: async (values) => (await write(name, body(values), words(values))) !== undefined,
  })
}

/** A form at the door: what somebody sends who is not signed in yet. */
export function useEntryForm<Name extends EntryName, Values extends FieldValues>(
  name: Name,
  asked: Omit<Asked<Name, Values>, 'landed'> & { readonly landed: (answer: EntryAnswer, values: Values) => void },
) {
  const [fault, setFault] = useState<Fault>()
  const { landed, ...others } = asked
  return useCheckedForm<Name, Values>(name, others, {
    fault,
    send: async (values) => {
      setFault(undefined)
      const sent = await sendEntry(name, asked.body(values) as EntryBody<Name>)
      if (sent.ok) landed(sent.answer, values)
      else setFault(sent.error)
      return sent.ok
    },
  })
}

/** The frame of a form: its fields, then what is wrong with it as a whole, then its button. */
export function CommandForm({
  form,
  button,
  label,
  className = 'flex flex-col gap-4',
  beside,
  children,
}: {
  readonly form: {
    readonly busy: boolean
    readonly fault: Fault | undefined
    readonly send: () => Promise<void>
  }
  readonly button: string
  readonly label?: string
  readonly className?: string
  /** what stands beside the button */
  readonly beside?: ReactNode
  readonly children: ReactNode
}) {
  return (
    <form
      className={className}
      aria-label={label}
      noValidate
      onSubmit={(submitted) => {
        submitted.preventDefault()
        const frame = submitted.currentTarget
        // What is wrong is where the hand is next.
        const toWhatIsWrong = () => frame.querySelector<HTMLElement>('[aria-invalid="true"]')?.focus()
        void form.send().then(() => requestAnimationFrame(toWhatIsWrong))
      }}
    >
      {children}
      <FaultNote fault={form.fault} />
      <div className="flex flex-wrap items-center gap-3">
        <button type="submit" className="btn btn-primary btn-lg" disabled={form.busy}>
          {button}
        </button>
        {beside}
      </div>
    </form>
  )
}
