/** What teams are known by on the wall, each with a picture of its own. */
export const EMBLEMS = ['heron', 'eel', 'crab', 'tern', 'newt', 'frog', 'snail', 'trout', 'beaver', 'swan'] as const
export type Emblem = (typeof EMBLEMS)[number]
