import type { Design } from '../../core/design'
import type { Library } from './library'
import type { KeptDesign } from './records'
import type { Shelf } from './shelf'

/** What belongs to a design beside its document, as files hold it. */
export interface Parts {
  pinned?: Design | null
  studies?: unknown
  book?: unknown
}

type Tree = Record<string, unknown>
const isTree = (v: unknown): v is Tree => typeof v === 'object' && v !== null && !Array.isArray(v)

/** Whether two plain values say the same, in whatever order their fields stand. */
export function sameInDepth(a: unknown, b: unknown): boolean {
  if (Object.is(a, b)) return true
  if (Array.isArray(a) && Array.isArray(b)) return a.length === b.length && a.every((v, i) => sameInDepth(v, b[i]))
  if (!isTree(a) || !isTree(b)) return false
  const said = (t: Tree) => Object.keys(t).filter(k => t[k] !== undefined)
  return said(a).length === said(b).length && said(a).every(k => sameInDepth(a[k], b[k]))
}

const plainName = (name: string) => name.replace(/ \(\d+\)$/, '')

/** Studies that are worked out again from the design: where one is there, another is not missed. */
const WORKED_OUT = ['ladder', 'found', 'sweep', 'winters']

type Found = 'whole' | 'lacking' | 'other'

/** Whether what a backup has of a part is there. */
function partFound(there: unknown, given: unknown): Found {
  if (given === undefined || given === null) return 'whole'
  if (there === undefined || there === null) return 'lacking'
  return sameInDepth(there, given) ? 'whole' : 'other'
}

function studiesFound(there: unknown, given: unknown): Found {
  if (!isTree(there) || !isTree(given)) return partFound(there, given)
  const found = Object.keys(given).map(key =>
    there[key] !== undefined && WORKED_OUT.includes(key) ? 'whole' : partFound(there[key], given[key]),
  )
  return found.includes('other') ? 'other' : found.includes('lacking') ? 'lacking' : 'whole'
}

/**
 * Whether a kept design is the one of a backup: `whole` where all that the backup has of it is there, `lacking` where
 * something that belongs to it is not there at all, `other` where it is another or says something else.
 */
function foundInBackup(
  kept: KeptDesign,
  design: Design,
  parts: Parts,
  beside: { book: unknown; studies: unknown },
): Found {
  const { name } = design
  // A copy of a backup that was taken in before has another id and a number behind its name.
  const isLike = kept.id === design.id ? kept.design.name === name : plainName(kept.design.name) === plainName(name)
  if (!isLike || !sameInDepth({ ...kept.design, id: '', name: '' }, { ...design, id: '', name: '' })) return 'other'
  const found = [
    partFound(kept.pinned, parts.pinned),
    partFound(beside.book, parts.book),
    studiesFound(beside.studies, parts.studies),
  ]
  return found.includes('other') ? 'other' : found.includes('lacking') ? 'lacking' : 'whole'
}

/**
 * Puts a design of a backup into a library with all that belongs to it: nothing where all of it is there, what is
 * lacking where something is, else whole, beside what is there.
 * @param onBench the design whose pin the bench itself has to take
 * @param matched ids of designs that others of the same backup were found to be
 */
export async function putBackInto(
  to: Library,
  { list, isNamed, copyName, asCopy }: Pick<Shelf, 'list' | 'isNamed' | 'copyName' | 'asCopy'>,
  design: Design,
  parts: Parts,
  onBench: string,
  matched: ReadonlySet<string>,
): Promise<{ how: 'new' | 'filled' | 'there'; id: string; pinsBench: boolean }> {
  const { pinned = null, ...beside } = parts
  for (const k of list.value) {
    if (matched.has(k.id)) continue
    const found = foundInBackup(k, design, parts, {
      book: await to.beside(k.id, 'book'),
      studies: await to.beside(k.id, 'studies'),
    })
    if (found === 'whole') return { how: 'there', id: k.id, pinsBench: false }
    if (found !== 'lacking') continue
    await to.fill(k.id, beside)
    const pinsBench = pinned !== null && k.id === onBench
    if (pinned && !pinsBench) await to.save(k.design, pinned, k.revision)
    return { how: 'filled', id: k.id, pinsBench }
  }
  const isThere = (await to.get(design.id)) !== undefined
  const name = isNamed(design.name) ? copyName(design.name) : design.name
  const unique = isThere ? asCopy(design) : { ...design, name }
  await to.put(unique, pinned, beside)
  return { how: 'new', id: unique.id, pinsBench: false }
}
