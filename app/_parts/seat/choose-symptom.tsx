'use client'

import { useState } from 'react'
import { SYMPTOM_WORDS, SYMPTOMS, type Symptom } from '@/core/knowledge/fault/symptom'
import { SymptomPicture } from '@/ui/picture/symptom-picture'

/** @param chosen what comes next is still being drawn */
export function Choose({ chosen, choose }: { chosen: Symptom | null; choose: (symptom: Symptom) => void }) {
  const [words, setWords] = useState('')
  const shown = SYMPTOMS.filter((symptom) => SYMPTOM_WORDS[symptom].toLowerCase().includes(words.trim().toLowerCase()))
  return (
    <>
      <label className="flex max-w-sm flex-col gap-1">
        <span className="font-bold">What do you see, hear or feel?</span>
        <input
          className="input w-full"
          type="search"
          value={words}
          placeholder="a word, such as loops"
          onChange={({ target }) => setWords(target.value)}
        />
      </label>
      {shown.length === 0 && <p className="mt-3">No picture has that word. Try another, or clear the field.</p>}
      <ul className="mt-4 grid grid-cols-2 gap-3 sm:grid-cols-3 lg:grid-cols-4">
        {shown.map((symptom) => (
          <li key={symptom}>
            <button
              type="button"
              className={`sheet flex h-full w-full flex-col items-start gap-2 p-3 text-left hover:bg-base-200 ${symptom === 'electrical' ? 'border-2 border-error' : ''} ${symptom === chosen ? 'outline-4 outline-primary' : ''}`}
              onClick={() => choose(symptom)}
            >
              <SymptomPicture symptom={symptom} className="w-full" />
              <span className="font-semibold">{SYMPTOM_WORDS[symptom]}</span>
            </button>
          </li>
        ))}
      </ul>
    </>
  )
}
