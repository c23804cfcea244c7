import type { Design } from '../design/types'
import { makeBuilding, type Building } from '../geometry/surfaces'
import { facets, footCorners, type Facet, type FootCorner } from '../frame/dome'
import type { Member } from '../frame/member'
import { jig, members, rakes, type Rake } from '../frame/members'
import { glazingCuts, type GlazingCuts } from './sheets'
import { stockOf } from '../frame/spacing'
import { cutFromStock, type StockCut } from './stock'

/** What is cut, from what, and how. */
export interface CutList {
  members: Member[]
  /** Lengths as sold, and what is cut from each: straight members. */
  lumber: StockCut[]
  glazing: GlazingCuts[]
  /** Of a dome. */
  facets: Facet[]
  /** Corners of the foot that are not square, and slopes that walls are cut to. */
  corners: FootCorner[]
  rakes: Rake[]
  /** Pins of a jig for bent members; none where nothing is bent. */
  jig: { xM: number; zM: number }[]
}

export function cutList(design: Design, building: Building = makeBuilding(design)): CutList {
  const all = members(design, building)
  return {
    members: all,
    lumber: cutFromStock(
      all.filter(m => !m.bent).flatMap(m => Array.from({ length: m.count }, () => m.lengthM)),
      stockOf(design.build).lumberM,
    ),
    glazing: glazingCuts(design, building),
    facets: design.shape.form === 'dome' ? facets(building) : [],
    corners: footCorners(building),
    rakes: rakes(design, building),
    jig: jig(building.outline),
  }
}
