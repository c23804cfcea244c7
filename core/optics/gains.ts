import { leafByMonth, leavesM } from '../aim/leaf'
import { kindOf } from '../bodies/registry'
import { entry, FINISHES, MATERIALS, usualFrameShare, type Glazing } from '../catalog'
import { HOURS, MONTH_OF_DAY, pastHorizon, skyPastHorizon, type SiteYear } from '../climate'
import type { Design, Layer } from '../design/types'
import { bedSidesM2, freeSidesM2, freeStrips } from '../geometry/objects'
import {
  bedFace,
  bedMeter,
  bedOfFace,
  bedSide,
  bodyFace,
  leafFace,
  type Canopy,
  type FaceId,
  type Leaves,
} from '../geometry/scene'
import { shadingOf } from '../geometry/shading'
import type { Building, Surface, SurfaceId } from '../geometry/surfaces'
import { materialOf } from '../materials/assembly'
import { within } from '../openings/winter'
import { dot, planeNormal, type Vector3 } from '../sun'
import { canopyLight, EXTINCTION } from './canopy'
import { atCosine, makeGlazingLight, type GlazingLight } from './glazing-light'
import {
  makeLandings,
  makeOuterShadows,
  objectAreaM2,
  tablePlace,
  type Landing,
  type LightFace,
  type OuterShadow,
} from './landing'
import { skyHours, type SkyHours, skyOnPlane, type SkyShape } from './sky'
import { bankedShares, glazingSnow, shareUnder, snowBanks } from './snow'

const { max, min } = Math

/** Sunlight taken in by outer walls and roofs of middling colour: those whose outer face is bare. */
const OUTSIDE_ABSORPTANCE = 0.55
const ALBEDO = 0.2
/** Snow lying in the open, neither fresh nor old. */
const SNOW_ALBEDO = 0.65
/** Plants and moist soil together. */
export const BED_ABSORPTANCE = 0.82
/** Soil at the bare side of a bed, dry on its face. */
const BED_SIDE_ABSORPTANCE = 0.65
const STRIP_ABSORPTANCE = 0.4
const BENCH_ABSORPTANCE = 0.6

/** What stays the same while only the sky changes: faces, landings and glazing curves. */
export interface LightTable {
  faces: LightFace[]
  panes: LitPane[]
  /** The same by month, January first: benches may stand for a part of the year. */
  byMonth: (readonly LitPane[])[]
  /** How many night covers there are, each over its own panes. */
  covers: number
  /** How often snow at the foot of the house is cleared. */
  cleared: Design['skin']['snow']['cleared']
  /** Of the outer walls that eaves or a house may shade: what the sun and the sky find free of them. */
  shadows: readonly OuterShadow[]
}

/** A glazed surface: where its light ends up, and what it is glazed with. */
export interface LitPane extends Landing {
  light: GlazingLight
  /** Share of an opening's light that bars, dirt and age leave, 0–1. */
  kept: number
  /** Share of an opening that is pane. */
  paneShare: number
}

/** Sunlight taken in, hour by hour, W; each array 8760 long. */
export interface SolarGains {
  /** A meter takes nothing in: it is what falls on it. */
  faces: { id: FaceId; watts: Float32Array; meter: boolean }[]
  /**
   * The same by the cover that is drawn over the panes that it comes through, in the order of the building's covers.
   */
  byCover: LightUnder[]
  /** Taken up in the panes, and let through them, by the name of the glazed surface. */
  panes: { id: SurfaceId; watts: Float32Array; throughW: Float32Array }[]
  /** Taken in by the outer face, by the name of the opaque surface. */
  outer: { id: SurfaceId; watts: Float32Array }[]
  /** Light that lands on the tops of the beds (on the floor where there are none), W/m² of sunlight. */
  bedLightWm2: Float32Array
  /** Sunlight that came through all glazing, W. */
  transmittedW: Float32Array
}

/**
 * Light that comes through the panes under one cover, W by hour: on each face, in their order, and on the beds, W/m².
 */
export interface LightUnder {
  faces: Float32Array[]
  bedLightWm2: Float32Array
}

/**
 * The same house in the sun of other days: all light times a share of its hour.
 * @param share by hour of the year, 0 or more
 */
export function inOtherSun(gains: SolarGains, share: Float32Array): SolarGains {
  const of = (a: Float32Array) => a.map((w, h) => w * share[h]!)
  return {
    faces: gains.faces.map(f => ({ ...f, watts: of(f.watts) })),
    byCover: gains.byCover.map(c => ({ faces: c.faces.map(of), bedLightWm2: of(c.bedLightWm2) })),
    panes: gains.panes.map(p => ({ ...p, watts: of(p.watts), throughW: of(p.throughW) })),
    outer: gains.outer.map(o => ({ ...o, watts: of(o.watts) })),
    bedLightWm2: of(gains.bedLightWm2),
    transmittedW: of(gains.transmittedW),
  }
}

/** Faces that light can land on, with what they take in. Those that only meter it come last. */
export function lightFaces(
  design: Pick<Design, 'store' | 'shape'>,
  building: Building,
  reflectanceOf: (pane: Surface) => number,
  growth: Growth = NO_LEAF,
): LightFace[] {
  const { store } = design
  const faces: LightFace[] = []
  const add = (id: FaceId, areaM2: number, absorptance: number, glazing = false) => {
    const same = faces.find(f => f.id === id)
    if (same) same.areaM2 += areaM2
    else if (areaM2 > 1e-6) faces.push({ id, areaM2, absorptance, glazing })
  }
  const inner = (s: Surface) =>
    entry(FINISHES, s.finish).solarAbsorptance ?? materialOf(s.layers[s.layers.length - 1]!).solarAbsorptance
  const standing = building.objects
    .filter(o => o.z0 < 0.01 && !o.bank)
    .reduce((sum, o) => sum + (o.x1 - o.x0) * (o.y1 - o.y0), 0)
  for (const s of building.surfaces) {
    if (s.kind === 'glazed') add(s.id, s.areaM2, 1 - reflectanceOf(s), true)
    else if (s.kind === 'opaque') add(s.id, s.areaM2, inner(s))
    else add('floor', max(0.02 * s.areaM2, s.areaM2 - standing), floorAbsorptance(design))
  }
  for (const o of building.objects) {
    if (o.kind !== 'bed') continue
    const top = (o.x1 - o.x0) * (o.y1 - o.y0)
    const leafArea = growth.leafArea[o.index] ?? 0
    add(bedFace(o.index), top * (1 - canopyLight(leafArea).met), BED_ABSORPTANCE)
    const { boardM, boardMaterial } = design.shape.beds[o.index]!
    const side = boardM > 0 ? entry(MATERIALS, boardMaterial).solarAbsorptance : BED_SIDE_ABSORPTANCE
    add(bedSide(o.index), bedSidesM2(building, o), side)
  }
  add('benches', objectAreaM2(building, 'benches'), BENCH_ABSORPTANCE)
  store.bodies.forEach((b, i) => {
    const face = bodyFace(i)
    add(face, objectAreaM2(building, face), kindOf(b).absorptance(b))
  })
  add(
    'shade strip',
    design.shape.form === 'dome' ? 0 : 2 * design.shape.shadeStripM * building.lengthM,
    STRIP_ABSORPTANCE,
  )
  const meters: LightFace[] = []
  for (const c of growth.canopies) {
    const top = (c.x1 - c.x0) * (c.y1 - c.y0)
    const sides = freeSidesM2(c, growth.canopies, building)
    const { met, taken, down } = canopyLight(growth.leafArea[c.bed]!)
    // What goes down beyond what the leaves leave open anyway.
    const scattered = met > 0 ? max(0, down - 1 + met) / met : 0
    faces.push({
      id: leafFace(c.bed),
      areaM2: (top + sides) * met,
      absorptance: met > 0 ? taken / met / (1 - scattered) : 1,
      glazing: false,
      down: { to: bedFace(c.bed), share: scattered },
    })
    meters.push({ id: bedMeter(c.bed), areaM2: top, absorptance: 1, glazing: false, meter: true })
  }
  return [...faces, ...meters]
}

/** Leaves in a room in one of their states: leaf over bed area by bed, and the room that leaves take up. */
interface Growth {
  leafArea: readonly number[]
  canopies: readonly Canopy[]
}
const NO_LEAF: Growth = { leafArea: [], canopies: [] }

/** The leaves of those beds that ever have any, in some states of leaf over bed area, each by bed. */
function leavesIn(
  { shape }: Pick<Design, 'shape'>,
  building: Building,
  ever: readonly boolean[],
  states: readonly (readonly number[])[],
): Leaves {
  const canopies = building.objects.flatMap((o): Canopy[] => {
    if (o.kind !== 'bed' || !ever[o.index]) return []
    const room = building.outline.ridgeHeightM - o.z1
    const tallM = max(LEAST_LEAVES_M, min(room, leavesM(shape.beds[o.index]!)))
    const { x0, x1, y0, y1, z1 } = o
    const perM = states.map(areas => (EXTINCTION * areas[o.index]!) / tallM)
    return [{ bed: o.index, x0, x1, y0, y1, z0: z1, z1: z1 + tallM, perM }]
  })
  return { states: states.length, canopies }
}
/** Leaves stand no lower, m. */
const LEAST_LEAVES_M = 0.02

/** Of the floor that nothing stands on: by its widest way through and the rest, each by its top layer. */
function floorAbsorptance(design: Pick<Design, 'store' | 'shape'>): number {
  const { path, rest } = design.store.floor
  const of = (layers: readonly Layer[]) => materialOf(layers.at(-1) ?? { material: 'soil' }).solarAbsorptance
  const strips = path ? freeStrips(design) : []
  const free = strips.reduce((sum, s) => sum + s.x1 - s.x0, 0)
  if (!path || free === 0) return of(rest)
  const walked = Math.max(...strips.map(s => s.x1 - s.x0)) / free
  return walked * of(path) + (1 - walked) * of(rest)
}

/** The light table of a building: independent of the weather. */
export function makeLightTable(
  design: Pick<Design, 'store' | 'skin' | 'shape' | 'site' | 'aim'>,
  building: Building,
): LightTable {
  const lights = new Map<Glazing, GlazingLight>()
  const lightOf = ({ glazing }: Surface): GlazingLight => {
    if (!lights.has(glazing!)) lights.set(glazing!, makeGlazingLight(glazing!))
    return lights.get(glazing!)!
  }
  const reflectanceOf = (s: Surface) => lightOf(s).diffuse.reflectance
  const extras = shadingOf(design.shape, building.outline)
  const { beds, benches } = design.shape
  const leaf = beds.map(b => leafByMonth(design.aim, b))
  const months = Array.from({ length: 12 }, (_, m) => ({
    stands: benches.map(b => within(m + 1, b.fromMonth, b.untilMonth)),
    leafArea: leaf.map(byMonth => byMonth[m]!),
  }))
  const ever = leaf.map(byMonth => byMonth.some(area => area > 0))
  const byMonth = new Array<LitPane[]>(12)
  let faces: LightFace[] = []
  // Rays are cast anew for other benches; leaves are seen in all their states at once.
  for (const benchesNow of new Set(months.map(m => m.stands.join()))) {
    const these = [...months.keys()].filter(m => months[m]!.stands.join() === benchesNow)
    const keys = [...new Set(these.map(m => months[m]!.leafArea.join()))]
    const states = keys.map(key => months[these.find(m => months[m]!.leafArea.join() === key)!]!.leafArea)
    const { stands } = months[these[0]!]!
    const house = { ...building, objects: building.objects.filter(o => o.kind !== 'bench' || stands[o.index]) }
    const leaves = leavesIn(design, building, ever, states)
    const here = states.map(leafArea =>
      lightFaces(design, building, reflectanceOf, { leafArea, canopies: leaves.canopies }).map(f =>
        f.id === 'benches' ? { ...f, areaM2: objectAreaM2(house, 'benches') } : f,
      ),
    )
    faces = here[0]!
    const landings = makeLandings({
      building: house,
      extras,
      faces: here,
      leaves,
      latitudeDeg: design.site.latitudeDeg,
    })
    const lit = landings.map(list =>
      list.map((landing): LitPane => {
        const { glazing, condition } = landing.surface
        const { ageYears, dirt } = condition
        const frameShare = condition.frameShare ?? usualFrameShare(design.shape.form, glazing!)
        return {
          ...landing,
          light: lightOf(landing.surface),
          kept: (1 - frameShare) * (1 - dirt) * (1 - glazing!.ageingPerYear) ** ageYears,
          paneShare: 1 - frameShare,
        }
      }),
    )
    for (const m of these) byMonth[m] = lit[keys.indexOf(months[m]!.leafArea.join())]!
  }
  return {
    faces,
    covers: building.covers.length,
    cleared: design.skin.snow.cleared,
    shadows: makeOuterShadows(building, extras, design.site.latitudeDeg),
    panes: byMonth[0]!,
    byMonth,
  }
}

/** A direction that planes outdoors face. */
interface Facing {
  normal: Vector3
  /** Share of the even sky past the horizon, trees bare and in leaf. */
  bare: number
  leafy: number
  /**
   * Of the hour: cosine of the sun's incidence, and light on the plane, W/m²: with the sun's direction, spread over the
   * sky, and off the ground.
   */
  cosine: number
  fromSun: number
  fromSky: number
  fromGround: number
}

function facing(site: SiteYear, surface: Pick<Surface, 'tiltDeg' | 'azimuthDeg'>): Facing {
  const normal = planeNormal(surface.tiltDeg, surface.azimuthDeg)
  return { normal, ...skyShares(site, normal), cosine: 0, fromSun: 0, fromSky: 0, fromGround: 0 }
}

function skyShares(site: SiteYear, normal: Vector3): { bare: number; leafy: number } {
  if (!site.horizon) return { bare: 1, leafy: 1 }
  const leaf = site.horizon.inLeaf.indexOf(1)
  const noLeaf = site.horizon.inLeaf.indexOf(0)
  const bare = skyPastHorizon(site.horizon, normal, max(0, noLeaf))
  return { bare, leafy: leaf < 0 ? bare : skyPastHorizon(site.horizon, normal, leaf) }
}

/** Light outdoors in one hour. */
interface HourLight {
  sun: Vector3
  sky: SkyShape
  /** Beam past the horizon, the whole of the even sky, and what the ground sends up, W/m². */
  beam: number
  diffuse: number
  reflected: number
  /** Share of the beam that passes the horizon, 0–1; and whether trees on it are in leaf. */
  past: number
  inLeaf: boolean
}

const makeHourLight = (): HourLight => ({
  sun: { e: 0, n: 0, u: 0 },
  sky: { circumsolar: 0, horizon: 0 },
  beam: 0,
  diffuse: 0,
  reflected: 0,
  past: 1,
  inLeaf: false,
})

function lightOfHour(site: SiteYear, hours: SkyHours, h: number, to: HourLight): void {
  const day = (h / 24) | 0
  const altitude = site.sunAltitudeDeg[h]!
  const past = site.horizon ? pastHorizon(site.horizon, site.sunAzimuthDeg[h]!, altitude, day) : 1
  const { sun, sky } = to
  sun.e = hours.e[h]!
  sun.n = hours.n[h]!
  sun.u = hours.u[h]!
  sky.circumsolar = hours.circumsolar[h]!
  sky.horizon = hours.horizon[h]!
  to.past = past
  to.beam = altitude > 0 ? site.beamWm2[h]! * past : 0
  to.diffuse = site.diffuseWm2[h]!
  to.inLeaf = site.horizon !== null && site.horizon.inLeaf[day] === 1
  const level = site.globalWm2[h]! - site.beamWm2[h]! * (1 - past) * max(0, sun.u)
  to.reflected = max(0, level) * (site.snowM[h]! > 0.02 ? SNOW_ALBEDO : ALBEDO)
}

function fallOn(plane: Facing, { sun, sky, beam, diffuse, reflected, past, inLeaf }: HourLight): void {
  const cosine = dot(plane.normal, sun)
  const onPlane = skyOnPlane(sky, plane.normal, sun, cosine)
  plane.cosine = cosine
  plane.fromSun = cosine > 0 ? beam * cosine + diffuse * onPlane.withBeam * past : 0
  plane.fromSky = diffuse * onPlane.spread * (inLeaf ? plane.leafy : plane.bare)
  plane.fromGround = (reflected * (1 - plane.normal.u)) / 2
}

/** A year of sunlight on and in the building. */
export function makeSolarGains(site: SiteYear, building: Building, table: LightTable): SolarGains {
  const { faces, panes: landings, byMonth, covers, cleared, shadows } = table
  const n = faces.length
  const real = faces.filter(f => !f.meter).length
  const blank = () => new Float32Array(HOURS)
  const byCover = Array.from({ length: covers }, (): LightUnder => ({ faces: faces.map(blank), bedLightWm2: blank() }))
  const names = (ids: SurfaceId[]) => [...new Set(ids)]
  const panes = names(landings.map(l => l.surface.id)).map(id => ({ id, watts: blank(), throughW: blank() }))
  const paneOf = landings.map(l => panes.find(p => p.id === l.surface.id)!)
  const facings = new Map<string, Facing>()
  const facingOf = (surface: Surface): Facing => {
    const key = `${surface.tiltDeg} ${surface.azimuthDeg}`
    if (!facings.has(key)) facings.set(key, facing(site, surface))
    return facings.get(key)!
  }
  const paneFacing = landings.map(l => facingOf(l.surface))
  const snowAt = new Map<number, Float32Array>()
  for (const { surface } of landings)
    if (!snowAt.has(surface.tiltDeg)) snowAt.set(surface.tiltDeg, glazingSnow(site, surface.tiltDeg))
  const snowOn = landings.map(l => snowAt.get(l.surface.tiltDeg)!)
  const solids = building.surfaces.filter(s => s.kind === 'opaque' && s.boundary === 'outside')
  const outer = names(solids.map(s => s.id)).map(id => ({ id, watts: blank() }))
  const outerTakes = solids.map(s => (entry(FINISHES, s.outside).solarAbsorptance ?? OUTSIDE_ABSORPTANCE) * s.areaM2)
  // What stands in a bank of snow gets no light.
  const snowy = site.snowM.some(depth => depth > 0)
  const banks = snowy ? snowBanks(site, building.outline, cleared) : []
  const banked = (s: Surface) => (snowy ? bankedShares(building, [s]) : null)
  const paneBanked = landings.map(l => banked(l.surface))
  const outerBanked = solids.map(banked)
  const outerShadow = solids.map(s => shadows.find(x => x.surface.polygon === s.polygon) ?? null)
  const under = (b: ReturnType<typeof banked>, h: number) => {
    const heightM = b ? banks[b.bank]![h]! : 0
    return heightM > 0 ? shareUnder(b!.shares, heightM) : 0
  }
  const outerOf = solids.map(s => outer.find(o => o.id === s.id)!.watts)
  const outerFacing = solids.map(facingOf)
  const planes = [...facings.values()]
  const transmittedW = new Float32Array(HOURS)
  // Where plants grow, or might: where leaves stand, a meter sees what the bed itself no longer does.
  const metered = new Set<string>(faces.flatMap(f => (f.down ? [f.down.to] : [])))
  const growers = faces.flatMap((f, i) =>
    (building.bedAreaM2 > 0 ? f.meter || (bedOfFace(f.id) >= 0 && !metered.has(f.id)) : f.id === 'floor') ? [i] : [],
  )
  const growM2 = growers.reduce((sum, i) => sum + faces[i]!.areaM2, 0)
  const index = new Int32Array(4)
  const weight = new Float64Array(4)
  const now = Array.from({ length: covers }, () => new Float64Array(n))
  const hours = skyHours(site)
  const outdoors = makeHourLight()
  const { sun } = outdoors

  for (let l = 0; l < hours.lit.length; l++) {
    const h = hours.lit[l]!
    lightOfHour(site, hours, h, outdoors)
    for (const plane of planes) fallOn(plane, outdoors)
    let placed = false
    let transmitted = 0
    const standing = byMonth[MONTH_OF_DAY[(h / 24) | 0]!]!
    for (let g = 0; g < landings.length; g++) {
      const landing = standing[g]!
      const { light, kept, paneShare } = landing
      const to = now[landing.surface.cover]!
      const on = paneFacing[g]!
      const { cosine } = on
      const clear = (1 - snowOn[g]![h]!) * (1 - under(paneBanked[g]!, h))
      const area = landing.surface.areaM2 * clear
      const straight = cosine > 0 ? on.fromSun * atCosine(light.transmittance, cosine) * area * kept : 0
      const even = light.diffuse.transmittance * area * kept
      const skyIn = on.fromSky * even
      const groundIn = on.fromGround * even
      if (straight > 0 && !placed) {
        tablePlace(site.latitudeDeg, sun.e, sun.n, sun.u, index, weight)
        placed = true
      }
      const beamIn = straight > 0 ? addBeam(landing.beam, index, weight, straight, light.haze, to, real) : 0
      const through = addEven(landing, beamIn, skyIn, groundIn, light.haze, to, real)
      transmitted += through
      paneOf[g]!.throughW[h]! += through
      const taken =
        (cosine > 0 ? on.fromSun * atCosine(light.absorptance, cosine) : 0) +
        (on.fromSky + on.fromGround) * light.diffuse.absorptance
      paneOf[g]!.watts[h]! += taken * area * paneShare
    }
    for (let o = 0; o < solids.length; o++) {
      const on = outerFacing[o]!
      const shadow = outerShadow[o]
      let { fromSun, fromSky } = on
      if (shadow) {
        fromSky *= shadow.sky
        if (fromSun > 0) {
          if (!placed) tablePlace(site.latitudeDeg, sun.e, sun.n, sun.u, index, weight)
          placed = true
          let free = 0
          for (let k = 0; k < 4; k++) free += weight[k]! * shadow.beam[index[k]!]!
          fromSun *= free
        }
      }
      outerOf[o]![h]! += (fromSun + fromSky + on.fromGround) * outerTakes[o]! * (1 - under(outerBanked[o]!, h))
    }
    transmittedW[h] = transmitted
    for (let c = 0; c < covers; c++) {
      const to = byCover[c]!
      const from = now[c]!
      for (let i = 0; i < n; i++) {
        to.faces[i]![h] = from[i]!
        from[i] = 0
      }
      let onBeds = 0
      for (const i of growers) onBeds += to.faces[i]![h]! / faces[i]!.absorptance
      if (growM2 > 0) to.bedLightWm2[h] = onBeds / growM2
    }
  }
  return {
    faces: faces.map((f, i) => ({ id: f.id, watts: summed(byCover.map(c => c.faces[i]!)), meter: f.meter === true })),
    byCover,
    panes,
    outer,
    bedLightWm2: summed(byCover.map(c => c.bedLightWm2)),
    transmittedW,
  }
}

/** Sum of some series, hour by hour; of one, itself. */
function summed(series: readonly Float32Array[]): Float32Array {
  if (series.length === 1) return series[0]!
  const out = new Float32Array(HOURS)
  for (const s of series) for (let h = 0; h < HOURS; h++) out[h] = out[h]! + s[h]!
  return out
}

/**
 * Adds what a beam brings to the faces, less what the sheet scatters; returns all of it, W, as the first `real` faces
 * have it: those after them only meter it.
 */
function addBeam(
  table: Float32Array,
  index: Int32Array,
  weight: Float64Array,
  straight: number,
  scattered: number,
  to: Float64Array,
  real: number,
): number {
  const n = to.length
  const a = index[0]! * n
  const b = index[1]! * n
  const c = index[2]! * n
  const d = index[3]! * n
  const wa = weight[0]!
  const wb = weight[1]!
  const wc = weight[2]!
  const wd = weight[3]!
  const kept = straight * (1 - scattered)
  let sum = 0
  for (let i = 0; i < n; i++) {
    const share = wa * table[a + i]! + wb * table[b + i]! + wc * table[c + i]! + wd * table[d + i]!
    if (i < real) sum += share
    to[i]! += kept * share
  }
  return straight * sum
}

/**
 * Adds what sky and ground bring, and what the sheet scatters of that and of the beam: that leaves it evenly, from as
 * much of it as is lit. Returns all that came through, W.
 */
function addEven(
  { sky, ground, spread }: Landing,
  beam: number,
  skyIn: number,
  groundIn: number,
  scattered: number,
  to: Float64Array,
  real: number,
): number {
  const n = to.length
  let sum = beam
  for (let i = 0; i < n; i++) {
    const direct = skyIn * sky[i]! + groundIn * ground[i]!
    if (i < real) sum += direct
    to[i]! += direct * (1 - scattered)
  }
  if (scattered > 0) for (let i = 0; i < n; i++) to[i]! += sum * scattered * spread[i]!
  return sum
}

/**
 * Sunlight on a plane outdoors by hour, W/m², horizon and snow regarded as for the house: for collectors and solar
 * arrays. Tilt from level, azimuth from true north.
 */
export function sunOnPlane(site: SiteYear, tiltDeg: number, azimuthDeg: number): Float32Array {
  const plane = facing(site, { tiltDeg, azimuthDeg })
  const out = new Float32Array(HOURS)
  const hours = skyHours(site)
  const light = makeHourLight()
  for (let l = 0; l < hours.lit.length; l++) {
    const h = hours.lit[l]!
    lightOfHour(site, hours, h, light)
    fallOn(plane, light)
    out[h] = plane.fromSun + plane.fromSky + plane.fromGround
  }
  return out
}
