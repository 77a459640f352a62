// Fetched together, where a game of the list is looked at.
export { GameActions } from './GameActions.tsx'
export { GameNav } from './GameNav.tsx'
export { GameStep } from './GameStep.tsx'
