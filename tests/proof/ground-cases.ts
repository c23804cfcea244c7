import { rectangleOf } from '../../core/geometry/footprint'
import { makeGroundOutside } from '../../core/network/ground-outside'
import { makeMemory } from '../../core/network/memory'
import { makeSoilIce } from '../../core/network/soil-ice'
import { makeGroundSlice, type GroundInput, type GroundSlice } from '../../core/ground/slice'

const SOIL = { id: 'clay-soil', conductivity: 1.5, density: 1800, specificHeat: 1670 }
const blank: GroundInput = {
  floor: rectangleOf(0, 5, 0, 1),
  beds: [],
  path: null,
  perimeterM: 2,
  againstHouse: false,
  sunkM: 0,
  soil: SOIL,
  edge: { resistance: 0, depthM: 0 },
  skirt: { resistance: 0, widthM: 0 },
  wallM: 0.3,
}

/** U-value of a long slab by the core's slice, W/m²K. */
export function slabU(widthM: number, conductivity: number, wallM: number, resistance: number): number {
  const s = makeGroundSlice({ ...blank, floor: rectangleOf(0, widthM, 0, 1), wallM, soil: { ...SOIL, conductivity } })
  return (
    s.steady(
      s.floor.map(c => c.areaM2 / (0.17 + resistance)),
      0,
    ) / widthM
  )
}

/** The same by ISO 13370:2017, 7.3 (slab on ground, B′ = half the area over half the perimeter). */
export function iso13370(widthM: number, conductivity: number, wallM: number, resistance: number): number {
  const dt = wallM + conductivity * (0.17 + resistance + 0.04)
  return dt < widthM
    ? ((2 * conductivity) / (Math.PI * widthM + dt)) * Math.log((Math.PI * widthM) / dt + 1)
    : conductivity / (0.457 * widthM + dt)
}

/**
 * Swing and lag of the year's wave by depth in the core's ground outside, after years of it, beside the half-space's.
 */
export function groundWave(): {
  depthM: number
  swing: number
  lag: number
  expectedSwing: number
  expectedLag: number
}[] {
  const slice = makeGroundSlice(blank)
  const columns = slice.outsideWidthsM.length
  const { memory, ground } = groundBeside(slice, 0)
  const { T, source } = memory
  T.fill(10)
  const omega = (2 * Math.PI) / (8760 * 3600)
  const damping = Math.sqrt((2 * SOIL.conductivity) / (SOIL.density * SOIL.specificHeat) / omega)
  const re = new Float64Array(slice.depthM.length)
  const im = new Float64Array(slice.depthM.length)
  const years = 8
  for (let y = 0; y < years; y++) {
    for (let h = 0; h < 8760; h++) {
      const angle = omega * 3600 * (h + 1)
      source.fill(0)
      ground.step(10 + 10 * Math.cos(angle), 0, 3600)
      if (y < years - 1) continue
      for (let r = 0; r < re.length; r++) {
        re[r] = re[r]! + (T[r * columns]! * Math.cos(angle)) / 4380
        im[r] = im[r]! + (T[r * columns]! * Math.sin(angle)) / 4380
      }
    }
  }
  return slice.depthM.map((depthM, r) => ({
    depthM,
    swing: Math.hypot(re[r]!, im[r]!),
    lag: Math.atan2(im[r]!, re[r]!),
    expectedSwing: 10 * Math.exp(-depthM / damping),
    expectedLag: depthM / damping,
  }))
}

/** The ground beside a house by itself, in a loop's memory, under a film. */
function groundBeside(slice: GroundSlice, film: number) {
  const n = slice.outsideCapacity.length
  const sizes = { chains: 0, links: 0, suns: 0, stores: 0, storeCells: 0, sources: 0, fans: 0 }
  const memory = makeMemory({ ...sizes, cells: n, covers: 0, openings: 0, orifices: 0 })
  memory.capacity.set(slice.outsideCapacity)
  const ground = makeGroundOutside(memory)
  ground.lay({
    outsideGround: {
      first: 0,
      columns: slice.outsideWidthsM.length,
      rows: slice.depthM.length,
      down: slice.outsideDown,
      area: slice.surfaceArea,
      half: slice.surfaceHalf,
      film,
    },
  })
  return { memory, ground }
}

/**
 * How deep moist loam at its freezing point freezes in so many days under a surface that stays so cold, m: by what its
 * ice has given off. Beside Neumann's exact solution with the same conductivity frozen and thawed.
 */
export function frozenDepth(days: number, surfaceC: number): { got: number; expected: number } {
  const soil = { id: 'soil', conductivity: 1.2, density: 1700, specificHeat: 1500 }
  const slice = makeGroundSlice({ ...blank, soil })
  const { memory, ground } = groundBeside(slice, 0)
  const { source, fusion } = memory
  fusion.set(slice.outsideCapacity.map(c => c * slice.fusionK))
  const ice = makeSoilIce(memory)
  ice.lay({ fusion, cellCount: fusion.length, offset: Int32Array.of(0), count: 0 })
  for (let h = 0; h < 24 * days; h++) {
    source.fill(0)
    ground.step(surfaceC, 0, 3600)
    ice.freezeGround()
  }
  const fusionM3 = slice.fusionK * soil.density * soil.specificHeat
  const areaM2 = slice.surfaceArea.reduce((a, b) => a + b, 0)
  // λ e^(λ²) erf λ = St / √π
  const st = (-surfaceC * soil.density * soil.specificHeat) / fusionM3
  const erf = (x: number) => {
    let sum = 0
    let term = x
    for (let k = 0; k < 40; k++) {
      sum += term / (2 * k + 1)
      term *= -(x * x) / (k + 1)
    }
    return (2 / Math.sqrt(Math.PI)) * sum
  }
  let [low, high] = [0, 3]
  for (let k = 0; k < 60; k++) {
    const at = (low + high) / 2
    if (at * Math.exp(at * at) * erf(at) < st / Math.sqrt(Math.PI)) low = at
    else high = at
  }
  const diffusivity = soil.conductivity / (soil.density * soil.specificHeat)
  return {
    got: ice.iceJ(0, fusion.length) / (fusionM3 * areaM2),
    expected: 2 * low * Math.sqrt(diffusivity * days * 86400),
  }
}
