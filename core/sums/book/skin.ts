import { entry, GLAZINGS } from '../../catalog'
import { limpFilm } from '../../catalog/glazings'
import { HOURS } from '../../climate'
import { tiltedResistance } from '../../optics/glazing-heat'
import { FILMS } from '../../physics/constants'
import { designHeatLoss, insulationSaves, lightThroughLayers } from '../heat'
import { line, plain, type Sum } from '../sum'
import { coldestNight, type BookEntry, type SumContext } from './entry'

/** What a layer takes of the light that reaches it: clear glass, and plastic as the rule has it. */
const LAYER_TAKES = { clear: 0.08, diffusing: 0.09 } as const

/** The steady loss of a design on its coldest night, by its skin with covers drawn and its leaks. */
export function heatLoss(c: SumContext, insideC: number): Sum<{ watts: number; uaWK: number }> {
  const { answers, building, site } = c
  const { volumeM3 } = building
  return designHeatLoss(
    answers.ua.byElement.map(e => ({ name: e.name, areaM2: e.areaM2, uValue: e.uNight, ground: e.id === 'ground' })),
    volumeM3,
    Math.min(20, (answers.ua.infiltrationWK * 3600) / (1200 * volumeM3)),
    insideC,
    answers.outside.coldestC,
    site.dryBulbC.reduce((sum, t) => sum + t, 0) / site.dryBulbC.length,
  )
}

/** U-value of the design's glazing bare, and with its night cover; null without a cover. */
function coveredGlazing({ answers, building }: SumContext): Sum<number> | null {
  const pane = answers.ua.byElement.find(e => e.uNight < e.uDay)
  if (!pane || building.covers.length === 0) return null
  const adds = 1 / pane.uNight - 1 / pane.uDay
  return {
    result: pane.uNight,
    rule: 'Resistances in a row add up: films, glazing, and the cover with its leaking edges.',
    lines: [
      line('R₁', 'glazing with the films on both its sides', 1 / pane.uDay, 'resistance'),
      line('R₂', 'the cover and the air that it holds', adds, 'resistance'),
      line('U', '1 ÷ (R₁ + R₂)', pane.uNight, 'transmittance'),
    ],
  }
}

/** So long is a night in which the blower stands still, h. */
const NIGHT_H = 12

/** What a night without its blower costs a film house: its panes with both sheets apart, and lying on each other. */
function blowerNight({ building, series, site }: SumContext): Sum<number> | null {
  const blown = building.surfaces.flatMap(s =>
    s.glazing?.limpUValue !== undefined && s.condition.blowerW > 0 ? [{ ...s, glazing: s.glazing }] : [],
  )
  if (blown.length === 0) return null
  const areaM2 = blown.reduce((sum, s) => sum + s.areaM2, 0)
  const passes = (of: (s: (typeof blown)[number]) => number) =>
    blown.reduce((sum, s) => sum + s.areaM2 / (FILMS + of(s)), 0) / areaM2
  const apart = passes(s => tiltedResistance(s.glazing, s.tiltDeg))
  const limp = passes(s => tiltedResistance(limpFilm(s.glazing), s.tiltDeg))
  const coldest = site.dryBulbC.indexOf(site.dryBulbC.reduce((a, b) => Math.min(a, b)))
  const hours = Array.from({ length: NIGHT_H }, (_, k) => (coldest - k + HOURS) % HOURS)
  const warmerK = hours.reduce((sum, h) => sum + series.airC[h]! - site.dryBulbC[h]!, 0) / NIGHT_H
  const joules = areaM2 * (limp - apart) * warmerK * NIGHT_H * 3600
  return {
    result: joules,
    rule: 'Without the air between them the sheets touch over about half their area; at the warmth that the house had.',
    lines: [
      line('A', 'film that the blower keeps apart', areaM2, 'area'),
      line('U₁', 'with the sheets apart, as it lies', apart, 'transmittance'),
      line('U₂', 'with the sheets on each other', limp, 'transmittance'),
      line('ΔT', 'inside over outside, mean of the night that is coldest outside', warmerK, 'temperatureDifference'),
      plain('t', 'hours of the night', NIGHT_H, 'h'),
      line('Q', 'A · (U₂ − U₁) · ΔT · t · 3 600', joules, 'energy'),
    ],
  }
}

/** A wall of boards alone, W/m²K: films, and an inch of wood. */
const BARE_WALL_U = 1 / (FILMS + 0.025 / 0.13)

export const SKIN_SUMS: readonly BookEntry[] = [
  {
    id: 'light-layers',
    step: 'skin',
    title: 'Light that the layers of the glazing let through',
    evidence: 'measured',
    formula: n => `=PRODUCT(B1:B${n - 1})`,
    of: ({ design }) => {
      const { layers, name, optics } = entry(GLAZINGS, design.skin.glazing)
      return lightThroughLayers(
        Array.from({ length: layers }, (_, i) => ({
          name: `${name}, layer ${i + 1}`,
          takes: LAYER_TAKES[optics.kind],
        })),
      )
    },
    year: ({ gains, site, building }) => {
      const glass = building.surfaces.filter(s => s.kind === 'glazed').reduce((sum, s) => sum + s.areaM2, 0)
      const level = site.globalWm2.reduce((sum, w) => sum + w, 0)
      const through = gains.transmittedW.reduce((sum, w) => sum + w, 0)
      return [
        {
          text: 'sun through the glazing, of that on as much level ground, with bars, dirt and angle',
          value: through / glass / level,
          quantity: 'share',
        },
      ]
    },
  },
  {
    id: 'blower-night',
    step: 'skin',
    title: 'What a night without the film’s blower costs',
    evidence: 'thin',
    formula: () => '=B1*(B3-B2)*B4*B5*3600',
    of: blowerNight,
    year: c => [
      { text: 'its blower draws in a year', value: c.answers.electricity.blowersKWh * 3.6e6, quantity: 'energy' },
      coldestNight(c),
    ],
  },
  {
    id: 'cover-u',
    step: 'skin',
    title: 'What the night cover makes of the glazing',
    evidence: 'measured',
    formula: () => '=1/(B1+B2)',
    of: coveredGlazing,
    year: c => [coldestNight(c)],
  },
  {
    id: 'wall-insulation',
    step: 'skin',
    title: 'Heat that insulation saves in a year: the largest solid part, held at the lowest that is asked',
    evidence: 'measured',
    formula: () => '=B1*(B2-B3)*B4*3600',
    of: ({ answers, building }) => {
      const solid = new Set(
        building.surfaces.filter(s => s.kind === 'opaque' && s.boundary === 'outside').map(s => s.id),
      )
      const walls = answers.ua.byElement.filter(e => e.id !== 'ground' && solid.has(e.id))
      const wall = walls.sort((a, b) => b.areaM2 - a.areaM2)[0]
      const { degreeHours } = answers.outside
      return wall && degreeHours > 0 ? insulationSaves(wall.areaM2, BARE_WALL_U, wall.uNight, degreeHours) : null
    },
    year: ({ answers }) => [{ text: 'heat bought in this year', value: answers.topUp.kWh * 3.6e6, quantity: 'energy' }],
  },
]
