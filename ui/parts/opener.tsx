/** The button of a small form that opens under a row of such buttons: it stands out while its form is open. */
export function Opener({ words, open, toggle }: { words: string; open: boolean; toggle: () => void }) {
  return (
    <button
      type="button"
      aria-expanded={open}
      className={`btn ${open ? 'btn-neutral' : 'btn-outline'}`}
      onClick={toggle}
    >
      {words}
    </button>
  )
}
