import { versionSeed, type OfferReply } from '@otter/api'
import { gameOf, type EntryList, type GameKind } from '@otter/core'
import { useMemo, useReducer, useState } from 'react'
import { useCreateOffer, useOffers } from '../../api/offers.ts'
import { useList } from '../../api/lists.ts'
import { newId } from '../../ui/newId.ts'
import { usePuzzles } from '../../workers/usePuzzles.ts'
import { choiceOf, type GameChoice } from '../list/games/choiceOf.ts'
import { keptChoices } from '../list/games/gameChoice.ts'
import { pagesOf, PRINTING, printingAfter, type PlacedPage, type Printing, type PrintingStep } from './printing.ts'

export interface Sheets {
  /** The list's title; undefined until it is there. */
  title: string | undefined
  choice: GameChoice
  printing: Printing
  change: (step: PrintingStep) => void
  /** Open links to the same game, whose codes can be printed. */
  links: OfferReply[]
  /** Makes a link to the game as it is printed, and prints its code. */
  makeLink: () => void
  isMakingLink: boolean
  seeds: string[]
  pages: PlacedPage[]
  /** Whether the list is right for this game. */
  ready: boolean
  making: boolean
  impossible: boolean
  died: boolean
  error: Error | null
}

/** The sheets of a list's game, as they are chosen. */
export function useSheets(id: string, kind: GameKind): Sheets {
  const list = useList(id)
  const choice = useMemo(() => choiceOf(keptChoices(id), kind), [id, kind])
  const [printing, change] = useReducer(printingAfter, PRINTING)
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
    () => Array.from({ length: printing.versions }, (_, index) => versionSeed(choice.seed, index + 1)),
    [choice.seed, printing.versions],
  )
  const { puzzles, note, busy, died } = usePuzzles<unknown>(kind, entryList, choice.options, seeds)
  const ready = entryList !== undefined && gameOf(kind).fit(entryList, choice.options).ready
  const offers = useOffers(id)
  const links = useMemo(
    () => offers.data?.filter((offer) => offer.open && offer.kind === kind) ?? [],
    [offers.data, kind],
  )
  const [requestId, setRequestId] = useState(newId)
  const { mutate, error, isPending } = useCreateOffer(id)
  const makeLink = (): void =>
    mutate(
      { kind, options: choice.options, seed: choice.seed, requestId },
      {
        onSuccess: ({ code }) => {
          setRequestId(newId())
          change({ code })
        },
      },
    )
  const pages = useMemo(
    () => (puzzles?.length === printing.versions ? pagesOf(kind, puzzles, printing.key) : []),
    [kind, puzzles, printing.versions, printing.key],
  )
  return {
    title: list.data?.title,
    choice,
    printing,
    change,
    links,
    makeLink,
    isMakingLink: isPending,
    seeds,
    pages,
    ready,
    making: (busy || list.isPending) && pages.length === 0,
    impossible: note !== undefined,
    died,
    error: list.error ?? error,
  }
}
