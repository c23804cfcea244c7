import type { Design } from '../design/types'
import { makeBuilding, type Building } from '../geometry/surfaces'
import { facets, footCorners, type Facet, type FootCorner } from '../frame/dome'
import type { Member } from '../frame/member'
import { jig, members, rakes, type Rake } from '../frame/members'
import { glazingCuts, type GlazingCuts } from './sheets'
import { stockOf } from '../frame/spacing'
import { cutFromStock, piecesOf, type StockCut } from './stock'

/** What is cut, from what, and how. */
export interface CutList {
  members: Member[]
  /** Lengths as sold, and what is cut from each: straight members. */
  lumber: StockCut[]
  /** Members that span further than any length that is sold. */
  tooLong: Member[]
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
  const straight = all.filter(m => !m.bent)
  const { lumberM } = stockOf(design.build)
  const longest = lumberM.at(-1)!
  return {
    members: all,
    lumber: cutFromStock(piecesOf(straight, longest), lumberM),
    tooLong: straight.filter(m => !m.over && m.lengthM > longest + 1e-9),
    glazing: glazingCuts(design, building),
    facets: design.shape.form === 'dome' ? facets(building) : [],
    corners: footCorners(building),
    rakes: rakes(design, building),
    jig: jig(building.outline),
  }
}
