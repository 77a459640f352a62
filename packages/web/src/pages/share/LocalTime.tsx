/** A moment as the teacher's clock shows it. */
export function LocalTime({
  label,
  value,
  onChange,
}: {
  label: string
  value: string
  onChange: (local: string) => void
}) {
  return (
    <label className="flex flex-col">
      <span className="quiet">{label}</span>
      <input
        type="datetime-local"
        className="input input-sm w-full"
        value={value}
        onChange={(event) => onChange(event.target.value)}
      />
    </label>
  )
}
