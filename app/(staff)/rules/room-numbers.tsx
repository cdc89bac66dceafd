import { ROOM_NUMBER_NAMES, ROOM_NUMBERS, type RoomNumberName, type RoomNumbers } from '@/core/knowledge/room-number'
import { Amount } from '@/ui/fields/number'

/** Every number that a room may change, beside what is usual. */
export function RoomNumbersFields({
  numbers,
  set,
}: {
  numbers: RoomNumbers | undefined
  set: (name: RoomNumberName, value: number) => void
}) {
  return (
    <section aria-labelledby="numbers" className="flex flex-col gap-3">
      <h2 id="numbers" className="text-xl font-bold">
        Numbers
      </h2>
      <p className="text-sm">Offsets from the normal mark are in numbers of an ordinary dial, below 0 for looser.</p>
      {ROOM_NUMBER_NAMES.map((name) => {
        const { words, usual, min, max, step, unit } = ROOM_NUMBERS[name]
        return (
          <Amount
            key={name}
            label={words}
            look="beside"
            value={numbers?.[name] ?? usual}
            min={min}
            max={max}
            step={step}
            unit={`${unit}, usually ${String(usual).replace('-', '−')}`}
            set={(value) => set(name, value)}
          />
        )
      })}
    </section>
  )
}
