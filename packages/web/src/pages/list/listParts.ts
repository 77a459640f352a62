import { lazy } from 'react'

/** What a list's page shows beside its words, or only when it is asked for: the words wait for none of it. */
const LOADS = {
  panel: () => import('./entry/EntryPanel.tsx'),
  game: () => import('./games/gameParts.ts'),
  taking: () => import('./import/ImportDialog.tsx'),
  details: () => import('./details/DetailsDialog.tsx'),
  giving: () => import('./import/ExportDialog.tsx'),
  pictures: () => import('./pictures/SuggestPictures.tsx'),
  sharing: () => import('../share/SharePage.tsx'),
}

export const EntryPanel = lazy(async () => ({ default: (await LOADS.panel()).EntryPanel }))
export const GameStep = lazy(async () => ({ default: (await LOADS.game()).GameStep }))
export const GameActions = lazy(async () => ({ default: (await LOADS.game()).GameActions }))
export const GameNav = lazy(async () => ({ default: (await LOADS.game()).GameNav }))
export const ImportDialog = lazy(async () => ({ default: (await LOADS.taking()).ImportDialog }))
export const DetailsDialog = lazy(async () => ({ default: (await LOADS.details()).DetailsDialog }))
export const ExportDialog = lazy(async () => ({ default: (await LOADS.giving()).ExportDialog }))
export const SuggestPictures = lazy(async () => ({ default: (await LOADS.pictures()).SuggestPictures }))

/** Fetches what a game of the list needs. */
export const fetchGame = LOADS.game

/** Fetches all that the next steps of a list need, so that none of them waits for a line that is gone meanwhile. */
export async function fetchParts(): Promise<void> {
  await Promise.all(Object.values(LOADS).map((load) => load()))
}
