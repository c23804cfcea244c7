import { breathing } from '../../advice/cautions'
import { makeAirways } from '../../network/airways'
import { GRAVITY, ZERO_C_K } from '../../physics/constants'
import { humidityRatio, saturationPressurePa } from '../../climate'
import { AIR_HEAT_M3, mistCooling, mistWater, stackFlow, ventRule } from '../air'
import { line, plain, type Sum } from '../sum'
import type { BookEntry, SumContext, YearSays } from './entry'
import { VENT_RULE } from './rules'

/** What a house that breathes well may be above outside, K. */
const ALLOWED_K = 8
const DISCHARGE = 0.6

const hottest = ({ answers }: SumContext): YearSays => ({
  text: 'hottest afternoon, inside less outside',
  value: answers.hottestAfternoon.insideC - answers.hottestAfternoon.outsideC,
  quantity: 'temperatureDifference',
})

const rule = (which: 'least' | 'most'): BookEntry => ({
  id: `vents-${which}`,
  step: 'breathe',
  title: `Vents by the rule, ${which}`,
  evidence: 'thin',
  formula: () => '=B1*B2',
  of: ({ building }) => ventRule(building.floorAreaM2, VENT_RULE[which]),
  year: c => [
    { text: 'all that opens in this house', value: breathing(c.design).freeM2, quantity: 'area' },
    hottest(c),
  ],
})

/** All that opens as two openings, low and high, m², and the height between their middles, m; null where none does. */
function openings({ design, building, site }: SumContext): { lowM2: number; highM2: number; riseM: number } | null {
  const { conduct, heightM } = makeAirways(design, building, site.dryBulbC)
  const holes = Array.from(conduct, (c, i) => ({ m2: c / DISCHARGE, z: heightM[i]! }))
  const area = (list: typeof holes) => list.reduce((sum, o) => sum + o.m2, 0)
  const middle = (list: typeof holes) => list.reduce((sum, o) => sum + o.m2 * o.z, 0) / area(list)
  if (area(holes) <= 0) return null
  const split = middle(holes)
  const low = holes.filter(o => o.z < split)
  const high = holes.filter(o => o.z >= split)
  return { lowM2: area(low), highM2: area(high), riseM: middle(high) - middle(low) }
}

/** Relative humidity outside in the hottest hour, within what the wet bulb's formula bears. */
function humidityThen({ answers, site }: SumContext): number {
  const { hour, outsideC } = answers.hottestAfternoon
  const full = humidityRatio(saturationPressurePa(outsideC), site.pressurePa[hour]!)
  return Math.max(0.05, Math.min(0.99, site.humidityRatio[hour]! / full))
}

/** Vents that carry a bright noon's sun away at a difference, each low and high, m². */
function ventsNeeded(c: SumContext): Sum<number> | null {
  const sunW = c.gains.transmittedW.reduce((a, b) => Math.max(a, b), 0)
  const riseM = c.building.outline.ridgeHeightM / 2
  if (sunW <= 0) return null
  const outsideC = c.answers.hottestAfternoon.outsideC
  const flow = sunW / (AIR_HEAT_M3 * ALLOWED_K)
  const kelvin = outsideC + ALLOWED_K + ZERO_C_K
  const speed = DISCHARGE * Math.sqrt((2 * GRAVITY * riseM * ALLOWED_K) / kelvin)
  // Two openings in a row resist as one of their area over the root of two.
  const area = (Math.SQRT2 * flow) / speed
  return {
    result: area,
    rule:
      'All the sun leaves with the air, no wind, openings low and high of one size. Leaves and the skin take a part ' +
      'of it; wind helps; insect screens halve it.',
    lines: [
      line('Q', 'sun through the glazing in its brightest hour', sunW, 'power'),
      line('ΔT', 'allowed above outside', ALLOWED_K, 'temperatureDifference'),
      line('h', 'height from low to high, half of the ridge’s', riseM, 'length'),
      plain('T', 'air that leaves, from absolute zero', kelvin, 'K'),
      line('A', 'low, and as much high', area, 'area'),
    ],
  }
}

export const BREATHE_SUMS: readonly BookEntry[] = [
  rule('least'),
  rule('most'),
  {
    id: 'vents-needed',
    step: 'breathe',
    title: `Vents that hold a bright noon to ${ALLOWED_K} K above outside`,
    evidence: 'measured',
    formula: () => '=SQRT(2)*(B1/(1200*B2))/(0.6*SQRT(2*9.81*B3*B2/B4))',
    of: ventsNeeded,
    year: c => [
      { text: 'all that opens in this house', value: breathing(c.design).freeM2, quantity: 'area' },
      hottest(c),
    ],
  },
  {
    id: 'stack-flow',
    step: 'breathe',
    title: `What the openings draw by themselves at ${ALLOWED_K} K, no wind`,
    evidence: 'measured',
    formula: () => '=0.6*B1*SQRT(2*9.81*B2*ABS(B3)/B4)*3600',
    of: c => {
      const own = openings(c)
      const { outsideC } = c.answers.hottestAfternoon
      return own && own.riseM > 0 ? stackFlow(own.lowM2, own.highM2, own.riseM, outsideC + ALLOWED_K, outsideC) : null
    },
    year: c => [hottest(c)],
  },
  {
    id: 'mist-cooling',
    step: 'breathe',
    title: 'How far misting cools the hottest afternoon',
    evidence: 'measured',
    formula: () => '=IF(B1>B3,0.7*(B1-B3),0)',
    of: c => {
      const { outsideC } = c.answers.hottestAfternoon
      return outsideC > 0 && outsideC < 50 ? mistCooling(outsideC, humidityThen(c)) : null
    },
    year: c => [hottest(c)],
  },
  {
    id: 'mist-water',
    step: 'breathe',
    title: 'Water that such misting takes',
    evidence: 'proof',
    formula: () => '=B1*B3*B2/B4',
    of: c => {
      const { outsideC } = c.answers.hottestAfternoon
      const own = openings(c)
      if (!own || !(outsideC > 0 && outsideC < 50)) return null
      const flow = stackFlow(own.lowM2, own.highM2, Math.max(0.01, own.riseM), outsideC + ALLOWED_K, outsideC).result
      return mistWater(flow * 3600, mistCooling(outsideC, humidityThen(c)).result)
    },
    year: () => [],
  },
]
