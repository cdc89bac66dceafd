'use client'

import { useEffect, useRef, useState } from 'react'
import type { ShownFace } from '@/core/picture/swatch-scene'
import { drawSwatch } from './draw'

/** Pixels to a millimetre between which a picture is drawn, however wide its place is. */
const PX_PER_MM = { rough: 8, least: 8, most: 22, printed: 44 } as const
/** What is asked for again within so many milliseconds is being dragged: it is drawn finely once it stands still. */
const STILL_MS = 140

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
  /** how often a picture was asked for and when last, and which of these is on the screen */
  const times = useRef({ asked: 0, at: -Infinity, shown: 0 })
  useEffect(() => {
    if (width === 0) return
    const asks = JSON.parse(asked) as typeof shown
    const across = width * (fine ? 3 : Math.min(1.5, window.devicePixelRatio))
    const most = fine ? PX_PER_MM.printed : PX_PER_MM.most
    const whole = Math.max(PX_PER_MM.least, Math.min(most, Math.round(across / asks.lengthMm)))
    const ask = (pxPerMm: number) => {
      const time = (times.current.asked += 1)
      void drawSwatch(whose, { ...asks, pxPerMm }).then((image) => {
        const to = canvas.current
        // While a dial is dragged every picture is a little late, and still nearer to it than the one before.
        if (!image || !to || time < times.current.shown) return
        times.current.shown = time
        to.width = image.width
        to.height = image.height
        to.getContext('2d')!.putImageData(image, 0, 0)
        setDrawn(true)
      })
    }
    const now = performance.now()
    const moves = now - times.current.at < STILL_MS
    const first = times.current.at === -Infinity
    times.current.at = now
    // A rough picture is there at once, the fine one a moment later.
    if (fine || (!moves && !first)) {
      ask(whole)
      return
    }
    ask(PX_PER_MM.rough)
    const later = setTimeout(() => ask(whole), moves ? STILL_MS : 0)
    return () => clearTimeout(later)
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
