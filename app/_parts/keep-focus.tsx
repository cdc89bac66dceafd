'use client'

import { useEffect } from 'react'

/**
 * Focus never falls to the page's body. A button that is held while its write is under way has it again when it comes back;
 * when what had it is gone, the nearest thing round it that is still there takes it, so that the next Tab goes on from there.
 */
export function KeepFocus() {
  useEffect(() => {
    // Whoever drives the page from outside can see that it listens.
    document.documentElement.dataset['listening'] = ''
    let last: HTMLElement | undefined
    let around: readonly HTMLElement[] = []
    const remember = ({ target }: FocusEvent) => {
      if (!(target instanceof HTMLElement) || target === document.body) return
      last = target
      around = []
      for (let each = target.parentElement; each && each !== document.body; each = each.parentElement)
        around = [...around, each]
    }
    const held = ({ target }: FocusEvent) => {
      if (target instanceof HTMLElement && target.dataset['heldFocus'] !== undefined) {
        target.removeAttribute('tabindex')
        delete target.dataset['heldFocus']
      }
    }
    const keep = () => {
      if (!last || document.activeElement !== document.body) return
      if (last.isConnected) {
        // Held just now: it has the focus again as soon as it can.
        if (!last.matches(':disabled')) last.focus({ preventScroll: true })
        return
      }
      const next = around.find((each) => each.isConnected)
      if (!next) return
      if (!next.hasAttribute('tabindex')) {
        next.tabIndex = -1
        next.dataset['heldFocus'] = ''
      }
      next.focus({ preventScroll: true })
    }
    // Where somebody points beside everything, focus is let go of on purpose.
    const letGo = ({ target }: PointerEvent) => {
      if (
        target instanceof Element &&
        !target.closest('a, button, input, select, textarea, label, summary, [tabindex]')
      )
        last = undefined
    }
    const changes = new MutationObserver(keep)
    changes.observe(document.body, { subtree: true, childList: true, attributes: true, attributeFilter: ['disabled'] })
    document.addEventListener('focusin', remember)
    document.addEventListener('focusout', held)
    document.addEventListener('pointerdown', letGo)
    return () => {
      changes.disconnect()
      document.removeEventListener('focusin', remember)
      document.removeEventListener('focusout', held)
      document.removeEventListener('pointerdown', letGo)
    }
  }, [])
  return null
}
