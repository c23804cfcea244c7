export * from './position'
export * from './day'
export * from './incidence'
