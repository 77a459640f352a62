import type { CrosswordOptions, CrosswordPuzzle } from '@otter/core/games/crossword'
import { writeIpuz } from '@otter/core/formats'
import { FileDown, ImagePlus, Search, Square, X } from 'lucide-react'
import { useEffect, useState } from 'react'
import type { LayoutAnswer, LayoutRequest } from './layout.worker.ts'
import { uploadPicture } from '../../api/media.ts'
import { Notice } from '../../ui/Notice.tsx'
import { saveFile } from '../../ui/saveFile.ts'
import type { WorkbenchProps } from '../contract.ts'
import { Thumbnail } from './Thumbnail.tsx'
import { texts } from './texts.ts'
import { useTexts } from '../../texts/texts.ts'
import { openWorker } from '../../ui/openWorker.ts'
import { commonTexts } from '../../texts/namespaces.ts'

/** Layouts shown at a time, and steps of the longest search. */
const SHOWN = 4
const MOST_STEPS = 60_000_000

/** Looks for better layouts while the teacher looks on, keeps any of them, and pins words. */
export function Layouts({ puzzle, list, options, seed, onChange }: WorkbenchProps<CrosswordOptions, CrosswordPuzzle>) {
  const t = useTexts(texts)
  const common = useTexts(commonTexts)
  const [looking, setLooking] = useState(false)
  const [found, setFound] = useState<CrosswordPuzzle[]>([])
  const [steps, setSteps] = useState(0)
  const [problem, setProblem] = useState<Error>()
  const key = JSON.stringify([list.entries, { ...options, steps: 0 }, seed])
  useEffect(() => {
    setLooking(false)
    setFound([])
  }, [key])
  useEffect(() => {
    if (!looking) return
    const worker = openWorker<LayoutRequest, LayoutAnswer>(
      () => new Worker(new URL('./layout.worker.ts', import.meta.url), { type: 'module' }),
      {
        onAnswer: ({ steps: done, better }) => {
          setSteps(done)
          if (better) setFound((before) => [better, ...before].slice(0, SHOWN))
          if (done >= MOST_STEPS) setLooking(false)
        },
        onDied: () => {
          setLooking(false)
          setProblem(new Error(common('workerDied')))
        },
      },
    )
    worker.ask({ list, options, seed, most: MOST_STEPS })
    return () => worker.close()
    // The key holds what the search depends on; another choice of steps does not end it.
    // oxlint-disable-next-line react/exhaustive-deps
  }, [looking, key])
  const pinned = new Set(options.pins.map(({ entryId }) => entryId))
  const pin = (word: CrosswordPuzzle['words'][number], on: boolean): void => {
    const kept = puzzle.words.filter(({ entryId }) => (entryId === word.entryId ? on : pinned.has(entryId)))
    onChange({ ...options, pins: kept.map(({ entryId, row, col, dir }) => ({ entryId, row, col, dir })) })
  }
  const setBackground = (file: File | undefined): void => {
    setProblem(undefined)
    if (file) uploadPicture(file).then(({ id }) => onChange({ ...options, background: id }), setProblem)
  }
  return (
    <div className="flex flex-col gap-2 text-sm">
      <div className="flex flex-wrap items-center gap-2">
        <button type="button" className="btn btn-sm" onClick={() => setLooking(!looking)}>
          {looking ? (
            <>
              <Square size={14} aria-hidden="true" />
              {t('layouts.stop')}
            </>
          ) : (
            <>
              <Search size={16} aria-hidden="true" />
              {found.length > 0 ? t('layouts.keepLooking') : t('layouts.look')}
            </>
          )}
        </button>
        <span role="status" className="quiet">
          {looking
            ? t('layouts.looking', { percent: Math.round((steps / MOST_STEPS) * 100) })
            : found.length > 0
              ? t('layouts.take')
              : ''}
        </span>
      </div>
      {found.length > 0 && (
        <ul className="grid grid-cols-4 gap-2">
          {found.map((one) => (
            <li key={one.steps}>
              <button
                type="button"
                className={`panel flex w-full flex-col items-center gap-1 p-2 hover:border-secondary ${options.steps === one.steps ? 'border-secondary' : ''}`}
                aria-pressed={options.steps === one.steps}
                onClick={() => onChange({ ...options, steps: one.steps })}
              >
                <span className="block h-16">
                  <Thumbnail puzzle={one} />
                </span>
                <span>
                  {one.rows}×{one.cols}
                </span>
                <span className="quiet text-xs">{t('layouts.crossings', { crossings: one.crossings })}</span>
              </button>
            </li>
          ))}
        </ul>
      )}
      <details>
        <summary className="cursor-pointer">
          {pinned.size > 0 ? t('layouts.pinsCount', { count: pinned.size }) : t('layouts.pins')}
        </summary>
        <ul className="grid grid-cols-2 gap-x-4 xl:grid-cols-3">
          {puzzle.words.map((word) => (
            <li key={word.entryId}>
              <label className="flex items-center gap-2 py-0.5">
                <input
                  type="checkbox"
                  className="checkbox checkbox-sm"
                  checked={pinned.has(word.entryId)}
                  onChange={(event) => pin(word, event.target.checked)}
                />
                {word.number} {word.text}
              </label>
            </li>
          ))}
        </ul>
      </details>
      <div className="flex flex-wrap gap-2">
        <label className="btn btn-sm focus-within:outline-2">
          <ImagePlus size={16} aria-hidden="true" />
          {t('layouts.background')}
          <input
            type="file"
            accept="image/*"
            className="sr-only"
            onChange={(event) => setBackground(event.target.files?.[0])}
          />
        </label>
        {options.background !== '' && (
          <button type="button" className="btn btn-sm" onClick={() => onChange({ ...options, background: '' })}>
            <X size={16} aria-hidden="true" />
            {t('layouts.noBackground')}
          </button>
        )}
        <button
          type="button"
          className="btn btn-sm"
          onClick={() =>
            saveFile(
              new Blob([writeIpuz(list.title, puzzle)], { type: 'application/json' }),
              `${list.title || 'crossword'}.ipuz`,
            )
          }
        >
          <FileDown size={16} aria-hidden="true" />
          {t('layouts.ipuz')}
        </button>
      </div>
      <Notice error={problem} />
    </div>
  )
}
