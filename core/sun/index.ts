export * from './position'
export * from './day'
export * from './incidence'
export * from './true-north'
