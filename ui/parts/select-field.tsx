/** One of several, named above it. */
export function SelectField({
  label,
  value,
  options,
  set,
}: {
  label: string
  value: string
  options: readonly (readonly [string, string])[]
  set: (value: string) => void
}) {
  return (
    <label className="flex flex-col gap-1">
      <span className="text-sm font-semibold">{label}</span>
      <select className="select w-full" value={value} onChange={({ target }) => set(target.value)}>
        {options.map(([key, words]) => (
          <option key={key} value={key}>
            {words}
          </option>
        ))}
      </select>
    </label>
  )
}
