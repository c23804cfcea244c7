/** The entry with an id. Throws RangeError when there is none: a checked design never gets here. */
export function entry<T extends { id: string }>(list: readonly T[], id: string): T {
  const found = list.find(e => e.id === id)
  if (!found) throw new RangeError(`There is no “${id}”; choose one of ${list.map(e => e.id).join(', ')}.`)
  return found
}
