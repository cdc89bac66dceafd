/**
 * What is tapped, sent or typed on a page that is seen and does not listen yet. On a slow phone that is the first seconds of
 * every page: a tap on *Call staff* would reach nobody. It is kept, marked as kept, and done once the page listens; what lies
 * under something else by then is not done, and that is said (`missed-touch.tsx`).
 *
 * Runs in the page by itself, before anything of the page’s: it names nothing outside of it.
 */
function keepEarlyTouches(): void {
  const page = document.documentElement
  /** what was touched, the last touched last; for a field what was typed */
  const touched = new Map<HTMLElement, string | undefined>()
  const touch = (element: HTMLElement, typed?: string) => {
    touched.delete(element)
    touched.set(element, typed)
    if (typed === undefined) element.dataset['touched'] = ''
  }
  const tapped = (event: MouseEvent) => {
    const control =
      event.target instanceof Element &&
      event.target.closest<HTMLElement>('button, input[type="checkbox"], input[type="radio"]')
    if (!control) return
    // Not ticked by the browser either: it would show and not count.
    event.preventDefault()
    event.stopImmediatePropagation()
    touch(control)
  }
  const typed = ({ target }: Event) => {
    const field =
      target instanceof HTMLInputElement || target instanceof HTMLTextAreaElement || target instanceof HTMLSelectElement
    if (field && !['file', 'checkbox', 'radio'].includes(target.type)) touch(target, target.value)
  }
  /** React takes no notice of a value that it has seen already: it is shown none first, and then what was typed. */
  const typeAgain = (field: HTMLElement, value: string) => {
    const own = Object.getPrototypeOf(field) as object
    ;(field as HTMLInputElement).value = ''
    Reflect.set(own, 'value', value, field)
    for (const kind of ['input', 'change']) field.dispatchEvent(new Event(kind, { bubbles: true }))
  }
  /** Whether nothing that came since lies over it: what was under the finger is meant, not what is there now. */
  const isThere = (control: HTMLElement): boolean => {
    if (!control.isConnected) return false
    const seen = (control.closest('label') ?? control).getBoundingClientRect()
    const on = document.elementFromPoint(seen.left + seen.width / 2, seen.top + seen.height / 2)
    return !on || control.contains(on) || control.closest('label')?.contains(on) === true
  }
  const listens = new MutationObserver(() => {
    if (page.dataset['listening'] === undefined) return
    listens.disconnect()
    document.removeEventListener('click', tapped, true)
    document.removeEventListener('input', typed, true)
    for (const [element, value] of touched) {
      delete element.dataset['touched']
      if (value !== undefined) typeAgain(element, value)
      else if (isThere(element)) element.click()
      else {
        const detail = (element.getAttribute('aria-label') ?? element.textContent).trim()
        window.dispatchEvent(new CustomEvent('touch-missed', { detail }))
      }
    }
    touched.clear()
  })
  document.addEventListener('click', tapped, true)
  document.addEventListener('input', typed, true)
  listens.observe(page, { attributes: true, attributeFilter: ['data-listening'] })
}

/** Stands before everything else of a page. */
export function EarlyTouch({ nonce }: { nonce: string | undefined }) {
  return (
    <script
      nonce={nonce}
      suppressHydrationWarning
      dangerouslySetInnerHTML={{ __html: `(${keepEarlyTouches.toString()})()` }}
    />
  )
}
