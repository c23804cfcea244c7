import type { Design } from '../../core/design'
import type { Difference } from './medium'
import { putAsideIn, type Library } from './library'
import { nameOf, readRecord, toKeep, type KeptDesign } from './records'

const revisionOf = (raw: unknown): number => (raw as { revision?: number } | undefined)?.revision ?? 0

/** The design that a place and a key belong to; null for what belongs to none. */
function ownerOf({ place, key }: Difference): string | null {
  if (place === 'designs') return key
  return place === 'beside' ? key.slice(key.indexOf(' ') + 1) : null
}
const isHistory = (d: Difference) => d.place === 'beside' && d.key.startsWith('history ')

/**
 * Lays what a memory holds on the store that has room again. A design that the store has had changed since, by anybody,
 * goes beside it as a whole, with all that belongs to it: nothing is written over.
 * @param asCopy a design under an id and a name of its own
 * @returns ids of those that went beside, with their new ids. Rejects, with as much done as the store took, where the
 *   store fails again.
 */
export async function layBack(
  differences: readonly Difference[],
  store: Library,
  asCopy: (design: Design) => Design,
  now: number,
): Promise<Map<string, string>> {
  const copies = new Map<string, string>()
  const byOwner = new Map<string | null, Difference[]>()
  for (const d of differences) if (!d.laid) byOwner.set(ownerOf(d), [...(byOwner.get(ownerOf(d)) ?? []), d])
  // The store is tried even where nothing is to be laid there.
  await store.medium.change(async cells => {
    await cells.put('settings', 'tried', now)
    for (const { place, key, value } of byOwner.get(null) ?? [])
      if (value !== undefined) await cells.put(place, key, value)
  })
  // What is on the store is not laid there a second time if it fails further on.
  const settle = (its: readonly Difference[]) => {
    for (const d of its) Object.assign(d, { laid: true, below: d.value })
  }
  settle(byOwner.get(null) ?? [])
  for (const [id, its] of byOwner) {
    if (id === null) continue
    // What the disk has lost can't be built on, nor read within a transaction.
    let isLost = false
    for (const d of its) await store.medium.get(d.place, d.key).catch(() => (isLost = true))
    await store.medium.change(async cells => {
      let clash = isLost
      for (const d of isLost ? [] : its)
        if (!isHistory(d) && revisionOf(await cells.get(d.place, d.key)) !== revisionOf(d.below)) clash = true
      if (!clash) {
        for (const { place, key, value } of its)
          if (value === undefined) await cells.drop(place, key)
          else await cells.put(place, key, value)
        return
      }
      const record = its.find(d => d.place === 'designs')
      // What was deleted here and has been changed elsewhere since stays.
      if (record && record.value === undefined) return
      const read = readRecord(record?.value ?? (isLost ? undefined : await cells.get('designs', id)))
      if (!read.ok) {
        // Beside what cannot be read nothing can be laid: what was written is put aside, told and saved from there.
        for (const { place, key, value } of its)
          if (place === 'beside' && !key.startsWith('history ') && value !== undefined)
            await putAsideIn(
              cells,
              {
                what: key.startsWith('book ') ? 'a season book' : 'studies',
                name: nameOf((record?.value as { design?: unknown } | undefined)?.design),
                of: id,
                why: ['Its design cannot be read in the store.'],
                raw: (value as { value: unknown }).value,
              },
              now,
            )
        return
      }
      const copy = asCopy(read.kept.design)
      copies.set(id, copy.id)
      const kept: KeptDesign = toKeep(copy, read.kept.pinned, 1, now)
      await cells.put('designs', copy.id, kept)
      for (const { place, key, value } of its)
        if (place === 'beside' && value !== undefined)
          await cells.put('beside', `${key.slice(0, key.indexOf(' '))} ${copy.id}`, value)
    })
    settle(its)
  }
  return copies
}
