import type { BoardReply } from '@otter/api'
import { useEffect, useState, type FormEvent } from 'react'
import { ApiError, call } from '../../api/client.ts'
import { studentTexts } from '../../texts/namespaces.ts'
import { useTexts } from '../../texts/texts.ts'

/** A link's board, once a game is over: names of who wanted to stand there, and the own score for oneself. */
export function BoardOfNames({ player }: { player: string }) {
  // The page of a game is named by its code.
  const [, , code] = location.pathname.split('/')
  const t = useTexts(studentTexts)
  const [board, setBoard] = useState<BoardReply>()
  const [name, setName] = useState(player)
  const [problem, setProblem] = useState('')
  const [busy, setBusy] = useState(false)
  const ask = async (method: 'GET' | 'PUT', body?: object): Promise<void> => {
    setBusy(true)
    setProblem('')
    try {
      setBoard(await call<BoardReply>(method, `/play/${code}/board`, body))
    } catch (error) {
      if (!(error instanceof ApiError)) throw error
      setProblem(t(error.code === 'unkind-name' ? 'board.unkind' : 'board.failed'))
    } finally {
      setBusy(false)
    }
  }
  useEffect(() => {
    void call<BoardReply>('GET', `/play/${code}/board`).then(setBoard, () => undefined)
  }, [code])
  if (!board) return null
  const enter = (event: FormEvent): void => {
    event.preventDefault()
    if (name.trim() !== '') void ask('PUT', { name })
  }
  return (
    <section aria-labelledby="board" className="panel flex flex-col gap-2 p-4">
      <h2 id="board" className="text-xl">
        {t(board.span === 'week' ? 'board.week' : 'board.title')}
      </h2>
      {board.score !== null && <p>{t('board.own', { score: board.score })}</p>}
      {board.rows.length === 0 && <p className="quiet">{t('board.empty')}</p>}
      <ol className="flex flex-col">
        {board.rows.map(({ place, name: entered, score, isMe }, index) => (
          <li key={index} className={`flex gap-3 border-t border-base-300 py-1 ${isMe ? 'font-bold' : ''}`}>
            <span className="w-8 tabular-nums">{place}.</span>
            <bdi className="min-w-0 flex-1 truncate">{entered}</bdi>
            <span className="tabular-nums">{score}</span>
          </li>
        ))}
      </ol>
      {board.score !== null && board.name === null && (
        <form className="flex flex-wrap items-end gap-2" onSubmit={enter}>
          <label className="flex w-full flex-col">
            <span className="text-sm">{t('board.name')}</span>
            <input
              className="input h-12 w-full"
              dir="auto"
              maxLength={40}
              value={name}
              onChange={(event) => setName(event.target.value)}
            />
          </label>
          <button type="submit" className="btn h-12" disabled={busy}>
            {t('board.enter')}
          </button>
        </form>
      )}
      {board.name !== null && (
        <button
          type="button"
          className="btn h-12 self-start"
          disabled={busy}
          onClick={() => void ask('PUT', { name: null })}
        >
          {t('board.leave')}
        </button>
      )}
      <p role="alert">{problem}</p>
    </section>
  )
}
