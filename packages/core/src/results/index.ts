export * from './brief.ts'
export * from './itemFigures.ts'
