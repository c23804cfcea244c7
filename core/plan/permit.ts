import { CROPS, entry, MATERIALS } from '../catalog'
import { FORM_CHOICES } from '../design/fields/shape'
import { FOUNDATION_CHOICES } from '../design/fields/build'
import type { Design } from '../design/types'
import { makeText } from '../drawings/layers-text'
import { footprintM2, reachOf } from '../geometry/footprint'
import { isLeaf, isSlope } from '../geometry/parts'
import type { Edge } from '../geometry/section'
import type { Building, Surface } from '../geometry/surfaces'
import { ringIn, wallFeet } from '../geometry/wall-line'
import { nameIn, type Show } from '../units'

/** A line of what a building office asks; an answer of null is left open, for who has to give it. */
export interface PermitLine {
  asked: string
  answer: string | null
  /** Who gives it, where it is open. */
  by: string
}

/** Sides of a house as the office's sheet calls them, with their distances in the survey. */
const PLOT_SIDES = [
  { key: 'sunnyM', name: 'sunny side' },
  { key: 'poleM', name: 'pole side' },
  { key: 'eastM', name: 'east end' },
  { key: 'westM', name: 'west end' },
] as const

/** Those of them that have a boundary before them: a lean-to has its house on the pole side. */
export const plotSides = ({ shape }: Pick<Design, 'shape'>): (typeof PLOT_SIDES)[number][] =>
  PLOT_SIDES.filter(s => !(s.key === 'poleM' && shape.form === 'lean-to'))

const BY_ENGINEER = 'the engineer, by the local code'

/** How far the house stands off its boundaries and other buildings, each as it was measured or open. */
function distances(design: Design, size: (m: number) => string): PermitLine[] {
  const { plot } = design.site.survey
  const line = (asked: string, m: number | null): PermitLine =>
    m === null ? { asked, answer: null, by: 'the owner, measured on the plot' } : { asked, answer: size(m), by: '' }
  return [
    ...plotSides(design).map(({ key, name }) => line(`From the ${name} to the boundary`, plot[key])),
    line('To the nearest building', plot.buildingM),
  ]
}

/** What pieces of the skin are made of, each make once. */
const makes = (surfaces: readonly Surface[], show: Show): string =>
  [...new Set(surfaces.filter(s => s.boundary !== 'house' && !isLeaf(s)).map(s => makeText(s, show)))].join(' / ') ||
  'none'
const isRoof = (s: Surface) => s.tiltDeg < 80
const wallWords = ({ surfaces }: Building, show: Show) =>
  makes(
    surfaces.filter(s => s.kind !== 'floor' && !isRoof(s)),
    show,
  )
const roofWords = ({ surfaces }: Building, show: Show) =>
  makes(
    surfaces.filter(s => s.kind !== 'floor' && isRoof(s)),
    show,
  )

/** What an office usually asks of a greenhouse, as far as the design knows it; loads and anchors stay open. */
export function permitSheet(design: Design, building: Building, frostM: number, show: Show): PermitLine[] {
  const { site, shape, build, aim } = design
  const { outline } = building
  const feet = wallFeet(design, building)
  const outer = reachOf([ringIn(feet, 1)])
  const upright = (edges: readonly Edge[]) =>
    edges.filter(e => Math.abs(e.b.x - e.a.x) < 1e-6).reduce((high, e) => Math.max(high, e.a.z, e.b.z), 0)
  const half = outline.edges.length / 2
  const sunnyM = upright(outline.edges.slice(0, Math.ceil(half))) - building.groundAt(0)
  const poleM = upright(outline.edges.slice(Math.floor(half))) - building.groundAt(outline.widthM)
  const noted = (asked: string, note: string, by: string) => (note.trim() ? say(asked, note.trim()) : open(asked, by))
  const open = (asked: string, by: string): PermitLine => ({ asked, answer: null, by })
  const say = (asked: string, answer: string): PermitLine => ({ asked, answer, by: '' })
  const crops = aim.crops.map(c => CROPS.find(k => k.id === c.id)?.name.toLowerCase() ?? c.id)
  const overhead = [
    ...new Set(building.surfaces.flatMap(s => (s.glazing && (isSlope(s.part!) || s.tiltDeg < 75) ? [s.glazing] : []))),
  ]
  const glass = overhead.some(g => g.sold === 'panes') ? '; only such glass as holds together when it breaks' : ''
  const { depthM, widthM, drain, kind } = build.foundation
  const foundation = FOUNDATION_CHOICES.find(c => c.id === kind)!.name
  const size = (m: number) => show(m, 'length')
  return [
    say('Place', `${site.place}, ${site.latitudeDeg.toFixed(3)}°, ${site.longitudeDeg.toFixed(3)}°`),
    open('Plot number, owner, neighbours', 'the owner'),
    say('Use', crops.length > 0 ? `greenhouse: ${crops.join(', ')}` : 'greenhouse'),
    say('Form', FORM_CHOICES.find(f => f.id === shape.form)!.name.toLowerCase()),
    say(
      'Size outside, about',
      `${size(outer.x1 - outer.x0)} × ${size(outer.y1 - outer.y0)}; ` +
        `floor ${show(building.floorAreaM2, 'area')}, room ${show(building.volumeM3, 'bulk')}`,
    ),
    say('Footprint over outer walls', show(footprintM2(ringIn(feet, 1)), 'area')),
    say('Height of the ridge over the ground', size(outline.ridgeHeightM - building.groundAt(outline.ridgeAtM))),
    say('Heights of the walls over the ground', `sunny ${size(Math.max(0, sunnyM))}, pole ${size(Math.max(0, poleM))}`),
    say('Walls', wallWords(building, show)),
    say('Roof', roofWords(building, show)),
    say('Floor below the ground', shape.sunkM > 0 ? size(shape.sunkM) : 'none'),
    ...distances(design, size),
    kind === 'undecided'
      ? open('Foundation', 'not decided yet')
      : say('Foundation', `${foundation.toLowerCase()}, ${size(depthM)} down, ${size(widthM)} wide`),
    say('Frost depth', `${size(frostM)}${site.survey.frostDepthM > 0 ? ' by local rule' : ', estimated'}`),
    say('Ground', entry(MATERIALS, site.soil).name.toLowerCase()),
    say(
      'Glazing overhead',
      overhead.length === 0 ? 'none' : overhead.map(g => nameIn(g.name, show)).join(', ') + glass,
    ),
    say(
      'Drains',
      drain !== null
        ? `round the foot, ${size(drain)} deep`
        : kind === 'rubble trench'
          ? 'in the trench of the foundation'
          : 'none planned',
    ),
    noted('Where roof and drain water goes', site.survey.plot.drainNote, 'the owner, with the office'),
    noted('Snow load, as given by the office or an engineer', site.survey.snowNote, BY_ENGINEER),
    noted('Wind load, as given by the office or an engineer', site.survey.windNote, BY_ENGINEER),
    open('Anchors against uplift', 'the engineer'),
    open('Sections and spans of the frame', 'the engineer'),
    say('Power', aim.practical.power ? 'on site; wiring by a licensed electrician' : 'none'),
  ]
}
