import type { Board, OfferReply } from '@otter/api'
import { gameOf } from '@otter/core'
import { useChangeOffer } from '../../api/offers.ts'
import { shareTexts } from '../../texts/namespaces.ts'
import { useTexts, useWriting } from '../../texts/texts.ts'
import { Select } from '../../ui/Choice.tsx'
import { Notice } from '../../ui/Notice.tsx'

/** Whether a link has a board, what counts on it, and its new beginning. */
export function BoardChoice({ offer: { id, kind, board } }: { offer: OfferReply }) {
  const t = useTexts(shareTexts)
  const { date } = useWriting()
  const change = useChangeOffer()
  if (gameOf(kind).isSelfJudged) return null
  const save = (wish: Partial<Board> & { again?: boolean }): void =>
    change.mutate({ id, board: { by: board?.by ?? 'best', span: board?.span ?? 'all', ...wish } })
  return (
    <div className="flex flex-col gap-2">
      <p className="font-bold">{t('board.title')}</p>
      <p className="quiet text-sm">{t('board.help')}</p>
      <div className="flex flex-wrap items-end gap-3">
        <Select
          label={t('board.by')}
          value={board?.by ?? 'none'}
          options={(['none', 'first', 'best', 'sum'] as const).map((by) => [by, t(`board.${by}`)] as const)}
          onChange={(by) => (by === 'none' ? change.mutate({ id, board: null }) : save({ by }))}
        />
        {board && (
          <>
            <Select
              label={t('board.span')}
              value={board.span}
              options={(['all', 'week'] as const).map((span) => [span, t(`board.${span}`)] as const)}
              onChange={(span) => save({ span })}
            />
            <button
              type="button"
              className="btn h-11"
              disabled={change.isPending}
              onClick={() => save({ again: true })}
            >
              {t('board.again')}
            </button>
          </>
        )}
      </div>
      {board && (
        <p className="quiet text-sm" role="status">
          {board.since === null
            ? t('board.againHelp')
            : t('board.begun', { when: date(board.since, { dateStyle: 'medium', timeStyle: 'short' }) })}
        </p>
      )}
      <Notice error={change.error} />
    </div>
  )
}
