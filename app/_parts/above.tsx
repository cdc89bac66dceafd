'use client'

import { useEffect, useRef, type ReactNode, type RefObject } from 'react'

/** As long as an eye needs to see that what the finger aims at is elsewhere by now. */
const HELD_MS = 500

/** What stands above a page, or at its head, and comes and goes while it is used: calls, lines that wait, a stop. */
export function Above({ children }: { children: ReactNode }) {
  const box = useRef<HTMLDivElement>(null)
  useHeldWhileMoved(box)
  return <div ref={box}>{children}</div>
}

/**
 * When what stands in a box pushes the page down or lets it up, a finger on its way would hit what was not meant: the page takes no
 * taps for half a second.
 */
export function useHeldWhileMoved(box: RefObject<HTMLElement | null>): void {
  useEffect(() => {
    const above = box.current
    const page = document.getElementById('main')
    if (!above || !page) return
    let height = above.offsetHeight
    let timer: ReturnType<typeof setTimeout> | undefined
    const moved = new ResizeObserver(() => {
      if (above.offsetHeight === height) return
      height = above.offsetHeight
      // Where somebody has scrolled, a browser that can holds what they see in its place.
      if (window.scrollY > 0 && CSS.supports('overflow-anchor', 'auto')) return
      page.dataset['moved'] = ''
      clearTimeout(timer)
      timer = setTimeout(() => delete page.dataset['moved'], HELD_MS)
    })
    moved.observe(above)
    return () => {
      moved.disconnect()
      clearTimeout(timer)
      delete page.dataset['moved']
    }
  }, [box])
}
