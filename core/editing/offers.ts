import { fieldAt, valueAt, type Design } from '../design'
import { roomObjects, type ObjectKind } from '../geometry/objects'
import type { Quantity } from '../units'
import { lengthened } from './beds'
import { patchDesign, type Patch } from './edit'
import { designFaults, documentFaults } from './faults'
import { withOpeningsCarried } from './fit-openings'
import { madeToStand, things } from './place'

/** Something that fits, in place of what did not: in words, and the design with it. */
export interface Offer {
  words: string
  design: Design
}
/** Writes a value in the reader's units. */
type Show = (value: number, quantity: Quantity) => string

/** A value is looked for to so much, of its own unit: what a tape shows, or what a thermostat is set by. */
const TO = 0.01
/** So many names are told; more are counted. */
const NAMES = 2

/**
 * What may be had in place of an edit that does not fit: the nearest value to what was asked, and room made for it by
 * what stands in the way. None for what is wrong for another reason.
 */
export function offersFor(design: Design, patches: readonly Patch[], show: Show): Offer[] {
  const asked = patchDesign(design, patches)
  if (documentFaults(asked).length > 0) return []
  const out: Offer[] = []
  const known = new Set(designFaults(design).map(f => f.path + f.message))
  const fits = (house: Design) => !designFaults(house).some(f => !known.has(f.path + f.message))
  const stood = madeToStand(asked)
  const room = stood && withOpeningsCarried(stood)
  if (room && fits(room) && patches.every(([path, value]) => valueAt(room, path) === value)) {
    const moved = movedNames(asked, room)
    if (moved) out.push({ words: `Make room: ${moved}`, design: room })
  }
  const near = nearest(design, patches, fits)
  if (near) out.unshift({ words: `Take ${show(near.value, near.quantity)}`, design: near.design })
  return out
}

/** The nearest value to one that was asked of a number that fits, between it and what it is now. */
function nearest(design: Design, patches: readonly Patch[], fits: (house: Design) => boolean) {
  const [path, asked] = patches[0] ?? ['', null]
  const field = fieldAt(path, design)
  const now = valueAt(design, path)
  if (field?.kind !== 'number' || field.quantity === null) return null
  if (typeof now !== 'number' || typeof asked !== 'number') return null
  const step = field.whole ? 1 : TO
  // By steps from what it is: what fits less far may fit further, never the other way about, for nearly everything.
  let [good, bad] = [0, Math.ceil(Math.abs(asked - now) / step)]
  const at = (k: number) => Math.round((now + Math.sign(asked - now) * k * step) / step) * step
  const tried = (k: number) => patchDesign(design, [[path, Number(at(k).toFixed(6))]])
  while (bad - good > 1) {
    const k = Math.floor((good + bad) / 2)
    if (fits(tried(k))) good = k
    else bad = k
  }
  // What touches by a hair still stands; what is offered is what the sentence allows.
  if (good > 1 && !field.whole) good--
  const house = tried(good)
  return good > 0 && fits(house) ? { value: at(good), quantity: field.quantity, design: house } : null
}

/** “Bed 2 and tank change”; empty where nothing did. */
function movedNames(before: Design, after: Design): string {
  const place = (d: Design) => new Map(things(d).map(t => [t.id, t]))
  const [was, is] = [place(before), place(after)]
  const names = [...was.values()]
    .filter(t => {
      const now = is.get(t.id)!
      return (['x0', 'x1', 'y0', 'y1', 'z1'] as const).some(e => Math.abs(now[e] - t[e]) > 1e-6)
    })
    .map(t => t.name.charAt(0).toLowerCase() + t.name.slice(1))
  if (names.length === 0) return ''
  const told = names.length > NAMES ? [`${names.length} things`] : names
  return `${told.join(' and ')} ${names.length > 1 ? 'change' : 'changes'}`
}

/** What is left of a bed that gives room is no shorter, m. */
const LEAST_M = 0.6

/**
 * Another thing where no floor is free: in the place of as little of a bed as it needs. Null where no bed along the
 * house has that much.
 * @param make the thing in a house, so far east of its middle, where there is room for it, or null
 * @param lengthsM how much of a bed may be taken, m
 */
export function inPlaceOfBed<T>(
  design: Design,
  kind: ObjectKind,
  make: (house: Design, offsetM: number) => T | null,
  lengthsM: readonly number[],
  show: Show,
): Offer | null {
  const list = { body: 'store.bodies', bed: 'shape.beds', bench: 'shape.benches' }[kind]
  const beds = roomObjects(design).filter(o => o.kind === 'bed' && design.shape.beds[o.index]!.kind === 'bed')
  for (const takenM of [...lengthsM].sort((a, b) => a - b))
    for (const { index, y0, y1 } of beds) {
      if (y1 - y0 - takenM < LEAST_M) continue
      for (const [from, to, freeM] of [
        [y0, y1 - takenM, y1 - takenM / 2],
        [y0 + takenM, y1, y0 + takenM / 2],
      ] as const) {
        const shorter = patchDesign(design, [[`shape.beds.${index}`, lengthened(design, index, from, to)]])
        const thing = make(shorter, freeM - design.shape.lengthM / 2)
        if (!thing) continue
        const house = patchDesign(shorter, [[list, [...(valueAt(shorter, list) as unknown[]), thing]]])
        if (designFaults(house).length > 0) continue
        return { words: `Take ${show(takenM, 'length')} of bed ${index + 1} for it`, design: house }
      }
    }
  return null
}
