import { entry, FINISHES } from '../catalog'
import { HOURS, MONTH_OF_DAY, type SiteYear } from '../climate'
import { bedOfFace, type FaceId } from '../geometry/faces'
import type { Building, Surface, SurfaceId } from '../geometry/surfaces'
import { atCosine } from './glazing-light'
import { tablePlace, type Landing } from './landing'
import type { LightTable } from './light-table'
import { facing, fallOn, lightOfHour, makeHourLight, type Facing } from './outdoors'
import { skyHours } from './sky'
import { bankedShares, glazingSnow, shareUnder, snowBanks, type Banked } from './snow'

/** Sunlight taken in by outer walls and roofs of middling colour: those whose outer face is bare. */
const OUTSIDE_ABSORPTANCE = 0.55

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
  const opaque = building.surfaces.filter(s => s.kind === 'opaque' && s.boundary === 'outside')
  const outer = names(opaque.map(s => s.id)).map(id => ({ id, watts: blank() }))
  // What stands in a bank of snow gets no light.
  const snowy = site.snowM.some(depth => depth > 0)
  const banks = snowy ? snowBanks(site, building.outline, cleared) : []
  const banked = (s: Surface) => (snowy ? bankedShares(building, [s]) : null)
  const paneBanked = landings.map(l => banked(l.surface))
  const solids = solidFaces(
    opaque.map(s => ({
      id: s.id,
      on: facingOf(s),
      takes: (entry(FINISHES, s.outside).solarAbsorptance ?? OUTSIDE_ABSORPTANCE) * s.areaM2,
      bank: banked(s),
      shadow: shadows.find(x => x.surface.polygon === s.polygon) ?? null,
      watts: outer.find(o => o.id === s.id)!.watts,
    })),
  )
  const under = (b: ReturnType<typeof banked>, h: number) => {
    const heightM = b ? banks[b.bank]![h]! : 0
    return heightM > 0 ? shareUnder(b!.shares, heightM) : 0
  }
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
      const beamIn = straight > 0 ? addBeam(landing.beam, index, weight, straight, to, real) : 0
      const through = beamIn + addEven(landing, skyIn, groundIn, to, real)
      transmitted += through
      paneOf[g]!.throughW[h]! += through
      const taken =
        (cosine > 0 ? on.fromSun * atCosine(light.absorptance, cosine) : 0) +
        (on.fromSky + on.fromGround) * light.diffuse.absorptance
      paneOf[g]!.watts[h]! += taken * area * paneShare
    }
    for (let o = 0; o < solids.length; o++) {
      const { on, shadow, takes, bank, watts } = solids[o]!
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
      watts[h]! += (fromSun + fromSky + on.fromGround) * takes * (1 - under(bank, h))
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

/** An opaque face outdoors: how it lies, W that it takes of each W/m², and what banks and shades it. */
interface SolidFace {
  id: SurfaceId
  on: Facing
  takes: number
  bank: Banked | null
  shadow: LightTable['shadows'][number] | null
  watts: Float32Array
}

const sameBank = (a: Banked | null, b: Banked | null) =>
  a === b || (!!a && !!b && a.bank === b.bank && a.shares.every((share, k) => Math.abs(share - b.shares[k]!) < 1e-9))

/** Faces that lie alike, in no shadow, as one: the leaves of a row are worked out once. */
function solidFaces(all: readonly SolidFace[]): SolidFace[] {
  const out: SolidFace[] = []
  for (const face of all) {
    const like = out.find(
      o => !face.shadow && !o.shadow && o.id === face.id && o.on === face.on && sameBank(o.bank, face.bank),
    )
    if (like) like.takes += face.takes
    else out.push({ ...face })
  }
  return out
}

/** Sum of some series, hour by hour; of one, itself. */
function summed(series: readonly Float32Array[]): Float32Array {
  if (series.length === 1) return series[0]!
  const out = new Float32Array(HOURS)
  for (const s of series) for (let h = 0; h < HOURS; h++) out[h] = out[h]! + s[h]!
  return out
}

/**
 * Adds what a beam brings to the faces; returns all of it, W, as the first `real` faces have it: those after them only
 * meter it.
 */
function addBeam(
  table: Float32Array,
  index: Int32Array,
  weight: Float64Array,
  watts: number,
  to: Float64Array,
  real: number,
): number {
  const n = to.length
  const a = index[0]! * n
  const b = index[1]! * n
  const c = index[2]! * n
  const d = index[3]! * n
  const wa = watts * weight[0]!
  const wb = watts * weight[1]!
  const wc = watts * weight[2]!
  const wd = watts * weight[3]!
  let sum = 0
  for (let i = 0; i < n; i++) {
    const here = wa * table[a + i]! + wb * table[b + i]! + wc * table[c + i]! + wd * table[d + i]!
    if (i < real) sum += here
    to[i]! += here
  }
  return sum
}

/** Adds what sky and ground bring to the faces; returns all of it, W, as the first `real` faces have it. */
function addEven({ sky, ground }: Landing, skyIn: number, groundIn: number, to: Float64Array, real: number): number {
  const n = to.length
  let sum = 0
  for (let i = 0; i < n; i++) {
    const here = skyIn * sky[i]! + groundIn * ground[i]!
    if (i < real) sum += here
    to[i]! += here
  }
  return sum
}
