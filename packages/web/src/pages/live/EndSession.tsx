import type { LiveFacts } from '@otter/api'
import { useState } from 'react'
import { EndChoice } from '../../live/EndChoice.tsx'
import { liveTexts } from '../../texts/namespaces.ts'
import { useTexts } from '../../texts/texts.ts'
import { Dialog } from '../../ui/Dialog.tsx'
import type { Command } from './useCommand.ts'

interface EndSessionProps {
  end: LiveFacts['end']
  isMain: boolean
  command: Command
}

/** Ends a session once it is sure, or has it end by itself at another time. */
export function EndSession({ end, isMain, command }: EndSessionProps) {
  const t = useTexts(liveTexts)
  const [isAsking, setAsking] = useState(false)
  return (
    <>
      <button type="button" className={`btn ${isMain ? 'btn-primary' : ''}`} onClick={() => setAsking(true)}>
        {t('running.end')}
      </button>
      {isAsking && (
        <Dialog title={t('running.end')} layout="flex flex-col gap-4" onClose={() => setAsking(false)}>
          <p>{t('running.endSure')}</p>
          <EndChoice
            label={t('running.endsWhen')}
            end={end}
            onChange={(chosen) => command.send({ type: 'set-end', end: chosen })}
          />
          <div className="flex justify-end gap-2">
            <button type="button" className="btn" data-first onClick={() => setAsking(false)}>
              {t('running.keepOn')}
            </button>
            <button
              type="button"
              className="btn btn-secondary"
              onClick={() => {
                setAsking(false)
                command.send({ type: 'end' })
              }}
            >
              {t('running.end')}
            </button>
          </div>
        </Dialog>
      )}
    </>
  )
}
