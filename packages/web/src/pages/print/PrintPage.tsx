import { MAX_VERSIONS, versionSeed, type OfferReply } from '@otter/api'
import { directionOf, GAME_KINDS, gameOf, type EntryList, type GameKind } from '@otter/core'
import { FileDown, Printer } from 'lucide-react'
import { useEffect, useMemo, useRef, useState } from 'react'
import { Link, useParams } from 'react-router'
import { useCreateOffer, useList } from '../../api/queries.ts'
import { newId } from '../../ui/newId.ts'
import { useGameWords } from '../../games/words.ts'
import { Lost } from '../Lost.tsx'
import { Notice } from '../../ui/Notice.tsx'
import { QrCode } from '../../ui/QrCode.tsx'
import { Waterline } from '../../ui/Waterline.tsx'
import { usePuzzles } from '../../workers/usePuzzles.ts'
import { saveFile } from '../../ui/saveFile.ts'
import { choiceOf, keptChoices } from '../list/games/gameChoice.ts'
import { makePdf } from './makePdf.ts'
import { SheetBlocks } from './SheetBlocks.tsx'
import { commonTexts, printTexts, sheetTexts } from '../../texts/namespaces.ts'
import { useTexts, useWriting } from '../../texts/texts.ts'

type Paper = 'a4' | 'letter'

/** Sheets to print: through the browser, or as a PDF. */
export function PrintPage() {
  const { id = '', kind = '' } = useParams()
  return (GAME_KINDS as string[]).includes(kind) ? <Sheets id={id} kind={kind as GameKind} /> : <Lost />
}

function Sheets({ id, kind }: { id: string; kind: GameKind }) {
  const t = useTexts(printTexts)
  const common = useTexts(commonTexts)
  const name = useGameWords().name(kind)
  const sheet = useTexts(sheetTexts)
  const { language } = useWriting()
  const list = useList(id)
  const choice = useMemo(() => choiceOf(keptChoices(id), kind), [id, kind])
  const [versions, setVersions] = useState(1)
  const [paper, setPaper] = useState<Paper>('a4')
  const [withKey, setWithKey] = useState(true)
  const [withQr, setWithQr] = useState(false)
  const [saveInk, setSaveInk] = useState(false)
  const [offer, setOffer] = useState<OfferReply>()
  const [request] = useState(newId)
  const [file, setFile] = useState<{ progress?: number; error?: Error }>({})
  const making = useRef<AbortController>(undefined)
  useEffect(() => () => making.current?.abort(), [])
  const share = useCreateOffer(id)
  const entryList = useMemo(
    (): EntryList | undefined =>
      list.data && {
        title: list.data.title,
        answerLanguage: list.data.answerLanguage,
        promptLanguage: list.data.promptLanguage,
        entries: list.data.entries,
      },
    [list.data],
  )
  const seeds = useMemo(
    () => Array.from({ length: versions }, (_, index) => versionSeed(choice.seed, index + 1)),
    [choice.seed, versions],
  )
  const { puzzles, note, busy, died } = usePuzzles<unknown>(kind, entryList, choice.options, seeds)
  const { mutate } = share
  const ready = entryList !== undefined && gameOf(kind).fit(entryList, choice.options).ready
  useEffect(() => {
    // The QR code leads to the on-screen game, so there must be one: it is made when the code is wished for.
    if (withQr && ready && !offer)
      mutate({ kind, options: choice.options, seed: choice.seed, requestId: request }, { onSuccess: setOffer })
  }, [withQr, ready, offer, mutate, choice, kind, request])

  const download = async (): Promise<void> => {
    making.current = new AbortController()
    setFile({ progress: 0 })
    try {
      const sheets = {
        kind,
        options: choice.options,
        seed: choice.seed,
        versions,
        paper,
        key: withKey,
        saveInk,
        language,
        ...(withQr && offer ? { code: offer.code } : {}),
      }
      saveFile(
        await makePdf(id, sheets, (progress) => setFile({ progress }), making.current.signal),
        `${list.data?.title || name}.pdf`,
      )
      setFile({})
    } catch (error) {
      setFile(making.current.signal.aborted ? {} : { error: error as Error })
    }
  }
  const pages =
    puzzles?.length === versions
      ? (withKey ? [false, true] : [false]).flatMap((isKey) =>
          puzzles.flatMap((puzzle, index) =>
            gameOf(kind)
              .sheet(puzzle, isKey)
              .map(({ blocks, bare = false }, page) => ({ blocks, bare, index, isKey, page })),
          ),
        )
      : []
  return (
    <main className="mx-auto flex max-w-4xl flex-col gap-4 px-4 py-5 print:block print:max-w-none print:p-0">
      <h1 className="sr-only print:hidden">{t('title', { game: name })}</h1>
      <div className="panel flex flex-wrap items-end gap-4 p-4 print:hidden">
        <label className="flex flex-col text-sm">
          {t('versions')}
          <input
            type="number"
            min={1}
            max={MAX_VERSIONS}
            className="input w-20"
            value={versions}
            onChange={(event) =>
              setVersions(Math.max(1, Math.min(MAX_VERSIONS, Math.round(event.target.valueAsNumber) || 1)))
            }
          />
        </label>
        <label className="flex flex-col text-sm">
          {t('paper')}
          <select className="select" value={paper} onChange={(event) => setPaper(event.target.value as Paper)}>
            <option value="a4">{t('a4')}</option>
            <option value="letter">{t('letter')}</option>
          </select>
        </label>
        <label className="flex h-10 items-center gap-2">
          <input
            type="checkbox"
            className="checkbox"
            checked={withKey}
            onChange={(event) => setWithKey(event.target.checked)}
          />
          {t('key')}
        </label>
        <label className="flex h-10 items-center gap-2">
          <input
            type="checkbox"
            className="checkbox"
            checked={withQr}
            onChange={(event) => setWithQr(event.target.checked)}
          />
          {t('qr')}
        </label>
        <label className="flex h-10 items-center gap-2">
          <input
            type="checkbox"
            className="checkbox"
            checked={saveInk}
            onChange={(event) => setSaveInk(event.target.checked)}
          />
          {t('saveInk')}
        </label>
        <div className="ms-auto flex flex-wrap gap-2">
          <Link className="btn h-11" to={`/lists/${id}/games/${kind}`}>
            {common('back')}
          </Link>
          {file.progress === undefined ? (
            <button type="button" className="btn h-11" disabled={!ready} onClick={() => void download()}>
              <FileDown size={18} aria-hidden="true" />
              {t('pdf')}
            </button>
          ) : (
            <button type="button" className="btn h-11" onClick={() => making.current?.abort()}>
              {t('stopPdf')}
            </button>
          )}
          <button type="button" className="btn btn-primary h-11" disabled={pages.length === 0} onClick={() => print()}>
            <Printer size={18} aria-hidden="true" />
            {common('print')}
          </button>
        </div>
        {file.progress !== undefined && (
          <div className="w-full">
            <Waterline filled={file.progress} label={t('makingPdf')} />
            <p className="quiet text-sm" role="status">
              {t('makingPdfNow')}
            </p>
          </div>
        )}
        <div className="w-full empty:hidden">
          <Notice error={list.error ?? share.error ?? file.error} />
          {died && (
            <p role="alert" className="text-error">
              {common('workerDied')}
            </p>
          )}
          {note && (
            <p role="alert" className="text-error">
              {t('impossible')}
            </p>
          )}
        </div>
      </div>
      {(busy || list.isPending) && pages.length === 0 && (
        <div>
          <Waterline filled={undefined} label={t('making')} />
          <p className="quiet text-sm" role="status">
            {t('makingNow')}
          </p>
        </div>
      )}
      {pages.map(({ blocks, bare, index, isKey, page }) => (
        <article
          key={`${index} ${isKey} ${page}`}
          aria-label={`${isKey ? t('key') : t('sheet')} ${index + 1}`}
          className={`flex break-after-page flex-col bg-white p-8 text-[#14312F] shadow-sm last:break-after-auto print:p-0 print:shadow-none ${paper === 'a4' ? 'sheet-a4' : 'sheet-letter'} ${saveInk ? 'save-ink' : ''}`}
        >
          <header className="flex items-start justify-between gap-4" dir={directionOf(list.data?.title ?? '')}>
            <h1 className="text-3xl" dir="auto">
              {list.data?.title || name}
              {isKey ? ` · ${sheet('key')}` : ''}
            </h1>
            {!isKey && withQr && offer && (
              <QrCode
                text={`${location.origin}/p/${offer.code}`}
                size={84}
                label={common('qrOf', { code: offer.code })}
              />
            )}
          </header>
          {isKey || bare ? (
            <div className="h-4" />
          ) : (
            <p className="my-4 flex gap-6 text-sm">
              <span className="flex flex-2 gap-2">
                {sheet('name')}
                <span className="flex-1 border-b border-current" />
              </span>
              <span className="flex flex-1 gap-2">
                {sheet('date')}
                <span className="flex-1 border-b border-current" />
              </span>
            </p>
          )}
          <SheetBlocks blocks={blocks} />
          <footer className="mt-auto flex justify-between pt-4 text-xs text-[#46605B]">
            <span>
              {sheet('seed')} {seeds[index]}
              {versions > 1 ? ` · ${sheet('version', { number: index + 1, of: versions })}` : ''}
            </span>
            <span>{withQr && offer ? `${location.host}/p/${offer.code}` : ''}</span>
          </footer>
        </article>
      ))}
    </main>
  )
}
