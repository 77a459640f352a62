// Fetched together, for work of a class and boards alone: each by itself would cost every student's page a little more.
export { WorkClock } from './WorkClock.tsx'
export { WorkEnd } from './WorkEnd.tsx'
