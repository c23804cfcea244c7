import type { Design } from '../design/types'
import { openingKind } from '../openings/registry'
import { laidLeaves } from './leaves'
import { outwardOf, partPlanes, type PartPlane } from './part-planes'
import { isHouseWall } from './parts'
import { makeOutline } from './section'
import { along, type Vec } from './vec'

/** An entry lobby as it stands on the ground: its corners round, two at the house first; and how high it is, m. */
export interface Lobby {
  corners: [Vec, Vec, Vec, Vec]
  heightM: number
}

/** No wider than this, m; beyond that it is longer. */
const WIDEST_M = 1.6
const HIGH_M = 2.2

/** The lobby of a house, before the first door that leads outside; before its east end where there is none. */
export function lobbyOf(design: Pick<Design, 'shape' | 'skin' | 'breathe'>): Lobby | null {
  const { areaM2 } = design.breathe.lobby
  if (areaM2 <= 0) return null
  const outline = makeOutline(design.shape)
  const { openings } = design.skin
  const door = laidLeaves(design, outline).find(
    l => openingKind(openings[l.index]!).traffic(openings[l.index]!) !== null && !isHouseWall(design.shape, l.part),
  )
  const plane: PartPlane | undefined = door?.planes[0] ?? partPlanes(design, outline, 'eastEnd')[0]
  if (!plane) return null
  const middle = door ? (door.rect.u0 + door.rect.u1) / 2 : 0
  const wide = Math.min(WIDEST_M, Math.sqrt(areaM2))
  const out = outwardOf(plane)
  const at = (u: number, off: number) => along(plane.origin, middle + u, plane.across, off, out)
  const long = areaM2 / wide
  return {
    corners: [at(-wide / 2, 0), at(wide / 2, 0), at(wide / 2, long), at(-wide / 2, long)],
    heightM: Math.min(HIGH_M, 0.8 * outline.ridgeHeightM),
  }
}
