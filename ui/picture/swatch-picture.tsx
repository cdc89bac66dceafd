'use client'

import { useEffect, useRef, useState } from 'react'
import type { ShownFace } from '@/core/picture/swatch-scene'
import { drawSwatch } from './draw'

/** Pixels to a millimetre between which a picture is drawn, however wide its place is. */
const PX_PER_MM = { least: 8, most: 22, printed: 44 } as const

/**
 * One face of a swatch as it lies on the table. Until it is drawn, and wherever nothing draws, `children` stand in its place: the
 * diagram of it. `diagram` lays them over the picture, since they say why.
 */
export function SwatchPicture({
  shown,
  label,
  diagram = false,
  fine = false,
  className = '',
  children,
}: {
  shown: Omit<ShownFace, 'pxPerMm'>
  label: string
  diagram?: boolean
  /** for paper, which shows more than a screen */
  fine?: boolean
  className?: string
  children?: React.ReactNode
}) {
  const canvas = useRef<HTMLCanvasElement>(null)
  const [drawn, setDrawn] = useState(false)
  const [width, setWidth] = useState(0)
  const [whose] = useState(() => Symbol(label))
  useEffect(() => {
    const watched = canvas.current!
    const seen = new ResizeObserver(() => setWidth(watched.clientWidth))
    seen.observe(watched)
    return () => seen.disconnect()
  }, [])
  const asked = JSON.stringify(shown)
  useEffect(() => {
    if (width === 0) return
    const { lengthMm } = JSON.parse(asked) as typeof shown
    const across = width * (fine ? 3 : Math.min(1.5, window.devicePixelRatio))
    const most = fine ? PX_PER_MM.printed : PX_PER_MM.most
    const pxPerMm = Math.max(PX_PER_MM.least, Math.min(most, Math.round(across / lengthMm)))
    let gone = false
    void drawSwatch(whose, { ...(JSON.parse(asked) as typeof shown), pxPerMm }).then((image) => {
      const to = canvas.current
      if (gone || !image || !to) return
      to.width = image.width
      to.height = image.height
      to.getContext('2d')!.putImageData(image, 0, 0)
      setDrawn(true)
    })
    return () => void (gone = true)
  }, [asked, fine, width, whose])
  const overlaid = drawn && diagram
  return (
    <div
      role="img"
      aria-label={label}
      data-picture=""
      data-drawn={drawn || undefined}
      className={`relative overflow-hidden ${className}`}
      style={{ aspectRatio: `${shown.lengthMm} / ${shown.heightMm}` }}
    >
      <canvas ref={canvas} aria-hidden="true" className="absolute inset-0 size-full" />
      {children && (!drawn || diagram) && (
        <div aria-hidden="true" className={`absolute inset-0 *:size-full ${overlaid ? 'opacity-70' : ''}`}>
          {children}
        </div>
      )}
    </div>
  )
}
