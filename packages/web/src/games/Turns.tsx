import { useContext } from 'react'
import { AtWall, useTeams } from '../wall/atWall.ts'
import { Emblem } from '../wall/Emblem.tsx'

interface TurnsProps {
  teams: readonly { points: number; turn: boolean }[]
  finished: boolean
}

/** Teams who play on one device: whose turn it is, and what each has. The wall has a strip for them all. */
export function Turns(props: TurnsProps) {
  return useContext(AtWall) || props.teams.length === 0 ? null : <Teams {...props} />
}

function Teams({ teams, finished }: TurnsProps) {
  const named = useTeams().teams
  return (
    <ol className="flex flex-wrap justify-center gap-2">
      {teams.map(({ points, turn }, team) => (
        <li
          key={team}
          aria-current={turn && !finished}
          className={`panel flex items-center gap-2 px-3 py-1 ${turn && !finished ? 'border-secondary bg-accent font-bold' : ''}`}
        >
          <Emblem name={named[team]!.emblem} size={22} />
          {named[team]!.name} · {points}
        </li>
      ))}
    </ol>
  )
}
