import { fetchTexts } from '../../texts/fetchTexts.ts'
import { later } from '../../ui/later.tsx'

/** Parts of a list's page beside its words, or shown only when they are asked for: the words wait for none of them. */
export const EntryPanel = later(async () => (await import('./entry/EntryPanel.tsx')).EntryPanel)
export const GameStep = later(async () => (await import('./games/gameParts.ts')).GameStep)
export const GameActions = later(async () => (await import('./games/gameParts.ts')).GameActions)
export const GameNav = later(async () => (await import('./games/gameParts.ts')).GameNav)
export const ImportDialog = later(async () => (await import('./import/ImportDialog.tsx')).ImportDialog)
export const DetailsDialog = later(async () => (await import('./details/DetailsDialog.tsx')).DetailsDialog)
export const ExportDialog = later(async () => (await import('./import/ExportDialog.tsx')).ExportDialog)
export const SuggestPictures = later(async () => (await import('./pictures/SuggestPictures.tsx')).SuggestPictures)

/** Fetches what a game of the list needs. */
export async function fetchGame(): Promise<void> {
  await Promise.all([GameStep.fetch(), GameActions.fetch(), GameNav.fetch()])
}

/** Fetches all that the next steps of a list need, so that none of them waits for a line that is gone meanwhile. */
export async function fetchParts(): Promise<void> {
  const parts = [EntryPanel, ImportDialog, DetailsDialog, ExportDialog, SuggestPictures]
  await Promise.all([
    fetchGame(),
    ...parts.map((part) => part.fetch()),
    import('../share/SharePage.tsx'),
    fetchTexts('classes', 'live', 'wallPlay'),
  ])
}
