/** A swatch can only be read against a dial that somebody has looked at. */
export function DialUnknown({ name }: { name: string }) {
  return (
    <p className="sheet p-6 text-lg">
      Nobody has written down {name}’s tension dial yet: its lowest, highest and normal mark. Look at the dial, add it
      to the card, and come back.
    </p>
  )
}
