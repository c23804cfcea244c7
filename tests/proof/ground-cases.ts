import { rectangleOf } from '../../core/geometry/footprint'
import { makeGroundOutside } from '../../core/network/ground-outside'
import { makeMemory } from '../../core/network/memory'
import { makeGroundSlice, type GroundInput } from '../../core/ground/slice'

const SOIL = { conductivity: 1.5, density: 1800, specificHeat: 1670 }
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
  const n = slice.outsideCapacity.length
  const columns = slice.outsideWidthsM.length
  const memory = makeMemory({
    chains: 0,
    cells: n,
    links: 0,
    suns: 0,
    stores: 0,
    storeCells: 0,
    sources: 0,
    fans: 0,
    covers: 0,
    openings: 0,
    orifices: 0,
  })
  const { T, source } = memory
  T.fill(10)
  memory.capacity.set(slice.outsideCapacity)
  const ground = makeGroundOutside(memory)
  ground.lay({
    outsideGround: {
      first: 0,
      columns,
      rows: slice.depthM.length,
      down: slice.outsideDown,
      area: slice.surfaceArea,
      half: slice.surfaceHalf,
      film: 0,
    },
  })
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
