import { EMBLEMS, type Emblem as EmblemName } from '@otter/api'
import { teamsTexts } from '../texts/namespaces.ts'
import { useTexts } from '../texts/texts.ts'
import { Emblem } from './Emblem.tsx'

/** A team as it is written. */
export interface WrittenTeam {
  name: string
  emblem: EmblemName
  members: string[]
}

interface TeamFieldsProps {
  team: WrittenTeam
  number: number
  onChange: (team: WrittenTeam) => void
}

/** The name of a team, its emblem, and who is in it. */
export function TeamFields({ team: { name, emblem, members }, number, onChange }: TeamFieldsProps) {
  const t = useTexts(teamsTexts)
  const next = EMBLEMS[(EMBLEMS.indexOf(emblem) + 1) % EMBLEMS.length]!
  const team = { name, emblem, members }
  return (
    <div className="flex items-center gap-2">
      <button
        type="button"
        className="btn h-11 w-11 p-0"
        aria-label={t('emblemOf', { number, emblem: t(`names.${emblem}`) })}
        title={t('otherEmblem')}
        onClick={() => onChange({ ...team, emblem: next })}
      >
        <Emblem name={emblem} />
      </button>
      <input
        className="input h-11 w-40"
        aria-label={t('nameOf', { number })}
        dir="auto"
        maxLength={40}
        value={name}
        onChange={(event) => onChange({ ...team, name: event.target.value })}
      />
      <input
        className="input h-11 min-w-0 flex-1"
        aria-label={t('membersOf', { number })}
        placeholder={t('members')}
        dir="auto"
        defaultValue={members.join(', ')}
        onChange={(event) => onChange({ ...team, members: namesIn(event.target.value) })}
      />
    </div>
  )
}

/** Returns the names of a text, between commas or on lines of their own. */
function namesIn(text: string): string[] {
  return text
    .split(/[,;\n]/u)
    .map((name) => name.trim().slice(0, 40))
    .filter((name) => name !== '')
}
