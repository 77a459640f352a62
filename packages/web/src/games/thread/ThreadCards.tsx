import type { ThreadCard, ThreadView } from '@otter/core/games/thread'
import { useTexts } from '../../texts/texts.ts'
import { useTeams } from '../../wall/atWall.ts'
import { Emblem } from '../../wall/Emblem.tsx'
import { ShownFace } from '../ShownFace.tsx'
import { texts } from './texts.ts'

/** From so many choices that were none on, a link was hard to see. */
const HARD = 3

/** Links that are found, as labelled index cards; at the end all, with how hard each was. */
export function ThreadCards({ view: { cards, slips, teams, finished } }: { view: ThreadView }) {
  const t = useTexts(texts)
  const named = useTeams().teams
  if (cards.length === 0) return null
  return (
    <ol className="grid gap-2 sm:grid-cols-2">
      {cards.map((card) => {
        const { link, items, team, found } = card
        return (
          <li key={items.join()} className="panel flex flex-col gap-1 border-s-4 border-s-[#e8b9a8] p-2.5">
            <strong className="flex items-center gap-2" dir="auto">
              {teams.length > 0 && found && <Emblem name={named[team]!.emblem} size={22} />}
              {link ?? t('toTell')}
            </strong>
            <span className="flex flex-wrap gap-x-3">
              {items.map((item) => (
                <ShownFace key={item} face={slips[item]!.face} />
              ))}
            </span>
            {finished && <span className="quiet text-sm">{t(hardness(card))}</span>}
          </li>
        )
      })}
    </ol>
  )
}

function hardness({ found, tries }: ThreadCard): 'hidden' | 'atOnce' | 'second' | 'hard' {
  return !found ? 'hidden' : tries === 0 ? 'atOnce' : tries < HARD ? 'second' : 'hard'
}
