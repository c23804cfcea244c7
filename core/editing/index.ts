export * from './edit'
export * from './faults'
export * from './place'
export * from './openings'
