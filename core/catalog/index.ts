export * from './glazings'
export * from './materials'
export * from './finishes'
export * from './covers'
export * from './leakage'
export * from './vessels'
export * from './prices'
export * from './fuels'
export * from './crops'
export * from './climates'

/** The entry with an id. Throws RangeError when there is none: a checked design never gets here. */
export function entry<T extends { id: string }>(list: readonly T[], id: string): T {
  const found = list.find(e => e.id === id)
  if (!found) throw new RangeError(`There is no “${id}”; choose one of ${list.map(e => e.id).join(', ')}.`)
  return found
}
