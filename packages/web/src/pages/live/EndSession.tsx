import type { LiveFacts } from '@otter/api'
import { useState } from 'react'
import { liveTexts } from '../../texts/namespaces.ts'
import { useTexts } from '../../texts/texts.ts'
import { Dialog } from '../../ui/Dialog.tsx'
import type { Command } from './useCommand.ts'

const MINUTES = [1, 2, 3, 5, 10, 15, 20, 30]

interface EndSessionProps {
  end: LiveFacts['end']
  isMain: boolean
  command: Command
}

/** Ends a session once it is sure, or has it end by itself at another time. */
export function EndSession({ end, isMain, command }: EndSessionProps) {
  const t = useTexts(liveTexts)
  const [isAsking, setAsking] = useState(false)
  const ends = end.minutes !== null ? String(end.minutes) : end.allDone ? 'all-done' : 'host'
  const change = (value: string): void =>
    command.send({
      type: 'set-end',
      end: { minutes: /^\d/u.test(value) ? Number(value) : null, points: null, allDone: value === 'all-done' },
    })
  return (
    <>
      <button type="button" className={`btn ${isMain ? 'btn-primary' : ''}`} onClick={() => setAsking(true)}>
        {t('running.end')}
      </button>
      {isAsking && (
        <Dialog title={t('running.end')} layout="flex flex-col gap-4" onClose={() => setAsking(false)}>
          <p>{t('running.endSure')}</p>
          <label className="flex flex-col gap-1">
            <span className="quiet">{t('running.endsWhen')}</span>
            <select className="select w-full" value={ends} onChange={(event) => change(event.target.value)}>
              <option value="host">{t('setup.endHost')}</option>
              {[...new Set([...MINUTES, ...(end.minutes === null ? [] : [end.minutes])])].map((count) => (
                <option key={count} value={count}>
                  {t('setup.endMinutes', { count })}
                </option>
              ))}
              <option value="all-done">{t('setup.endDone')}</option>
            </select>
          </label>
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
