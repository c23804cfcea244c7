import { entry, GLAZINGS } from '../../core/catalog'
import { seededRandom } from '../../core/climate/random'
import { madeSkin } from '../skin'
import { makeBuilding } from '../../core/geometry/surfaces'
import { shadingOf } from '../../core/geometry/shading'
import { NO_LEAVES } from '../../core/geometry/ray-foliage'
import { clearStack } from '../../core/optics/fresnel'
import { glazingAt, hemispherical, makeGlazingLight } from '../../core/optics/glazing-light'
import { roomDirection } from '../../core/geometry/room-direction'
import { HOUR_ANGLES, makeLandings, settle } from '../../core/optics/landing'
import { lightFaces } from '../../core/optics/light-table'
import { hazeOf } from '../../core/optics/lobe'
import glazing from '../reference/glazing.json'
import { bruteLandings } from './brute-light'
import { designOfForm } from './light-error'
import { proof, type ProofRow } from './row'

type V = [number, number, number]
const cosineOf = (deg: number) => Math.cos((deg * Math.PI) / 180)

/** Glazings by themselves: clear stacks, published panes and sheets, and where haze sends the light. */
export const glazingRows = (): ProofRow[] => [...stackRows(), ...paneRows(), ...sheetRows(), ...hazeRows()]

function stackRows(): ProofRow[] {
  let transmittance = 0
  let reflectance = 0
  let diffuse = 0
  for (const r of glazing.rows) {
    const at = (c: number) => clearStack(r.n, r.KL, r.layers, c)
    if (typeof r.incidenceDeg === 'string') {
      diffuse = Math.max(diffuse, Math.abs(hemispherical(at).transmittance - r.transmittance))
      continue
    }
    const got = at(cosineOf(r.incidenceDeg))
    transmittance = Math.max(transmittance, Math.abs(got.transmittance - r.transmittance))
    if (r.reflectance !== undefined) reflectance = Math.max(reflectance, Math.abs(got.reflectance - r.reflectance))
  }
  const two = (deg: number) => clearStack(1.526, 0, 2, cosineOf(deg)).transmittance
  return [
    proof('glazing: transmittance, furthest of the rows', 0, transmittance, 0.002, 'reference/glazing.json'),
    proof('glazing: reflectance, furthest of the rows', 0, reflectance, 0.002, 'reference/glazing.json'),
    proof('glazing: hemispherical, furthest of the rows', 0, diffuse, 0.002, 'reference/glazing.json'),
    proof('glazing: two clear covers at 0°', 0.85, two(0), 0.005, 'Duffie & Beckman ch. 5'),
    proof('glazing: two clear covers at 60°', 0.76, two(60), 0.005, 'Duffie & Beckman ch. 5'),
  ]
}

/** Solar transmittance of 3 mm panes at 0, 40, 50, 60, 70, 80° and over the half sphere: ASHRAE Fundamentals ch. 15. */
const ANGLES = [0, 40, 50, 60, 70, 80]
const PANES: readonly [string, number, number[], number][] = [
  ['one pane', 1, [0.83, 0.82, 0.8, 0.75, 0.64, 0.39], 0.75],
  ['two panes', 2, [0.7, 0.68, 0.65, 0.58, 0.44, 0.21], 0.6],
]

function paneRows(): ProofRow[] {
  // The first pane’s light straight on gives what 3 mm take: 0.0965.
  return PANES.map(([name, sheets, published, half]) => {
    const at = (c: number) => clearStack(1.526, 0.0965, sheets, c)
    const off = ANGLES.map((deg, i) => Math.abs(at(cosineOf(deg)).transmittance - published[i]!))
    off.push(Math.abs(hemispherical(at).transmittance - half))
    const source = 'ASHRAE Handbook Fundamentals, ch. 15, uncoated clear 3 mm'
    return proof(`glazing: ${name}, furthest of six angles and the half sphere`, 0, Math.max(...off), 0.022, source)
  })
}

/**
 * Half-sphere over straight transmittance of sheets as greenhouse suppliers' samples were measured with a sphere: it
 * does not depend on how clear a make is.
 */
const SHEETS: readonly [string, number, number][] = [
  ['glass-1', 0.91, 0.02],
  ['film-1', 0.91, 0.03],
  ['acrylic-16', 0.86, 0.03],
  ['twinwall-10', 0.8, 0.05],
]

function sheetRows(): ProofRow[] {
  const source = 'sphere: Papadakis et al. 2000; Nijskens et al. 1985'
  return SHEETS.map(([id, expected, tolerance]) => {
    const sheet = entry(GLAZINGS, id)
    const ratio = makeGlazingLight(sheet).diffuse.transmittance / glazingAt(sheet, 1).transmittance
    return proof(
      `glazing: ${sheet.name}, light of the half sphere over light straight on`,
      expected,
      ratio,
      tolerance,
      source,
    )
  })
}

/** Samples of one scattering by Henyey and Greenstein’s curve, turned from a direction. */
function scattered([x, y, z]: V, meanCosine: number, random: () => number): V {
  const g = meanCosine
  const along = (1 + g * g - ((1 - g * g) / (1 - g + 2 * g * random())) ** 2) / (2 * g)
  const [aside, turn] = [Math.sqrt(Math.max(0, 1 - along * along)), 2 * Math.PI * random()]
  const [c, s] = [Math.cos(turn), Math.sin(turn)]
  if (Math.abs(z) > 0.99999) return [aside * c, aside * s, along * Math.sign(z)]
  const r = Math.sqrt(1 - z * z)
  return [
    (aside * (x * z * c - y * s)) / r + x * along,
    (aside * (y * z * c + x * s)) / r + y * along,
    -aside * c * r + z * along,
  ]
}

function hazeRows(): ProofRow[] {
  const random = seededRandom(8)
  // Light through a sheet that scatters 0.9 of it: as often as chance has it, each time with a mean cosine of 0.9.
  const haze = 0.9
  const once = 0.9
  let cosines = 0
  let count = 0
  for (let k = 0; k < 40000; k++) {
    let d: V = [0, 0, 1]
    let times = 0
    for (let depth = -Math.log(random()); depth < -Math.log(1 - haze); depth -= Math.log(random())) {
      d = scattered(d, once, random)
      times++
    }
    if (times === 0) continue
    cosines += d[2]
    count++
  }
  return [
    proof(
      'haze: mean cosine of what a hazy sheet scatters',
      cosines / count,
      hazeOf({ haze, forward: once })!.meanCosine,
      0.01,
      'Monte Carlo of single scatterings (Henyey & Greenstein 1941)',
    ),
    proof(
      'haze: furthest share of a beam through twin-wall from brute force',
      0,
      Math.max(hazyError(1, 24), hazyError(1, 29), hazyError(5, 20)),
      0.02,
      'independent ray casting, each ray scattered by chance',
    ),
  ]
}

/** Furthest that a face’s share of a beam through hazy panes lies from scattered rays cast by chance. */
function hazyError(declination: number, hourAngle: number): number {
  const saltbox = designOfForm('saltbox')
  const design = { ...saltbox, skin: { ...madeSkin(saltbox.skin, { endsGlazedShare: 0 }), glazing: 'twinwall-10' } }
  const { latitudeDeg } = design.site
  const building = makeBuilding(design)
  const faces = lightFaces(design, building, s => makeGlazingLight(s.glazing!).diffuse.reflectance)
  const extras = shadingOf(design.shape, building.outline)
  const input = { building, extras, faces: [faces], leaves: NO_LEAVES, latitudeDeg }
  const landings = makeLandings(input)[0]!
  const [dec, hour] = [-23.5 + (declination * 47) / 8, -180 + (hourAngle * 360) / HOUR_ANGLES].map(
    a => (a * Math.PI) / 180,
  )
  const phi = (latitudeDeg * Math.PI) / 180
  const up = Math.sin(phi) * Math.sin(dec!) + Math.cos(phi) * Math.cos(dec!) * Math.cos(hour!)
  const north = Math.cos(phi) * Math.sin(dec!) - Math.sin(phi) * Math.cos(dec!) * Math.cos(hour!)
  const sun = [...roomDirection(building, -Math.cos(dec!) * Math.sin(hour!), north, up)] as V
  const { share, meanCosine } = hazeOf(entry(GLAZINGS, 'twinwall-10'))!
  const random = seededRandom(3)
  const sent = [{ d: sun, weight: 1 - share }]
  const SAMPLES = 160
  for (let k = 0; k < SAMPLES; k++) sent.push({ d: scattered(sun, meanCosine, random), weight: share / SAMPLES })
  const sums = landings.map(() => ({ shares: new Float64Array(faces.length), weight: 0 }))
  for (const [k, { d, weight }] of sent.entries())
    bruteLandings(design, d, k === 0 ? 4000 : 200).forEach(({ surface, shares }, g) => {
      // What would leave outwards goes on with the rest.
      if (surface.normal[0] * d[0] + surface.normal[1] * d[1] + surface.normal[2] * d[2] <= 0) return
      sums[g]!.weight += weight
      faces.forEach((f, i) => (sums[g]!.shares[i]! += weight * (shares.get(f.id) ?? 0)))
    })
  let worst = 0
  landings.forEach(({ beam, surface }, g) => {
    if (surface.areaM2 < 1 || sums[g]!.weight === 0) return
    const brute = settle(
      sums[g]!.shares.map(x => x / sums[g]!.weight),
      faces,
    )
    const at = (declination * HOUR_ANGLES + hourAngle) * faces.length
    brute.forEach((b, i) => (worst = Math.max(worst, Math.abs(b - beam[at + i]!))))
  })
  return worst
}
