export { readOneRoster, RosterRefusal, type ReadRoster, type RosterClass } from './read.ts'
export { writeOneRoster, type WrittenClass } from './write.ts'
export { writeOneRosterResults, type WrittenResult, type WrittenWork } from './writeResults.ts'
