import { MONTH_OF_DAY } from '../../core/climate'
import { bedAt, DEMOS, type Design } from '../../core/design'
import { makeBuilding } from '../../core/geometry/surfaces'
import type { MeasuredHouse } from '../../core/measured-houses'
import { runNetwork } from '../../core/network/run'
import { makeSolarGains } from '../../core/optics/gains'
import { makeLightTable } from '../../core/optics/light-table'
import { createYearEngine } from '../../core/year'
import { heated, unheated } from '../added'
import { leafed } from '../cut-beds'
import { withoutOpenings } from '../openings'
import { madeSkin } from '../skin'
import { designOfForm } from './light-error'
import { closedNoons, deepWinter, inClimate, stillNights } from './sanity'
import { steadySite } from './tiny-model'

/** What the year says of houses as those that were measured, worked out now. */
export function measuredFigures(): Record<MeasuredHouse['id'], number> {
  const round = (v: number) => Math.round(v * 100) / 100
  const of = {
    'glass': perGlazing('gable', 'glass-1'),
    'film': perGlazing('hoop', 'film-2'),
    'screen': screenSaves(),
    'still-night': stillNights(bareTunnel()),
    'noon': closedNoons(inClimate(designOfForm('shed'), 'mediterranean', 38)),
    'walled': overColdest(),
    'row-cover': underCover(),
    'transpiration': drunkADay(),
    'light': lightAtBeds(),
  }
  return Object.fromEntries(Object.entries(of).map(([id, v]) => [id, round(v)])) as typeof of
}

const engine = createYearEngine()
const uncovered = (d: Design): Design => ({ ...d, skin: { ...d.skin, cover: { ...d.skin.cover, id: 'none' } } })
const bareBeds = (d: Design): Design => ({
  ...d,
  shape: { ...d.shape, beds: d.shape.beds.map(b => ({ ...b, crop: null, leafArea: 0 })) },
})

/** All of it glazed, nothing in it, leaking as usually built. */
function allGlazed(form: 'gable' | 'hoop', glazing: string): Design {
  const d = withoutOpenings(uncovered(designOfForm(form)))
  const skin = { ...madeSkin(d.skin, { endsGlazedShare: 0.9, pole: 'glazed' }), glazing }
  // As such houses are grown in: most of the floor under leaves.
  const beds = [bedAt(0.1, 0.42 * d.shape.widthM, 0.1), bedAt(0.48 * d.shape.widthM, 0.48 * d.shape.widthM, 0.1)]
  return leafed(
    {
      ...d,
      skin,
      shape: { ...d.shape, lengthM: 20, beds },
      store: { ...d.store, bodies: [] },
      breathe: { ...d.breathe, leakage: 'usual' },
    },
    2,
  )
}

/** Heat that keeps it 20 K over a windy overcast outside, by its glazing, W/m²K. */
function steadyHeat(design: Design): { perM2K: number } {
  const warm = heated(design, { capacityW: 200000, setPointC: 21 })
  const building = makeBuilding(warm)
  const site = { ...steadySite(1), windMs: new Float32Array(8760).fill(4), skyC: new Float32Array(8760).fill(-8) }
  const gains = makeSolarGains(site, building, makeLightTable(warm, building))
  const run = runNetwork(warm, site, building, gains, { stepsPerHour: 1, heated: true })
  const glazed = building.surfaces.filter(s => s.kind === 'glazed').reduce((sum, s) => sum + s.areaM2, 0)
  return { perM2K: run.heaterW.at(-1)! / (glazed * 20) }
}

const perGlazing = (form: 'gable' | 'hoop', glazing: string) => steadyHeat(allGlazed(form, glazing)).perM2K

/** Of a glasshouse's heat, what a screen drawn all night takes away, %. */
function screenSaves(): number {
  const open = allGlazed('gable', 'glass-1')
  const cover = {
    ...open.skin.cover,
    id: 'thermal-screen' as const,
    place: 'inside' as const,
    rule: 'clock' as const,
    fromH: 0,
    untilH: 24,
  }
  const drawn = { ...open, skin: { ...open.skin, cover } }
  return 100 * (1 - steadyHeat(drawn).perM2K / steadyHeat(open).perM2K)
}

function bareTunnel(): Design {
  const hoop = inClimate(designOfForm('hoop'), 'oceanic', 52)
  return bareBeds({
    ...unheated(uncovered(hoop)),
    skin: { ...uncovered(hoop).skin, glazing: 'film-1' },
    store: { ...hoop.store, bodies: [] },
  })
}

/** Ten degrees below freezing in a usual January, and sunny. */
function coldPlain(d: Design): Design {
  const cold = deepWinter(d)
  const climate = {
    kind: 'normals' as const,
    lowC: [-16, -12, -4, 4, 11, 16, 20, 18, 11, 4, -5, -13],
    highC: [-4, 0, 7, 16, 23, 27, 29, 28, 24, 16, 6, -2],
    sunshineH: [5.8, 6.8, 7.6, 7.8, 8.4, 8, 6.8, 7.2, 7.6, 6.8, 5.6, 5.2],
  }
  return { ...cold, site: { ...cold.site, climate } }
}

/** Coldest night of a walled arch with one film and a quilt over its outside, K. */
function overColdest(): number {
  const arch = coldPlain(designOfForm('arch', 42))
  const wall = [
    { material: 'eps', thicknessM: 0.1 },
    { material: 'brick', thicknessM: 0.37 },
  ]
  const cover = { ...arch.skin.cover, id: 'quilt' as const, place: 'outside' as const, rule: 'sun' as const }
  const d = unheated({
    ...withoutOpenings(arch),
    skin: { ...withoutOpenings(arch).skin, wall, cover },
    store: { ...arch.store, bodies: [] },
    breathe: { ...arch.breathe, leakage: 'usual' },
  })
  const { coldestNight } = engine.run(d).answers
  return coldestNight.insideC - coldestNight.outsideC
}

/** How much warmer the coldest leaf is under fleece, K. */
function underCover(): number {
  const marsch = unheated(DEMOS[4]!)
  const row = (on: boolean): Design => ({
    ...marsch,
    breathe: { ...marsch.breathe, rowCover: { ...marsch.breathe.rowCover, on, belowC: 8 } },
  })
  return engine.run(row(true)).answers.leaf.coldestC - engine.run(row(false)).answers.leaf.coldestC
}

/** Water of a bed in full leaf on the sunniest third of summer's days, kg/m² a day. */
function drunkADay(): number {
  const d = inClimate(designOfForm('gable'), 'mediterranean', 40)
  const leafy = { ...d, shape: { ...d.shape, beds: d.shape.beds.map(b => ({ ...b, crop: null, leafArea: 3 })) } }
  const { series, site } = engine.run(leafy)
  const building = makeBuilding(leafy)
  const days = Array.from({ length: 365 }, (_, day) => day).filter(day => [5, 6, 7].includes(MONTH_OF_DAY[day]!))
  const sum = (a: Float32Array, day: number) => a.subarray(day * 24, day * 24 + 24).reduce((x, y) => x + y, 0)
  const sunny = days.sort((a, b) => sum(site.globalWm2, b) - sum(site.globalWm2, a)).slice(0, days.length / 3)
  return sunny.reduce((x, day) => x + sum(series.drunkKg, day), 0) / sunny.length / building.bedAreaM2
}

/** Light on the beds of a clean glasshouse over that outside, June, %. */
function lightAtBeds(): number {
  const d = bareBeds({ ...allGlazed('gable', 'glass-1'), shape: { ...designOfForm('gable').shape, lengthM: 20 } })
  const { series, site } = engine.run(d)
  let inside = 0
  let outside = 0
  for (let h = 151 * 24; h < 181 * 24; h++) {
    inside += series.bedLightWm2[h]!
    outside += site.globalWm2[h]!
  }
  return (100 * inside) / outside
}
