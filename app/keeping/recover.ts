import type { Unsaved } from './journal'
import type { Library } from './library'
import type { Shelf } from './shelf'

/** How what was unsaved came in: over its version or as it was there, again after a delete, or beside a later one. */
export type BroughtIn = 'over' | 'again' | 'beside'

/** Brings what a page left unsaved in: over the version that it was built on, or beside a later one. */
export async function bringIn(
  to: Library,
  { design, pinned, base, at, page }: Unsaved,
  { namesOf, asCopy }: Pick<Shelf, 'namesOf' | 'asCopy'>,
): Promise<BroughtIn> {
  const read = await to.get(design.id)
  const kept = read?.ok ? read.kept : undefined
  if (kept && JSON.stringify([kept.design, kept.pinned]) === JSON.stringify([design, pinned])) return 'over'
  // What the same page saved last it went on from, however far the store had told it.
  const isOwn = kept?.by !== undefined && kept.by === page
  if (isOwn && kept.updatedAt > at) return 'over'
  if (isOwn || (kept?.revision ?? 0) === base) {
    const done = await to.save(design, pinned, kept?.revision ?? 0)
    if (done.ok) return 'over'
  }
  if (read === undefined) {
    await to.put(design, pinned, {})
    return 'again'
  }
  await namesOf(to)
  await to.put(asCopy(design), pinned, {})
  return 'beside'
}

export const broughtInWords = (how: Exclude<BroughtIn, 'over'>, name: string): string =>
  how === 'again'
    ? `“${name}” was deleted in another tab while it was changed here: it is kept.`
    : `What was not saved of “${name}” stands beside it as a design of its own: another tab had changed it since.`
