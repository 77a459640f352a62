/**
 * Players or teams at one screen: whose turn it is, and what each has. `name` names one by its number.
 */
export function Turns({
  players,
  name,
}: {
  players: readonly { points: number; turn: boolean }[]
  name: (number: number) => string
}) {
  return (
    <ol className="flex flex-wrap justify-center gap-2">
      {players.map(({ points, turn }, index) => (
        <li
          key={index}
          aria-current={turn}
          className={`panel px-4 py-1 text-center ${turn ? 'border-secondary bg-accent font-bold' : ''}`}
        >
          {name(index + 1)} · {points}
        </li>
      ))}
    </ol>
  )
}
