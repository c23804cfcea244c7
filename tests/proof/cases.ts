import { entry, LEAKAGE_CLASSES, SHELTERS } from '../../core/catalog'
import { leakageAreaM2, leakageFlow } from '../../core/air/leakage'
import { balancedFlow } from '../../core/air/flow-network'
import { halves, stackPerMetre } from '../../core/air/vents'
import {
  groundTemperatureC,
  HOURS,
  humidityRatio,
  monthlyRadiation,
  MONTH_OF_DAY,
  saturationPressurePa,
  type SiteYear,
} from '../../core/climate'
import { DEMOS, FORMS, type Design } from '../../core/design'
import { wantedRadiation } from '../../core/climate/generator'
import { makeBuilding } from '../../core/geometry/surfaces'
import { makeFabric } from '../../core/network/chains'
import { runNetwork } from '../../core/network/run'
import { dewPointOfRatio } from '../../core/network/moisture'
import { AIR } from '../../core/network/room'
import { makeStepper } from '../../core/network/own-loop'
import { stomatalResistance } from '../../core/network/transpiration'
import { airPath, frictionFactor, pipeFilm, roundPipe } from '../../core/air-stores/air-path'
import { rockFilm } from '../../core/air-stores/packed-bed'
import { makeSolarGains } from '../../core/optics/gains'
import { makeLightTable } from '../../core/optics/light-table'
import { dot, skyVector, sunDay, sunPosition } from '../../core/sun'
import { createYearEngine, type YearResult } from '../../core/year'
import sun from '../reference/sun-positions.json'
import { glazingRows } from './glazing-cases'
import { frozenDepth, groundWave, iso13370, slabU } from './ground-cases'
import { designOfForm, lightError } from './light-error'
import { insideRows } from './inside-cases'
import { proof, type ProofRow } from './row'
import { letInRows } from './let-in'
import { stationRows } from './station-winters'
import { steadyLoss } from './steady-room'
import { steadySite, waterRoom } from './tiny-model'
import { heated, unheated } from '../added'
import { cutBeds, leafed } from '../cut-beds'
import { plain } from '../plain'

/** Every proof, computed now. */
export function proofRows(): ProofRow[] {
  return [
    ...sunRows(),
    ...glazingRows(),
    ...climateRows(),
    ...airRows(),
    ...storeRows(),
    ...groundRows(),
    ...heatRows(),
    ...lightRows(),
    ...letInRows(),
    ...yearRows(),
    ...insideRows(),
    ...stationRows(),
  ]
}

/** Angle between two places of the sky, degrees. */
export function separationDeg(altitude1: number, azimuth1: number, altitude2: number, azimuth2: number): number {
  return (Math.acos(Math.min(1, dot(skyVector(altitude1, azimuth1), skyVector(altitude2, azimuth2)))) * 180) / Math.PI
}

function sunRows(): ProofRow[] {
  const off = sun.rows.map(r => {
    const p = sunPosition(Date.parse(r.at), r.lat, r.lon)
    return separationDeg(p.apparentAltitudeDeg, p.azimuthDeg, r.apparentAltitudeDeg, r.azimuthDeg)
  })
  const published = sun.published
  const p = sunPosition(Date.parse(published.at), published.lat, published.lon)
  // The worked example gives 39.87205° before refraction.
  const equinox = sunDay(Date.parse('2027-03-20T12:00:00Z'), 0, 0)
  return [
    proof(`sun: furthest of ${off.length} positions, deg`, 0, Math.max(...off), 0.02, 'reference/sun-positions.json'),
    proof('sun: worked example, azimuth, deg', published.azimuthDeg, p.azimuthDeg, 0.002, published.source),
    proof('sun: worked example, true altitude, deg', 39.87205, p.altitudeDeg, 0.002, published.source),
    proof(
      'sun: day length at the equator, equinox, h',
      12.11,
      equinox.dayLengthH,
      0.02,
      'refraction 34′ and semidiameter 16′ add 6.7 min',
    ),
  ]
}

function climateRows(): ProofRow[] {
  const demo = DEMOS[0]!
  const { site } = yearOf(demo)
  const lows = new Array<number>(12).fill(0)
  const counts = new Array<number>(12).fill(0)
  for (let d = 0; d < 365; d++) {
    const m = MONTH_OF_DAY[d]!
    lows[m]! += Math.min(...site.dryBulbC.subarray(d * 24, d * 24 + 24))
    counts[m]!++
  }
  const climate = demo.site.climate
  const off =
    climate.kind === 'normals' ? Math.max(...lows.map((s, m) => Math.abs(s / counts[m]! - climate.lowC[m]!))) : NaN
  const wanted = climate.kind === 'normals' ? wantedRadiation(climate, demo.site.latitudeDeg) : []
  const lightOff = Math.max(...monthlyRadiation(site).map((v, m) => Math.abs(v / wanted[m]! - 1)))
  const diffusivity = 1e-6
  const depth = Math.sqrt((2 * diffusivity * 365 * 86400) / (2 * Math.PI))
  const ground = { meanC: 10, amplitudeK: 10, coldestDay: 0 }
  return [
    proof('climate: monthly mean lows of a made year, furthest, K', 0, off, 0.1, 'the normals of the demo'),
    proof(
      'climate: monthly radiation of a made year, furthest share',
      0,
      lightOff,
      0.03,
      'estimate by Hargreaves & Samani',
    ),
    proof(
      'ground: swing at the damping depth, K',
      10 * Math.exp(-1),
      10 - groundTemperatureC(ground, depth, 365 / (2 * Math.PI), diffusivity),
      0.001,
      'Kusuda & Achenbach 1965',
    ),
    proof(
      'air: saturation pressure at 20 °C, Pa',
      2339.2,
      saturationPressurePa(20),
      0.004 * 2339.2,
      'ASHRAE Fundamentals, psychrometric tables',
    ),
    proof(
      'air: saturation pressure over ice at −10 °C, Pa',
      259.9,
      saturationPressurePa(-10),
      1,
      'ASHRAE Fundamentals, psychrometric tables',
    ),
  ]
}

/** Still air through orifices of so much discharge times area, m², at so many metres. */
function flowThrough(
  orifices: readonly (readonly [conduct: number, heightM: number])[],
  insideC: number,
  outsideC: number,
) {
  const out = new Float64Array(2)
  const perMetre = stackPerMetre(insideC, outsideC)
  balancedFlow(
    orifices.length,
    Float64Array.from(orifices, o => o[0]),
    Float64Array.from(orifices, o => -o[1] * perMetre),
    out,
  )
  return out[0]!
}

function airRows(): ProofRow[] {
  const ach = (id: string) =>
    leakageFlow(leakageAreaM2(entry(LEAKAGE_CLASSES, id).ach50, 100), 20, 2.5, entry(SHELTERS, 'close').leakWind) * 36
  // Two equal openings of 1 m², 2 m apart, 30 °C inside, 20 °C outside, no wind: Cd A/√2 √(2 g h ΔT/T).
  const stack = (0.6 / Math.SQRT2) * Math.sqrt((2 * 9.81 * 2 * 10) / 303.15)
  return [
    proof(
      'air: stack flow through two openings, m³/s',
      stack,
      flowThrough(
        [
          [0.6, 0],
          [0.6, 2],
        ],
        30,
        20,
      ),
      1e-5,
      'orifice equation',
    ),
    // One upright opening by itself: Cd/3 A √(g H ΔT/T).
    proof(
      'air: both ways through one opening, m³/s',
      (0.6 / 3) * 1.8 * Math.sqrt((9.81 * 2 * 10) / 303.15),
      flowThrough(
        halves(1.8, 0.6, 1, 2, 0).map(h => [h.conduct, h.heightM] as const),
        30,
        20,
      ),
      1e-6,
      'EN 16798-7, still air',
    ),
    proof('air: changes an hour, built with care', 0.45, ach('tight'), 0.15, 'practice: 0.3–0.6'),
    proof('air: changes an hour, as usually built', 1.5, ach('usual'), 0.5, 'practice: 1–2'),
    proof('air: changes an hour, old', 3.5, ach('old'), 0.8, 'practice: 3 or more'),
  ]
}

function storeRows(): ProofRow[] {
  // Eight pipes of 0.1 m, 10 m long: transfer units by hand from the film and the sleeve of soil.
  const fan = { freeFlowM3h: 600, shutOffPa: 150, powerW: 80 }
  const path = airPath({ ...roundPipe(0.1), pipes: 8, lengthM: 10, roughnessM: 0.003, soilConductivity: 1.5, fan })
  const h = pipeFilm(path.reynolds, frictionFactor(path.reynolds, 0.03), 0.1)
  const perMetre = 1 / (1 / (h * Math.PI * 0.1) + Math.log(5) / (2 * Math.PI * 1.5))
  const ntu = (perMetre * 80) / (path.flowM3s * 1.2 * 1006)
  return [
    proof(
      'pipes: effectiveness by hand from NTU',
      1 - Math.exp(-ntu),
      path.effectiveness,
      1e-9,
      'effectiveness = 1 − e^(−NTU)',
    ),
    proof(
      'pipes: friction in rough flow',
      1 / (2 * Math.log10(3.7 / 0.03)) ** 2,
      frictionFactor(1e7, 0.03),
      0.001,
      'Nikuradse, fully rough',
    ),
    proof('rock: film at 0.1 kg/m²s, 50 mm, W/m³K', 1056, rockFilm(0.1, 0.05), 1, 'Löf & Hawley 1948, 650·(G/d)^0.7'),
    proof(
      'air: humidity ratio saturated at 25 °C, kg/kg',
      0.02008,
      humidityRatio(saturationPressurePa(25), 101325),
      0.0001,
      'ASHRAE Fundamentals: 3169.2 Pa at 25 °C, ideal gas',
    ),
    proof(
      'air: dew point of 0.01 kg/kg, °C',
      14.05,
      dewPointOfRatio(0.01, 101325),
      0.1,
      'ASHRAE Fundamentals, psychrometric tables',
    ),
    proof('leaves: stomata in full light, s/m', 82, stomatalResistance(1e6, 0, 24.5), 0.1, 'Stanghellini 1987'),
    proof(
      'leaves: stomata in the dark at 5 °C, s/m',
      ((82 * 4.3) / 0.54) * (1 + 0.005 * 28.6 ** 2),
      stomatalResistance(0, 0, 5),
      0.1,
      'Stanghellini 1987',
    ),
  ]
}

function groundRows(): ProofRow[] {
  const rows: ProofRow[] = [
    [6, 2, 0.3, 0.5],
    [6, 2, 0.3, 0],
    [4.6, 1.5, 0.3, 0],
  ].map(([w, k, wall, r]) =>
    proof(
      `ground: slab ${w} m wide, ${k} W/mK, ${r} m²K/W, U-value`,
      iso13370(w!, k!, wall!, r!),
      slabU(w!, k!, wall!, r!),
      0.05 * iso13370(w!, k!, wall!, r!),
      'ISO 13370:2017, 7.3',
    ),
  )
  const wave = groundWave().find(d => d.depthM > 1.2)!
  rows.push(
    proof(
      `ground: year’s swing at ${wave.depthM.toFixed(2)} m, K`,
      wave.expectedSwing,
      wave.swing,
      0.02 * wave.expectedSwing,
      'half-space, damping depth',
    ),
    proof(
      `ground: year’s lag at ${wave.depthM.toFixed(2)} m, rad`,
      wave.expectedLag,
      wave.lag,
      0.02,
      'half-space, damping depth',
    ),
  )
  for (const [days, surfaceC] of [
    [20, -6],
    [60, -12],
  ] as const) {
    const { got, expected } = frozenDepth(days, surfaceC)
    const name = `ground: frost after ${days} days at ${-surfaceC} °C below freezing, m`
    rows.push(proof(name, expected, got, 0.06 * expected, 'Neumann’s solution (Carslaw & Jaeger 1959, 11.2)'))
  }
  return rows
}

function lightRows(): ProofRow[] {
  return FORMS.map(form =>
    proof(
      `light: ${form}, furthest share of the beam from brute force`,
      0,
      lightError(designOfForm(form)),
      0.02,
      'independent ray casting (Möller & Trumbore)',
    ),
  )
}

function heatRows(): ProofRow[] {
  // One mass behind one resistance cools as e^(−t/τ); τ = 2000 kg of water over 1 W/K, after τ / 2 of it.
  const site = steadySite(5)
  const room = waterRoom({ wallWK: 1, waterKg: 2000 })
  const cooling = makeStepper(room, site)
  cooling.cells.fill(25)
  cooling.state[AIR] = 25
  const tau = 2000 * 4184
  const steps = Math.round(tau / 2 / 900)
  for (let s = 0; s < steps; s++) {
    cooling.prepareHour(0, 900)
    cooling.step(900)
  }
  const left = (cooling.cells[2]! - 5) / 20

  // Water at 0 °C, 10 K colder outside, 1 W/K: the plateau lasts m L / (G ΔT).
  const frost = makeStepper(waterRoom({ wallWK: 1, waterKg: 5 }), steadySite(-10))
  frost.cells.fill(0)
  frost.state[AIR] = 0
  let hours = 0
  while (frost.iceKg[1]! < 5 - 1e-9 && hours < 1000) {
    frost.prepareHour(0, 900)
    frost.step(900)
    hours += 0.25
  }

  const demo = DEMOS[0]!
  const bare: Design = {
    ...demo,
    skin: { ...demo.skin, openings: [], cover: { ...demo.skin.cover, id: 'none' } },
    shape: { ...demo.shape, beds: [] },
  }
  const warm = heated(bare, { capacityW: 50000, setPointC: 15 })
  const building = makeBuilding(warm)
  // Where nothing freezes: ground that does takes years to come to its rest.
  const dark = steadySite(1)
  const gains = makeSolarGains(dark, building, makeLightTable(warm, building))
  // Forty warm-up years' worth of ground is not needed: the deep ground is held, and the column is near its rest after
  // one.
  const run = runNetwork(warm, dark, building, gains, { stepsPerHour: 1, heated: true })
  const expected =
    steadyLoss(makeFabric(warm, building), 15, 1) +
    ((leakageFlow(leakageAreaM2(entry(LEAKAGE_CLASSES, warm.breathe.leakage).ach50, building.volumeM3), 14, 0, 0) *
      101325) /
      (287.05 * 274.15)) *
      1006 *
      14
  return [
    proof('heat: one mass, share left after τ/2', Math.exp(-0.5), left, 0.003, 'e^(−t/τ)'),
    proof('heat: freezing plateau, h', (5 * 334000) / 10 / 3600, hours, 1, 'm·L / (G·ΔT)'),
    proof(
      'heat: steady loss of a heated house, share of UA·ΔT + leaks',
      1,
      run.heaterW[HOURS - 1]! / expected,
      0.01,
      'surface by surface, apart from the loop',
    ),
  ]
}

const remembered = new Map<Design, YearResult>()
function yearOf(design: Design): YearResult {
  if (!remembered.has(design)) remembered.set(design, createYearEngine().run(design))
  return remembered.get(design)!
}

function yearRows(): ProofRow[] {
  const rows: ProofRow[] = []
  for (const demo of DEMOS) {
    const { answers } = yearOf(demo)
    rows.push(proof(`ledger: ${demo.name}, open share of gains`, 0, answers.ledger.closure, 0.001, 'energy closes'))
    const finer = createYearEngine().run(demo, { stepsPerHour: 8 }).answers
    rows.push(
      proof(
        `step: ${demo.name}, coldest night at half the step, K`,
        answers.freeRunning!.coldestNight.insideC,
        finer.freeRunning!.coldestNight.insideC,
        0.1,
        'step halving',
      ),
    )
    const worst = coverSteps(demo)
    rows.push(
      proof(
        `cover: ${demo.name}, loss by a thicker night cover, K`,
        0,
        worst,
        0.01,
        'more night cover is never colder',
      ),
    )
  }
  rows.push(
    proof('hemispheres: mirrored year, mean of its hours, K', 0, mirrorError(DEMOS[0]!), 0.001, 'azimuth flipped'),
  )
  const building = makeBuilding(DEMOS[0]!)
  const table = makeLightTable(DEMOS[0]!, building)
  let off = 0
  for (const landing of table.panes) {
    for (let i = 0; i < landing.beam.length; i += table.faces.length) {
      let sum = 0
      for (let f = 0; f < table.faces.length; f++) if (!table.faces[f]!.meter) sum += landing.beam[i + f]!
      // Directions under the horizon are left out of the table.
      if (sum > 0) off = Math.max(off, Math.abs(sum - 1))
    }
  }
  rows.push(proof('light: landing shares, furthest from one', 0, off, 1e-5, 'no light made or lost'))
  rows.push(
    proof(
      'light: beds cut lengthwise into three, furthest month of their light, share',
      0,
      Math.max(...[plain, DEMOS[2]!].map(cutError)),
      0.02,
      'on top of the leaves, a neighbour of the same height shades nothing',
    ),
  )
  return rows
}

/** Furthest that a month's light on the beds, in full leaf, goes with each of them cut into three strips. */
function cutError(demo: Design): number {
  const light = (d: Design) =>
    createYearEngine()
      .run(d, { stepsPerHour: 1, unheated: false })
      .answers.months.map(m => m.dli)
  const whole = leafed(demo, 6)
  const [a, b] = [light(whole), light(cutBeds(whole, 3))]
  return Math.max(...a.map((v, m) => Math.abs(b[m]! / v - 1)))
}

/** By how much a thicker cover is colder than a thinner one on the coldest night: 0 when never. */
function coverSteps(demo: Design): number {
  const engine = createYearEngine()
  const coldest = (id: string) => {
    const skin = { ...demo.skin, cover: { ...demo.skin.cover, id, onlyBelowC: 40 } }
    return engine.run(unheated({ ...demo, skin }), { stepsPerHour: 2 }).answers.coldestNight.insideC
  }
  const ladder = ['none', 'fleece', 'quilt', 'thick-quilt'].map(coldest)
  return Math.max(0, ...ladder.slice(1).map((v, i) => ladder[i]! - v))
}

/** The design at the mirrored latitude under the mirrored sky must have the very same year. */
export function mirrorError(design: Design): number {
  const { site } = yearOf(design)
  const azimuth = new Float32Array(HOURS)
  for (let h = 0; h < HOURS; h++) azimuth[h] = (540 - site.sunAzimuthDeg[h]!) % 360
  const south: SiteYear = { ...site, latitudeDeg: -site.latitudeDeg, sunAzimuthDeg: azimuth }
  const run = (d: Design, s: SiteYear) => {
    const free: Design = { ...d, skin: { ...d.skin, cover: { ...d.skin.cover, id: 'none' } } }
    const building = makeBuilding(free)
    return runNetwork(free, s, building, makeSolarGains(s, building, makeLightTable(free, building)), {
      stepsPerHour: 2,
      heated: false,
    }).airC
  }
  const a = run(design, site)
  const b = run({ ...design, site: { ...design.site, latitudeDeg: -design.site.latitudeDeg } }, south)
  return a.reduce((sum, t, h) => sum + Math.abs(t - b[h]!), 0) / HOURS
}
