import type { TwistEvent } from '@otter/core/games/pebbles'
import {
  Anchor,
  ArrowDownUp,
  Droplets,
  Fish,
  Gift,
  LifeBuoy,
  Mountain,
  RefreshCw,
  Ship,
  Waves,
  Wind,
  type LucideIcon,
} from 'lucide-react'
import { useTexts } from '../../texts/texts.ts'
import { useTeams } from '../../wall/atWall.ts'
import { Emblem } from '../../wall/Emblem.tsx'
import { texts } from './texts.ts'

const PICTURES: Record<TwistEvent['twist'], LucideIcon> = {
  tailwind: Wind,
  'rising-water': Droplets,
  raft: LifeBuoy,
  'shared-catch': Fish,
  eddy: RefreshCw,
  'heavy-net': Anchor,
  'low-bridge': ArrowDownUp,
  ferry: Ship,
  gift: Gift,
  'high-water': Waves,
  narrows: Mountain,
}

/** What a twist is, before the answer that it needs. */
export function TwistSign({ twist }: { twist: TwistEvent['twist'] }) {
  const t = useTexts(texts)
  const Picture = PICTURES[twist]
  return (
    <span className="flex items-center gap-2">
      <Picture size={26} aria-hidden="true" className="shrink-0 text-secondary" />
      <span>
        <strong>{t(`twist.${twist}.name`)}</strong> <span className="text-lg">{t(`twist.${twist}.does`)}</span>
      </span>
    </span>
  )
}

/** What a twist has brought to whom. */
export function TwistCard({ event: { twist, team, changes, again } }: { event: TwistEvent }) {
  const t = useTexts(texts)
  const { teams } = useTeams()
  return (
    <article className="panel flex flex-wrap items-center gap-x-6 gap-y-2 border-secondary p-4 text-xl">
      <TwistSign twist={twist} />
      <ul className="flex flex-wrap gap-4">
        {changes.map(
          (change, index) =>
            change !== 0 && (
              <li key={index} className="flex items-center gap-1.5">
                <Emblem name={teams[index]!.emblem} size={24} />
                {teams[index]!.name}
                <strong className="tabular-nums" dir="ltr">
                  {change > 0 ? `+${change}` : `−${-change}`}
                </strong>
              </li>
            ),
        )}
        {again && <li>{t('again', { team: teams[team]!.name })}</li>}
      </ul>
    </article>
  )
}
