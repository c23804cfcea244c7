import { PART_NAMES, type Design, type Opening, type PartId } from '../design/types'
import type { Host, OpeningKind, Panes } from '../openings/kind'
import { openingKind, openingName } from '../openings/registry'
import { hostOf, partsOf, stretches, type Stretch } from './parts'
import { clearHeightAt, makeOutline, type Outline, type OutlineFault } from './section'

/** A rectangle on a part: across it from its middle, and up it from its foot, m. */
export interface PaneRect {
  u0: number
  u1: number
  v0: number
  v1: number
}

/** Between panes of a row, m: a post. */
const POST_M = 0.1

/** The panes of a row, side by side about its middle. */
export function paneRects({ widthM, heightM, sillM, offsetM, count }: Panes): PaneRect[] {
  const pitch = widthM + POST_M
  return Array.from({ length: count }, (_, i) => {
    const middle = offsetM + (i - (count - 1) / 2) * pitch
    return { u0: middle - widthM / 2, u1: middle + widthM / 2, v0: sillM, v1: sillM + heightM }
  })
}

/** An opening on its part, for drawings: panes as they are, doors by their size, the rest by its area. */
export function rectsOf(o: Opening, host: Host): PaneRect[] {
  const kind = openingKind(o)
  const panes = kind.panes(o)
  if (panes) return paneRects(panes)
  if ('widthM' in o) return paneRects({ ...o, sillM: 0, count: 1, glazing: null, covered: false })
  const { atM, tallM } = kind.height(o, host)
  const rise = (host.highM - host.lowM) / Math.max(host.longM, 1e-6)
  const up = rise > 0.05 ? (atM - host.lowM) / rise : host.longM / 2
  const long = Math.min(host.longM, tallM / Math.max(rise, 0.2))
  const v0 = Math.min(Math.max(0, up - long / 2), host.longM - long)
  const wide = Math.min(host.wideM, kind.freeM2(o) / Math.max(long, 1e-6))
  return [{ u0: -wide / 2, u1: wide / 2, v0, v1: v0 + long }]
}

type House = Pick<Design, 'shape' | 'skin'>

/**
 * Whether what is glazed of an opening is let into its part: into a solid one; in glazing it is glazing all the same.
 */
export function isLetIn({ shape, skin }: House, part: PartId): boolean {
  const { kind } = skin.parts[part]
  // A house's own wall is not ours to let light through, and a dome's facets are too small.
  return kind === 'solid' && shape.form !== 'dome' && !(shape.form === 'lean-to' && part === 'backWall')
}

/** Openings of a part whose panes are let into it, with their places in the document. */
export function panesOn(house: House, part: PartId): { index: number; panes: Panes }[] {
  if (!isLetIn(house, part)) return []
  return house.skin.openings.flatMap((o, index) => {
    const panes = o.part === part ? openingKind(o).panes(o) : null
    return panes ? [{ index, panes }] : []
  })
}

/** The straight piece of a section's part that panes are let into; null where the part is bent or not there. */
function hostStretch(list: readonly Stretch[], part: PartId): Stretch | null {
  const own = list.filter(s => s.part === part)
  return own.length === 1 ? own[0]! : null
}

/** Parts of a house that an opening of a kind can be on. */
export function hostsFor(house: House, kind: Pick<OpeningKind, 'on' | 'onDome'>): PartId[] {
  if (house.shape.form === 'dome' && !kind.onDome) return []
  return partsOf(house, makeOutline(house.shape)).filter(p => kind.on.includes(p))
}

/** What is wrong with openings: on no part of the form, larger than their part, in each other. */
export function openingFaults(house: House): OutlineFault[] {
  const { shape, skin } = house
  const out: OutlineFault[] = []
  const outline = makeOutline(shape)
  const list = stretches(house, outline)
  const m = (v: number) => `${Math.max(0, Math.floor(v * 100) / 100).toFixed(2)} m`
  skin.openings.forEach((o, i) => {
    const kind = openingKind(o)
    const add = (field: string, message: string, allowed: string) =>
      out.push({ path: `skin.openings[${i}].${field}`, message, allowed })
    const opener = kind.opener(o)
    if (opener.fullC <= opener.startC) add('fullC', 'is not above the start of opening', `above ${opener.startC} °C`)
    if (!kind.on.includes(o.part))
      return add(
        'part',
        `cannot have a ${kind.name.toLowerCase()}`,
        `one of ${kind.on.map(p => PART_NAMES[p]).join(', ')}`,
      )
    const host = hostOf(shape, outline, o.part)
    const { tallM } = kind.height(o, host)
    if (kind.traffic(o) && shape.form !== 'dome' && host.longM > 1e-6 && tallM > host.longM + 1e-9)
      return add('heightM', 'is higher than its part', `at most ${m(host.longM)}, or another part`)
    const panes = isLetIn(house, o.part) ? kind.panes(o) : null
    if (!panes) return
    // What the form does not have keeps what was let into it.
    if (host.longM < 1e-6) return
    const end = o.part === 'eastEnd' || o.part === 'westEnd'
    if (!end && !hostStretch(list, o.part)) return add('part', 'is bent, and takes no panes', 'a straight part')
    const misfit = misfitOf(panes, host, end ? outline : null)
    if (misfit) return add(misfit.field, misfit.message, misfit.allowed)
    if (end && 'glazedShare' in skin.parts[o.part] && (skin.parts[o.part] as { glazedShare: number }).glazedShare > 0)
      return add('part', 'has glazing in its middle already', 'an end whose glazed share is 0')
    const other = panesOn(house, o.part).find(p => p.index < i && overlap(p.panes, panes))
    if (other)
      add(
        'offsetM',
        `lies in ${openingName(skin.openings, other.index).toLowerCase()}`,
        `a place clear of it: ${m(Math.abs(panes.offsetM - other.panes.offsetM))} apart is too near`,
      )
  })
  return out
}

function misfitOf(
  panes: Panes,
  host: Host,
  end: Outline | null,
): (Omit<OutlineFault, 'path'> & { field: string }) | null {
  const m = (v: number) => `${Math.max(0, Math.floor(v * 100) / 100).toFixed(2)} m`
  const rects = paneRects(panes)
  const left = rects[0]!.u0
  const right = rects.at(-1)!.u1
  const wide = right - left
  if (wide > host.wideM + 1e-9)
    return { field: 'widthM', message: 'is wider than its part', allowed: `${m(host.wideM)} in all` }
  if (left < -host.wideM / 2 - 1e-9 || right > host.wideM / 2 + 1e-9)
    return {
      field: 'offsetM',
      message: 'runs past the end of its part',
      allowed: `up to ${m((host.wideM - wide) / 2)} off the middle`,
    }
  const clear = end
    ? Math.min(clearHeightAt(end, left + host.wideM / 2), clearHeightAt(end, right + host.wideM / 2))
    : host.longM
  if (rects[0]!.v1 > clear + 1e-9)
    return {
      field: 'heightM',
      message: 'reaches past the top of its part',
      allowed: `at most ${m(clear - panes.sillM)}, or a lower sill`,
    }
  return null
}

function overlap(a: Panes, b: Panes): boolean {
  return paneRects(a).some(p =>
    paneRects(b).some(q => p.u0 < q.u1 - 1e-9 && q.u0 < p.u1 - 1e-9 && p.v0 < q.v1 - 1e-9 && q.v0 < p.v1 - 1e-9),
  )
}
