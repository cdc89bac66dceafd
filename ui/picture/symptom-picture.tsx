'use client'

import { memo } from 'react'
import type { Symptom } from '@/core/knowledge/fault/symptom'
import { symptomFace } from '@/core/picture/symptom-face'
import { SymptomDrawing } from '../drawings/symptom'
import { SwatchPicture } from './swatch-picture'
import { useTestThreads } from './test-threads'

/** A symptom as it lies on the table, where a seam shows it, and else in a few strokes. What it is called stands beside it. */
export const SymptomPicture = memo(function SymptomPicture({
  symptom,
  className,
}: {
  symptom: Symptom
  className?: string
}) {
  const threads = useTestThreads()
  const shown = symptomFace(symptom)
  return (
    <span aria-hidden="true" className={`relative block aspect-[5/2] ${className ?? ''}`}>
      {shown ? (
        <SwatchPicture shown={{ ...shown, threads }} label="" className="size-full border border-base-300">
          <SymptomDrawing symptom={symptom} className="size-full p-2" />
        </SwatchPicture>
      ) : (
        <SymptomDrawing symptom={symptom} className="absolute inset-0 size-full p-2" />
      )}
    </span>
  )
})
