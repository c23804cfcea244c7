import type { Design } from '../design/types'
import { makeBuilding } from '../geometry/surfaces'
import { inMetric, type Show } from '../units'
import type { Drawing, Drawn } from './drawing'
import { drawEdgeDetail, drawSillDetail, drawWallDetail } from './details'
import { drawElevation, SIDES, type Side } from './elevation'
import { drawFoundation } from './foundation'
import { drawGlazing } from './glazing'
import { withRoomForWords } from './place'
import { drawPipes, drawPlan } from './plan'
import { drawSection } from './section'
import { drawWallSheet } from './wall-sheet'

/** Every drawing of a house: a new one is a module beside these, and a line here. null where the house has none. */
const VIEWS = {
  section: { name: 'Section', draw: drawSection },
  plan: { name: 'Plan', draw: drawPlan },
  foundation: { name: 'Foundation plan', draw: drawFoundation },
  pipes: { name: 'Pipe plan', draw: drawPipes },
  ...(Object.fromEntries(
    (Object.keys(SIDES) as Side[]).map(side => [
      side,
      { name: SIDES[side].name, draw: (drawn: Drawn) => drawElevation(drawn, side) },
    ]),
  ) as Record<Side, { name: string; draw: (drawn: Drawn) => Drawing | null }>),
  glazing: { name: 'Glazing layout', draw: drawGlazing },
  wall: { name: 'Detail of the wall', draw: drawWallDetail },
  edge: { name: 'Detail of the edge', draw: drawEdgeDetail },
  sill: { name: 'Detail of the sill', draw: drawSillDetail },
  workshop: { name: 'Sheet for the wall of the workshop', draw: drawWallSheet },
} satisfies Record<string, { name: string; draw: (drawn: Drawn) => Drawing | null }>
export type ViewId = keyof typeof VIEWS
export const VIEW_CHOICES = (Object.keys(VIEWS) as ViewId[]).map(id => ({ id, name: VIEWS[id].name }))

/** A view of a design as it is drawn, its words where they are wanted; null where the house has no such view. */
export const roughView = (design: Design, view: ViewId, scale: number, show: Show = inMetric): Drawing | null =>
  VIEWS[view].draw({ design, building: makeBuilding(design), scale, show })

/** A view of a design, its words sized for paper at a scale of 1 to so many, and moved to where there is room. */
export function drawView(design: Design, view: ViewId, scale: number, show: Show = inMetric): Drawing | null {
  const drawing = roughView(design, view, scale, show)
  return drawing && { ...drawing, items: withRoomForWords(drawing.items, scale) }
}
