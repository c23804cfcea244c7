import type { Design, Layer, PartId } from '../design/types'
import { isLeaf } from '../geometry/parts'
import type { Building, Surface } from '../geometry/surfaces'
import { ach50Of } from '../air/ach50'
import { materialPrice, pricesOf, type PriceOf } from './price-book'

/** Of layers, money per m². */
export const layersPrice = (layers: readonly Layer[], price: PriceOf): number =>
  layers.reduce((sum, l) => sum + l.thicknessM * materialPrice(price, l.material), 0)
/** Layers of a solid piece, less its linings, which are counted by themselves. */
const solidPrice = (s: Surface, { store }: Design, price: PriceOf) =>
  layersPrice(
    s.layers.filter(l => !(store.linings as readonly Layer[]).includes(l)),
    price,
  )

/**
 * What the sheets, layers and covers of one part of the skin cost at the design's prices, nothing bought over; a
 * house's own wall costs nothing.
 */
export function partCost(design: Design, building: Building, part: PartId): number {
  const price = pricesOf(design)
  const coverPrice = (s: Surface) => {
    const { id } = building.covers[s.cover]!
    return id === 'none' ? 0 : price(`cover.${id}`)
  }
  return building.surfaces
    .filter(s => s.part === part && s.boundary !== 'house' && (s.kind === 'glazed' || !isLeaf(s)))
    .reduce((sum, s) => {
      const each = s.glazing ? price(`glazing.${s.glazing.id}`) + coverPrice(s) : solidPrice(s, design, price)
      return sum + s.areaM2 * each
    }, 0)
}

/** Leakier than this nothing has been sealed, air changes an hour under 50 Pa. */
const UNSEALED = 24

/** How often the leaks of a house as it comes are halved by what seals it. */
export const leakHalvings = (breathe: Design['breathe']): number => Math.max(0, Math.log2(UNSEALED / ach50Of(breathe)))
