import { ringIn, wallFeet } from '../geometry/wall-line'
import { lobbyOf } from '../geometry/lobby'
import { permitSheet, plotSides } from '../plan/permit'
import { linesBlock, withBlocks } from './blocks'
import {
  broken,
  dimension,
  extentOf,
  fromAbove,
  line,
  mm,
  sizeText,
  words,
  type At,
  type Drawing,
  type Drawn,
  type Item,
} from './drawing'
import { north } from './plan'

/** Where nobody has measured how far a boundary is, none is drawn; so much room is left for saying so, mm. */
const OPEN_MM = 2500
/** A boundary runs on so far past the house, mm. */
const PAST_MM = 1500
const LETTERS = 62

/** The house on its plot: its outer walls, how high it is, and how far off the boundaries it stands. */
export function drawPlot(drawn: Drawn): Drawing {
  const { design, building, show, scale, frostM } = drawn
  const { plot } = design.site.survey
  const at = fromAbove(drawn)
  const ring = ringIn(wallFeet(design, building), 1).map(([x, y]) => at(x, y))
  const { x0, x1, y0, y1 } = extentOf([{ kind: 'path', layer: 'skin', points: ring }])
  const [cx, cy] = [(x0 + x1) / 2, (y0 + y1) / 2]
  const items: Item[] = [{ kind: 'path', layer: 'skin', closed: true, points: ring }]
  const { outline, lengthM } = building
  if (outline.form !== 'dome') {
    const [a, b] = [at(outline.ridgeAtM, 0), at(outline.ridgeAtM, lengthM)]
    items.push(line('glazing', a, b, true))
  }
  const ridge = outline.ridgeHeightM - building.groundAt(outline.ridgeAtM)
  items.push({
    ...words([cx, cy], `greenhouse; ridge ${sizeText(show, ridge)} over the ground`),
    of: at(outline.ridgeAtM, lengthM / 2),
  })
  const lobby = lobbyOf(design)
  if (lobby) items.push({ kind: 'path', layer: 'skin', closed: true, points: lobby.corners.map(([x, y]) => at(x, y)) })
  items.push(...dimension(drawn, [x1, y0], [x0, y0], 1), ...dimension(drawn, [x1, y1], [x1, y0], 1))
  // Ways out of the house as the plan has them: the sunny side lies below, the east where the plan has it.
  const east: 1 | -1 = at(0, lengthM)[0] > at(0, 0)[0] ? 1 : -1
  const ways: Record<ReturnType<typeof plotSides>[number]['key'], At> = {
    sunnyM: [0, -1],
    poleM: [0, 1],
    eastM: [east, 0],
    westM: [-east, 0],
  }
  for (const { key, name } of plotSides(design)) {
    const [ux, uy] = ways[key]
    const m = plot[key]
    const off = m === null ? OPEN_MM : mm(m)
    // Beside the middle, where the dimensions of the house are not.
    const foot: At = [
      ux === 0 ? x0 + (x1 - x0) * 0.25 : ux > 0 ? x1 : x0,
      uy === 0 ? y0 + (y1 - y0) * 0.75 : uy > 0 ? y1 : y0,
    ]
    const far: At = [foot[0] + ux * off, foot[1] + uy * off]
    if (m === null) {
      items.push({ ...words(far, `${name}: boundary to be measured`), of: foot })
      continue
    }
    const along: [At, At] =
      ux === 0
        ? [
            [x0 - PAST_MM, far[1]],
            [x1 + PAST_MM, far[1]],
          ]
        : [
            [far[0], y0 - PAST_MM],
            [far[0], y1 + PAST_MM],
          ]
    items.push(
      { ...line('ground', along[0], along[1], true) },
      { ...words(along[1], 'boundary'), of: along[1] },
      ...dimension(drawn, foot, far, 0),
    )
  }
  const reach = extentOf(items)
  items.push(...north(drawn, [reach.x1 + 12 * scale, reach.y1 - 10 * scale]))
  const lines = permitSheet(design, building, frostM ?? design.site.survey.frostDepthM, show).map(
    ({ asked, answer, by }) => broken(`${asked}: ${answer ?? `__________ (${by})`}`, LETTERS),
  )
  const half = Math.ceil(lines.length / 2)
  return {
    title: 'Plot plan and what the office asks',
    items: withBlocks(
      drawn,
      items,
      [lines.slice(0, half), lines.slice(half)].map(its => linesBlock(its.flat())),
    ),
    measured: 'from outer walls to boundaries.',
  }
}
