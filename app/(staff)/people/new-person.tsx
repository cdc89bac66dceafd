'use client'

import { useState } from 'react'
import { v7 as uuid } from 'uuid'
import { STAFF_ROLES, type StaffRole } from '@/core/room/role'
import { FaultNote } from '@/ui/parts/fault-note'
import { useWrite } from '@/ui/parts/use-write'

const EMPTY = { name: '', email: '', password: '', role: 'helper' as StaffRole }
const ROLE_WORDS: Readonly<Record<StaffRole, string>> = {
  coordinator: 'coordinator: everything',
  instructor: 'instructor: all but people and house rules',
  helper: 'helper: needles, checks, swatches, care',
}

export function NewPerson() {
  const [draft, setDraft] = useState(EMPTY)
  const [personId, setPersonId] = useState(() => uuid())
  const { busy, fault, write } = useWrite()
  const add = async () => {
    if (!(await write('add-person', { personId, ...draft }, { done: `${draft.name} can sign in` }))) return
    setDraft(EMPTY)
    setPersonId(uuid())
  }
  const field = (name: 'name' | 'email' | 'password', label: string, type: string, hint?: string) => (
    <label className="flex flex-col gap-1">
      <span className="font-bold">{label}</span>
      <input
        className={`input w-full ${fault?.path === name ? 'input-error' : ''}`}
        type={type}
        autoComplete="off"
        required
        value={draft[name]}
        onChange={({ target }) => setDraft({ ...draft, [name]: target.value })}
      />
      {hint && <span className="text-sm">{hint}</span>}
    </label>
  )
  return (
    <form
      className="sheet flex flex-col gap-4 p-5"
      onSubmit={(submitted) => {
        submitted.preventDefault()
        void add()
      }}
    >
      <h2 className="text-xl font-bold">Add somebody</h2>
      {field('name', 'Name', 'text', 'A first name or nickname is enough.')}
      {field('email', 'Email they sign in with', 'email')}
      {field('password', 'First password', 'password', 'At least 10 characters.')}
      <label className="flex flex-col gap-1">
        <span className="font-bold">Role</span>
        <select
          className="select w-full"
          value={draft.role}
          onChange={({ target }) => setDraft({ ...draft, role: target.value as StaffRole })}
        >
          {STAFF_ROLES.map((role) => (
            <option key={role} value={role}>
              {ROLE_WORDS[role]}
            </option>
          ))}
        </select>
      </label>
      <FaultNote fault={fault} />
      <button type="submit" className="btn btn-primary btn-lg self-start" disabled={busy}>
        Add
      </button>
    </form>
  )
}
