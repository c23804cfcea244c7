import type { AimLine } from './aim/aim-line'
import { bodyName } from './bodies/registry'
import { nightOf } from './climate/calendar'
import { HOURS, MONTH_OF_DAY } from './climate/types'
import type { Design } from './design/types'
import { bedName } from './design/words'
import type { YearSeries } from './network/series'

/** How something that lives in the house fares against one bound that it has. */
export interface LifeAnswer {
  of: 'leaf' | 'soil' | 'water'
  /** Its bed or body, by its place in the document; null for leaves. */
  index: number | null
  name: string
  side: 'lowest' | 'highest'
  /** The hour that comes nearest to missing it, or misses it most: how warm it is then and what it had to be, °C. */
  hour: number
  atC: number
  boundC: number
  /** Kept by so much; negative where it is missed, K. */
  marginK: number
  /** Hours on the wrong side of it; and nights that have one, or of a highest bound days. */
  hours: number
  days: number
}

/**
 * What lives in the house against its bounds: leaves of what grows or waits, the soil that fares worst, and each body's
 * fish. What has no bound is left out.
 */
export function lifeAnswers(design: Design, line: AimLine, series: YearSeries): LifeAnswer[] {
  const { shape, store } = design
  const month = (h: number) => MONTH_OF_DAY[Math.floor(h / 24)]!
  const out: LifeAnswer[] = []
  const add = (
    thing: Pick<LifeAnswer, 'of' | 'index' | 'name' | 'side'>,
    series: Float32Array,
    bound: (h: number) => number | null,
  ) => {
    const found = against(series, bound, thing.side)
    if (found) out.push({ ...thing, ...found })
  }
  add({ of: 'leaf', index: null, name: LEAVES, side: 'lowest' }, series.leafC, h => line.lowC[month(h)]!)
  const soils = shape.beds.flatMap((_, index): LifeAnswer[] => {
    const found = against(series.bedsC[index]!, h => line.soilC[month(h)]!, 'lowest')
    return found ? [{ of: 'soil', index, name: soilName(shape.beds, index), side: 'lowest', ...found }] : []
  })
  const worst = soils.sort((a, b) => a.marginK - b.marginK)[0]
  if (worst) out.push(worst)
  store.bodies.forEach((body, index) => {
    if (!('lifeLowestC' in body)) return
    const water = { of: 'water', index, name: `Water of ${bodyName(store.bodies, index).toLowerCase()}` } as const
    const { middleC } = series.bodies[index]!
    add({ ...water, side: 'lowest' }, middleC, () => body.lifeLowestC)
    add({ ...water, side: 'highest' }, middleC, () => body.lifeHighestC)
  })
  return out
}

/** What lives there that stands nearest to its bound, or furthest beyond it. */
export type Endangered = Pick<LifeAnswer, 'of' | 'name' | 'side' | 'atC' | 'boundC' | 'marginK'>

/** Which that is; where nothing is asked of any month, the coldest leaf against the lowest air that is asked for. */
export function endangered(
  { aim }: Pick<Design, 'aim'>,
  { lives, leaf }: { lives: readonly LifeAnswer[]; leaf: { coldestC: number } },
): Endangered {
  const boundC = aim.lowestAirC
  const bare: Endangered = {
    of: 'leaf',
    name: LEAVES,
    side: 'lowest',
    atC: leaf.coldestC,
    boundC,
    marginK: leaf.coldestC - boundC,
  }
  return lives.length === 0 ? bare : lives.reduce((a, b) => (b.marginK < a.marginK ? b : a))
}

const LEAVES = 'Leaves'

/** “Soil of bed 2”, or of the only one. */
const soilName = (beds: Design['shape']['beds'], index: number): string =>
  `Soil of ${beds.length > 1 ? bedName(beds, index).toLowerCase() : 'the bed'}`

/** A series against a bound by the hour; null where it has none in any. */
function against(series: Float32Array, bound: (h: number) => number | null, side: LifeAnswer['side']) {
  const sign = side === 'lowest' ? 1 : -1
  let nearest: Pick<LifeAnswer, 'hour' | 'atC' | 'boundC' | 'marginK'> | null = null
  let hours = 0
  const days = new Set<number>()
  for (let h = 0; h < HOURS; h++) {
    const boundC = bound(h)
    if (boundC === null) continue
    const atC = series[h]!
    const marginK = sign * (atC - boundC)
    if (marginK < 0) {
      hours++
      days.add(side === 'lowest' ? nightOf(h) : Math.floor(h / 24))
    }
    if (!nearest || marginK < nearest.marginK) nearest = { hour: h, atC, boundC, marginK }
  }
  return nearest && { ...nearest, hours, days: days.size }
}
