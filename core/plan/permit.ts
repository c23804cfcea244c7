import { CROPS, entry, MATERIALS } from '../catalog'
import { FORM_CHOICES } from '../design/fields/shape'
import { FOUNDATION_CHOICES } from '../design/fields/build'
import type { Design } from '../design/types'
import { isSlope } from '../geometry/parts'
import type { Building } from '../geometry/surfaces'
import { nameIn, type Show } from '../units'

/** A line of what a building office asks; an answer of null is left open, for who has to give it. */
export interface PermitLine {
  asked: string
  answer: string | null
  /** Who gives it, where it is open. */
  by: string
}

const byEngineer = (note: string) => `the engineer, by the local code${note ? `; noted: ${note}` : ''}`

/** What an office usually asks of a greenhouse, as far as the design knows it; loads and anchors stay open. */
export function permitSheet(design: Design, building: Building, frostM: number, show: Show): PermitLine[] {
  const { site, shape, skin, build, aim } = design
  const wallM = skin.wall.reduce((sum, l) => sum + l.thicknessM, 0)
  const { outline } = building
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
    open('Plot, owner, neighbours', 'the owner'),
    say('Use', crops.length > 0 ? `greenhouse: ${crops.join(', ')}` : 'greenhouse'),
    say('Form', FORM_CHOICES.find(f => f.id === shape.form)!.name.toLowerCase()),
    say(
      'Size outside, about',
      `${size(outline.widthM + 2 * wallM)} × ${size(shape.lengthM + 2 * wallM)}; ` +
        `floor ${show(building.floorAreaM2, 'area')}, room ${show(building.volumeM3, 'bulk')}`,
    ),
    say('Height over the ground', size(outline.ridgeHeightM - Math.max(0, shape.sunkM))),
    say('Floor below the ground', shape.sunkM > 0 ? size(shape.sunkM) : 'none'),
    open('Distance to boundaries and buildings', 'the owner, measured on the plot'),
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
    open('Where roof and drain water goes', 'the owner, with the office'),
    open('Snow load', byEngineer(site.survey.snowNote)),
    open('Wind load', byEngineer(site.survey.windNote)),
    open('Anchors against uplift', 'the engineer'),
    open('Sections and spans of the frame', 'the engineer'),
    say('Power', aim.practical.power ? 'on site; wiring by a licensed electrician' : 'none'),
  ]
}
