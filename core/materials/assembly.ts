import { dampness, entry, fusionOf, MATERIALS, type Material } from '../catalog'
import type { FrameMade } from '../design/fields/build'
import type { Layer } from '../design/fields/skin'

/** Timber of the framing. */
const TIMBER = entry(MATERIALS, 'softwood')

/**
 * What a layer is made of: its catalogue material or its own, with the framing that runs through it side by side with
 * the rest.
 */
export function materialOf(layer: Pick<Layer, 'material' | 'framing' | 'own'>): Material {
  const bare: Material =
    layer.material === 'own' && layer.own
      ? { ...layer.own, id: 'own', group: 'timber and board', source: 'own' }
      : entry(MATERIALS, layer.material)
  const f = layer.framing ?? 0
  if (f === 0) return bare
  const mix = (of: (m: Material) => number) => (1 - f) * of(bare) + f * of(TIMBER)
  const density = mix(m => m.density)
  return {
    ...bare,
    conductivity: mix(m => m.conductivity),
    density,
    specificHeat: mix(m => m.density * m.specificHeat) / density,
  }
}

/**
 * Resistance of layers from face to face, m²K/W, films left out. Framing within a layer passes heat beside it, layer by
 * layer (ISO 6946 §6.7, lower limit).
 */
export function layersResistance(layers: readonly Layer[]): number {
  return layers.reduce((sum, l) => sum + l.thicknessM / materialOf(l).conductivity, 0)
}

/**
 * A wall cut into cells for heat flow, outside first: each cell's heat capacity and the conductances between
 * neighbours, per m².
 */
export interface WallCells {
  /** J/m²K; the faces are cells without capacity. */
  capacity: number[]
  /** Heat that the water of each cell gives off as it freezes, J/m². */
  fusion: number[]
  /** W/m²K from cell i to i + 1. */
  between: number[]
}

/**
 * Cuts layers into cells: light ones whole, heavy ones no thicker than `thickest` (6 cm), with a face at either end.
 */
export function cutWall(layers: readonly Layer[], thickest = 0.06): WallCells {
  const capacity: number[] = [0]
  const fusion: number[] = [0]
  const resistance: number[] = []
  let last = 0
  for (const layer of layers) {
    if (layer.thicknessM <= 0) continue
    const m = materialOf(layer)
    const cells =
      m.group === 'insulation'
        ? Math.max(1, Math.round(layer.thicknessM / 0.1))
        : Math.max(1, Math.ceil(layer.thicknessM / thickest - 1e-9))
    const dz = layer.thicknessM / cells
    for (let i = 0; i < cells; i++) {
      resistance.push(last + dz / 2 / m.conductivity)
      capacity.push(dz * m.density * m.specificHeat)
      fusion.push(dz * fusionOf(layer.material))
      last = dz / 2 / m.conductivity
    }
  }
  resistance.push(last)
  capacity.push(0)
  fusion.push(0)
  return { capacity, fusion, between: resistance.map(r => 1 / Math.max(r, 1e-5)) }
}

/** Something about an assembly that damp will find. */
export interface DampFault {
  layer: number
  text: string
}

/** Diffusion that a layer holds back, as metres of still air. */
const vapourM = (l: Layer) => dampness(l.material).vapour * l.thicknessM

/**
 * What damp air does to layers, outside to inside: materials that bear no damp, and an order in which vapour gets in
 * more easily than out. The rule of thumb asks that what lies inside of the insulation holds vapour back at least as
 * well as what lies outside of it.
 */
export function dampFaults(layers: readonly Layer[]): DampFault[] {
  const out: DampFault[] = []
  layers.forEach((l, i) => {
    const { unfit } = dampness(l.material)
    if (unfit)
      out.push({
        layer: i,
        text:
          `${materialOf(l).name}: ${unfit}. It needs a perfect vapour barrier on the warm side, or another ` +
          `board in its place.`,
      })
  })
  const insulating = layers
    .map((l, i) => ({ i, r: l.thicknessM / materialOf(l).conductivity }))
    .reduce((best, x) => (x.r > best.r ? x : best), { i: -1, r: 0.3 }).i
  if (insulating < 0) return out
  // Boards that hold vapour back by themselves carry no water to the cold side.
  const within = vapourM(layers[insulating]!)
  const inside = layers.slice(insulating + 1).reduce((s, l) => s + vapourM(l), 0)
  const outside = layers.slice(0, insulating).reduce((s, l) => s + vapourM(l), 0)
  if (outside > inside + within) {
    out.push({
      layer: insulating,
      text:
        `Vapour gets into the ${materialOf(layers[insulating]!).name.toLowerCase()} more easily than out: ` +
        `its outside is the tighter one. A sheet that holds vapour belongs inside of it, or openings to dry outwards.`,
    })
  }
  return out
}

/** An own material that passes less heat than this insulates, W/m·K: ISO 9229 calls so what is below 0.065 to 0.1. */
const INSULATES = 0.1
const isInsulation = ({ material, own }: Layer): boolean =>
  material === 'own'
    ? own !== undefined && own.conductivity < INSULATES
    : MATERIALS.find(m => m.id === material)?.group === 'insulation'

/** The layer of a wall that is insulation and thickest; −1 where there is none. */
export function mainInsulation(layers: readonly Layer[]): number {
  let best = -1
  layers.forEach((l, i) => {
    if (isInsulation(l) && (best < 0 || l.thicknessM > layers[best]!.thicknessM)) best = i
  })
  return best
}

/**
 * Of the resistance of insulation that metal members stand in so much is left, as a rule for sections 0.4 to 0.6 m
 * apart: correction factors of ANSI/ASHRAE/IES 90.1, appendix A9.2, 0.46 to 0.55.
 */
const LEFT_BY_METAL = 0.5

/**
 * Layers with a frame's members through the insulation that they stand in, told as the share of timber that passes as
 * much. Where that layer says its own share of timber it is left as it is.
 * @param share of the face, 0–0.4
 * @param deepM members so deep, m, let what is thicker go on beside them; null: as deep as the layer
 */
export function withFrame(
  layers: readonly Layer[],
  share: number,
  { deepM, made }: { deepM: number | null; made: FrameMade },
): Layer[] {
  const i = mainInsulation(layers)
  const main = layers[i]
  if (!main || share <= 0 || main.framing !== undefined || main.thicknessM <= 0) return [...layers]
  const { conductivity: fill } = materialOf(main)
  // The share that runs through all of the layer with the same resistance.
  const deep = Math.min(1, (deepM ?? Infinity) / main.thicknessM)
  const within = made === 'metal' ? fill / LEFT_BY_METAL : (1 - share) * fill + share * TIMBER.conductivity
  const mixed = 1 / (deep / within + (1 - deep) / fill)
  const framing = TIMBER.conductivity > fill ? Math.min(1, (mixed - fill) / (TIMBER.conductivity - fill)) : share
  return layers.map((l, k) => (k === i ? { ...l, framing } : l))
}
