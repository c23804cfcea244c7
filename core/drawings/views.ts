import type { Design } from '../design/types'
import { makeBuilding } from '../geometry/surfaces'
import { inMetric, type Show } from '../units'
import { NO_SITE, type Drawing, type Drawn, type Room, type SiteFacts } from './drawing'
import { drawEdgeDetail, drawSillDetail, drawWallDetail } from './details'
import { drawElevation, SIDES, type Side } from './elevation'
import { drawFoundation } from './foundation'
import { drawGlazing } from './glazing'
import { withRoomForWords } from './place'
import { drawDormerDetail, drawEaveDetail, drawJointDetail, drawRidgeDetail } from './junctions'
import { drawMembers, drawSheets } from './members'
import { drawPipes } from './pipes'
import { drawPlan } from './plan'
import { drawPlot } from './plot'
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
  members: { name: 'Members', draw: drawMembers },
  sheets: { name: 'Sheets', draw: drawSheets },
  wall: { name: 'Detail of the wall', draw: drawWallDetail },
  edge: { name: 'Detail of the edge', draw: drawEdgeDetail },
  sill: { name: 'Detail of the sill', draw: drawSillDetail },
  eave: { name: 'Detail of the eave', draw: drawEaveDetail },
  ridge: { name: 'Detail of the ridge', draw: drawRidgeDetail },
  joint: { name: 'Detail of a glazing joint', draw: drawJointDetail },
  dormer: { name: 'Detail of a door’s dormer', draw: drawDormerDetail },
  plot: { name: 'Plot plan for the office', draw: drawPlot },
  workshop: { name: 'Sheet for the wall of the workshop', draw: drawWallSheet },
} satisfies Record<string, { name: string; draw: (drawn: Drawn) => Drawing | null }>
export type ViewId = keyof typeof VIEWS
export const VIEW_CHOICES = (Object.keys(VIEWS) as ViewId[]).map(id => ({ id, name: VIEWS[id].name }))

const A3: Room = { wideMm: 394, highMm: 249 }

/** What a view is drawn with besides the design. */
export interface ViewAsked {
  view: ViewId
  /** 1 to so many on the paper that its words are sized for. */
  scale: number
  show?: Show
  site?: SiteFacts
  /** Of the paper, mm; that of A3 where nothing is said. */
  room?: Room
}

/** A view of a design as it is drawn, its words where they are wanted; null where the house has no such view. */
export const roughView = (design: Design, { view, scale, show = inMetric, site = NO_SITE, room = A3 }: ViewAsked) =>
  VIEWS[view].draw({ design, building: makeBuilding(design), scale, show, room, ...site })

/** A view of a design, its words moved to where there is room; null where the house has no such view. */
export function drawView(design: Design, asked: ViewAsked): Drawing | null {
  const drawing = roughView(design, asked)
  return drawing && { ...drawing, items: withRoomForWords(drawing.items, asked.scale) }
}
