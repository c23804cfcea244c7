import { COLOURS, entry, GLAZINGS, MATERIALS } from '../catalog'
import { HOURS, type SiteYear } from '../climate'
import type { Design } from '../design/types'
import type { FaceId } from '../geometry/ray'
import type { Building, Surface } from '../geometry/surfaces'
import { dot, planeNormal, skyVector } from '../sun'
import { atCosine, makeGlazingLight, type GlazingLight } from './glazing-light'
import { ALTITUDES, AZIMUTHS, makeLandings, objectFaceLengthM, type Landing, type LightFace } from './landing'
import { skyOnPlane, skyShape } from './sky'

const { floor, max, min } = Math

/** Share of a glazed surface that is not frame, times what dirt leaves through. */
const FRAME_AND_DIRT = 0.9
/** Sunlight taken in by outer walls and roofs of middling colour. */
const OUTSIDE_ABSORPTANCE = 0.55
const ALBEDO = 0.2
/** Plants and moist soil together. */
const BED_ABSORPTANCE = 0.82

/** What stays the same while only the sky changes: faces, landings and glazing curves. */
export interface LightTable {
  faces: LightFace[]
  landings: Landing[]
  light: GlazingLight
}

/** Sunlight taken in, hour by hour, W; each array 8760 long. */
export interface SolarGains {
  faces: { id: FaceId, watts: Float32Array }[]
  /** Taken up in the panes of each glazed surface. */
  panes: { surface: Surface, watts: Float32Array }[]
  /** Taken in by the outer face of each opaque surface. */
  outer: { surface: Surface, watts: Float32Array }[]
  /** Light that lands on the beds (on the floor where there are none), W/m² of sunlight. */
  bedLightWm2: Float32Array
  /** Sunlight that came through all glazing, W, and the part of it that left again. */
  transmittedW: Float32Array
}

/** Faces that light can land on, with what they take in. */
export function lightFaces(design: Pick<Design, 'store' | 'skin' | 'shape'>, building: Building, glazingReflectance: number): LightFace[] {
  const { store } = design
  const inner = (s: Surface) => entry(MATERIALS, s.layers[s.layers.length - 1]!.material).solarAbsorptance
  const faces: LightFace[] = []
  for (const s of building.surfaces) {
    if (s.kind === 'glazed') faces.push({ id: s.id, areaM2: s.areaM2, absorptance: 1 - glazingReflectance, glazing: true })
    else if (s.kind === 'opaque') faces.push({ id: s.id, areaM2: s.areaM2, absorptance: inner(s), glazing: false })
    else if (s.areaM2 - building.bedAreaM2 > 0.01) {
      faces.push({ id: 'floor', areaM2: s.areaM2 - building.bedAreaM2, absorptance: entry(MATERIALS, store.floor.material).solarAbsorptance, glazing: false })
    }
  }
  if (building.bedAreaM2 > 0) faces.push({ id: 'beds', areaM2: objectFaceLengthM(building, 'bed') * building.lengthM, absorptance: BED_ABSORPTANCE, glazing: false })
  const barrels = objectFaceLengthM(building, 'barrels') * building.lengthM
  if (barrels > 0) faces.push({ id: 'barrels', areaM2: barrels, absorptance: entry(COLOURS, store.barrels.colour).solarAbsorptance, glazing: false })
  return faces
}

/** The light table of a building: independent of the weather. */
export function makeLightTable(design: Pick<Design, 'store' | 'skin' | 'shape'>, building: Building): LightTable {
  const light = makeGlazingLight(entry(GLAZINGS, design.skin.glazing))
  const faces = lightFaces(design, building, light.diffuse.reflectance)
  return { faces, landings: makeLandings(building, faces), light }
}

/** A year of sunlight on and in the building. */
export function makeSolarGains(site: SiteYear, building: Building, table: LightTable): SolarGains {
  const { faces, landings, light } = table
  const n = faces.length
  const watts = faces.map(() => new Float32Array(HOURS))
  const panes = landings.map(l => ({ surface: l.surface, watts: new Float32Array(HOURS), normal: planeNormal(l.surface.tiltDeg, l.surface.azimuthDeg) }))
  const outer = building.surfaces.filter(s => s.kind === 'opaque').map(surface => ({ surface, watts: new Float32Array(HOURS), normal: planeNormal(surface.tiltDeg, surface.azimuthDeg) }))
  const bedLightWm2 = new Float32Array(HOURS)
  const transmittedW = new Float32Array(HOURS)
  const grower = faces.findIndex(f => f.id === (building.bedAreaM2 > 0 ? 'beds' : 'floor'))
  const growArea = grower < 0 ? 1 : faces[grower]!.areaM2
  const shares = new Float64Array(n)

  for (let h = 0; h < HOURS; h++) {
    const global = site.globalWm2[h]!
    if (global <= 0) continue
    const altitude = site.sunAltitudeDeg[h]!
    const azimuth = site.sunAzimuthDeg[h]!
    const sun = skyVector(altitude, azimuth)
    const beam = altitude > 0 ? site.beamWm2[h]! : 0
    const diffuse = site.diffuseWm2[h]!
    const sky = skyShape(diffuse, beam, altitude, site.extraterrestrialWm2[h]!)
    for (let g = 0; g < panes.length; g++) {
      const pane = panes[g]!
      const landing = landings[g]!
      const cos = dot(pane.normal, sun)
      const onPlane = skyOnPlane(sky, pane.normal, sun, cos)
      const fromSun = cos > 0 ? beam * cos + diffuse * onPlane.withBeam : 0
      const fromSky = diffuse * onPlane.spread
      const fromGround = global * ALBEDO * (1 - pane.normal.u) / 2
      const area = landing.surface.areaM2 * FRAME_AND_DIRT
      const straight = fromSun * (cos > 0 ? atCosine(light.transmittance, cos) : 0) * area
      const skyIn = fromSky * light.diffuse.transmittance * area + straight * light.haze
      const groundIn = fromGround * light.diffuse.transmittance * area
      const beamIn = straight * (1 - light.haze)
      pane.watts[h] = ((cos > 0 ? fromSun * atCosine(light.absorptance, cos) : 0) + (fromSky + fromGround) * light.diffuse.absorptance) * area
      transmittedW[h]! += straight + fromSky * light.diffuse.transmittance * area + groundIn
      if (beamIn > 0) beamShares(landing.beam, n, azimuth - building.sunnyAzimuthDeg, altitude, shares)
      for (let i = 0; i < n; i++) watts[i]![h]! += skyIn * landing.sky[i]! + groundIn * landing.ground[i]! + (beamIn > 0 ? beamIn * shares[i]! : 0)
    }
    for (const o of outer) {
      const cos = max(0, dot(o.normal, sun))
      const onPlane = skyOnPlane(sky, o.normal, sun, cos)
      const on = beam * cos + diffuse * (onPlane.withBeam + onPlane.spread) + global * ALBEDO * (1 - o.normal.u) / 2
      o.watts[h] = on * OUTSIDE_ABSORPTANCE * o.surface.areaM2
    }
    if (grower >= 0) bedLightWm2[h] = watts[grower]![h]! / faces[grower]!.absorptance / growArea
  }
  return { faces: faces.map((f, i) => ({ id: f.id, watts: watts[i]! })), panes: panes.map(strip), outer: outer.map(strip), bedLightWm2, transmittedW }
}

function strip({ surface, watts }: { surface: Surface, watts: Float32Array }): { surface: Surface, watts: Float32Array } {
  return { surface, watts }
}

/** Landing shares between the tabled directions. */
function beamShares(table: Float32Array, n: number, relativeAzimuthDeg: number, altitudeDeg: number, out: Float64Array): void {
  const a = (((relativeAzimuthDeg % 360) + 360) % 360) / 10
  const l = min(ALTITUDES - 1.001, max(0, altitudeDeg / 6))
  const a0 = floor(a) % AZIMUTHS
  const a1 = (a0 + 1) % AZIMUTHS
  const l0 = floor(l)
  const fa = a - floor(a)
  const fl = l - l0
  const p00 = (a0 * ALTITUDES + l0) * n
  const p10 = (a1 * ALTITUDES + l0) * n
  for (let i = 0; i < n; i++) {
    const near = table[p00 + i]! * (1 - fl) + table[p00 + n + i]! * fl
    const far = table[p10 + i]! * (1 - fl) + table[p10 + n + i]! * fl
    out[i] = near * (1 - fa) + far * fa
  }
}
