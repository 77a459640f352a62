import type { WallPlayReply } from '@otter/api'
import { useState } from 'react'
import { useChangeWallPlay } from '../../api/wall.ts'
import { commonTexts, wallPlayTexts } from '../../texts/namespaces.ts'
import { useTexts } from '../../texts/texts.ts'
import { Dialog } from '../../ui/Dialog.tsx'
import { Notice } from '../../ui/Notice.tsx'
import { TeamFields } from '../../wall/TeamFields.tsx'

/** The teams of a game that is on: other names and emblems, who is in them, and whether all of it counts. */
export function TeamsDialog({ state, onClose }: { state: WallPlayReply; onClose: () => void }) {
  const t = useTexts(wallPlayTexts)
  const common = useTexts(commonTexts)
  const [teams, setTeams] = useState(state.teams)
  const [counts, setCounts] = useState(state.counts)
  const change = useChangeWallPlay(state.offerId)
  return (
    <Dialog title={t('teams')} layout="flex max-w-3xl flex-col gap-3" onClose={onClose}>
      <form
        className="flex flex-col gap-3"
        onSubmit={(event) => {
          event.preventDefault()
          change.mutate({ teams, counts }, { onSuccess: onClose })
        }}
      >
        <Notice error={change.error} />
        {teams.map((team, index) => (
          <TeamFields
            key={team.teamId}
            team={team}
            number={index + 1}
            onChange={(changed) => setTeams(teams.map((one, at) => (at === index ? { ...one, ...changed } : one)))}
          />
        ))}
        <label className="flex items-center gap-2">
          <input
            type="checkbox"
            className="checkbox"
            checked={counts}
            onChange={(event) => setCounts(event.target.checked)}
          />
          <span>
            {t('counts')}
            <span className="quiet block text-sm">{t('countsHelp')}</span>
          </span>
        </label>
        <div className="flex justify-end gap-2">
          <button type="button" className="btn" onClick={onClose}>
            {common('cancel')}
          </button>
          <button type="submit" data-first className="btn btn-primary" disabled={change.isPending}>
            {t('keep')}
          </button>
        </div>
      </form>
    </Dialog>
  )
}
