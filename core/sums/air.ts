import { GRAVITY, LATENT, ZERO_C_K } from '../physics/constants'
import type { Fan } from '../air-stores/common'
import { bundlePressurePa, CORRUGATION_M, operatingFlow, roundPipe } from '../air-stores/air-path'
import { line, need, plain, type Sum } from './sum'

const FOOT = 0.3048
/** Heat of a cubic metre of air for a kelvin, J/m³K. */
export const AIR_HEAT_M3 = 1200

/** Pipe for a volume of house by the rule, m/m³: a foot to every ten cubic feet. */
const PIPE_RULE = 1 / (10 * FOOT ** 2)

/** Pipe for an earth store by the rule. Thin evidence. */
export function pipeRule(volumeM3: number, pipeLengthM: number): Sum<{ lengthM: number; pipes: number }> {
  need('volume', volumeM3, 1)
  need('length of one pipe', pipeLengthM, 0.5)
  const lengthM = volumeM3 * PIPE_RULE
  const pipes = Math.ceil(lengthM / pipeLengthM - 1e-9)
  return {
    result: { lengthM, pipes },
    rule: 'At least so much pipe. A builders’ rule with thin evidence: the year decides.',
    lines: [
      plain('V', 'volume of the house', volumeM3, 'm³'),
      plain('r', 'rule', PIPE_RULE, 'm/m³'),
      line('L', 'V × r', lengthM, 'length'),
      line('l', 'one pipe', pipeLengthM, 'length'),
      line('n', 'pipes, rounded up', pipes, 'count'),
    ],
  }
}

/** Fan for an earth store: 4–8 air changes an hour through the pipes, m³/s. */
export function fanRule(volumeM3: number, changesPerHour: number): Sum {
  need('volume', volumeM3, 1)
  need('air changes', changesPerHour, 0.5, 60)
  const flow = (volumeM3 * changesPerHour) / 3600
  return {
    result: flow,
    rule: '4–8 air changes an hour through the pipes.',
    lines: [
      plain('V', 'volume of the house', volumeM3, 'm³'),
      plain('n', 'changes an hour', changesPerHour),
      line('q', 'V × n', flow * 3600, 'airflow'),
    ],
  }
}

/** Pressure that a flow needs through parallel corrugated pipes, Pa. Darcy & Weisbach with Swamee & Jain's friction. */
export function pipePressure(flowM3s: number, pipes: number, lengthM: number, diameterM: number): Sum {
  need('flow', flowM3s, 0)
  need('pipes', pipes, 1)
  need('length', lengthM, 0.5)
  need('diameter', diameterM, 0.02, 2)
  const bundle = { ...roundPipe(diameterM), pipes, lengthM, roughnessM: CORRUGATION_M, soilConductivity: 1.5 }
  const pressure = bundlePressurePa(bundle, flowM3s)
  return {
    result: pressure,
    rule: 'Darcy–Weisbach in corrugated pipe, fittings as four velocity heads.',
    lines: [
      line('q', 'flow in all', flowM3s * 3600, 'airflow'),
      line('n', 'pipes', pipes, 'count'),
      line('v', 'speed in each', flowM3s / pipes / bundle.areaM2, 'speed'),
      line('L', 'length', lengthM, 'length'),
      line('D', 'diameter', diameterM, 'thickness'),
      line('Δp', 'pressure', pressure, 'pressure'),
    ],
  }
}

/** Flow that a fan really drives through pipes, m³/s: where its curve meets theirs. */
export function fanOnPipes(fan: Fan, pipes: number, lengthM: number, diameterM: number): Sum {
  need('pipes', pipes, 1)
  need('length', lengthM, 0.5)
  need('diameter', diameterM, 0.02, 2)
  const bundle = { ...roundPipe(diameterM), pipes, lengthM, roughnessM: CORRUGATION_M, soilConductivity: 1.5 }
  const flow = operatingFlow(fan, q => bundlePressurePa(bundle, q))
  return {
    result: flow,
    rule: 'The fan’s curve, taken as straight, against the pipes’ friction.',
    lines: [
      line('q₀', 'fan blowing free', fan.freeFlowM3h, 'airflow'),
      line('p₀', 'fan shut off', fan.shutOffPa, 'pressure'),
      line('Δp', 'pressure where they meet', bundlePressurePa(bundle, flow), 'pressure'),
      line('q', 'q₀ × (1 − Δp ÷ p₀)', flow * 3600, 'airflow'),
    ],
  }
}

/**
 * Pressure that a flow blown in raises in a closed house, Pa: what it takes to push as much out through the leaks, by
 * their exponent of 0.65.
 * @param ach50 air changes an hour under 50 Pa
 */
export function tubePressure(flowM3h: number, volumeM3: number, ach50: number): Sum {
  need('flow', flowM3h, 0)
  need('volume', volumeM3, 1)
  need('air changes under 50 Pa', ach50, 0.1)
  const pressure = 50 * (flowM3h / (volumeM3 * ach50)) ** (1 / 0.65)
  return {
    result: pressure,
    rule: 'A little pressure keeps cold draughts out of cracks; it pushes damp air into walls and attics as well.',
    lines: [
      line('q', 'blown in', flowM3h, 'airflow'),
      plain('V', 'volume of the house', volumeM3, 'm³'),
      line('n', 'changes of its air under 50 Pa', ach50, 'airChanges'),
      line('Δp', '50 × (q ÷ (V × n)) ^ (1 ÷ 0.65)', pressure, 'pressure'),
    ],
  }
}

/** Manifold that chokes no pipe: its area at least theirs together. Diameter, m. */
export function manifoldSize(pipes: number, diameterM: number): Sum {
  need('pipes', pipes, 1)
  need('diameter', diameterM, 0.02, 2)
  const area = (pipes * Math.PI * diameterM ** 2) / 4
  const size = Math.sqrt((4 * area) / Math.PI)
  return {
    result: size,
    rule: 'Manifold area at least the sum of the pipes’.',
    lines: [
      line('n', 'pipes', pipes, 'count'),
      line('D', 'each', diameterM, 'thickness'),
      line('A', 'area of all', area, 'area'),
      line('Dm', 'round manifold', size, 'thickness'),
    ],
  }
}

/** Of the way to the wet bulb, what fine mist brings air. */
const MIST_REACHES = 0.7

/**
 * Wet-bulb temperature, °C, of air of −20 to 50 °C and 5 to 99 % relative humidity at sea level, within 1 K. Stull,
 * J. Appl. Meteorol. Climatol. 50 (2011).
 */
export function wetBulbC(airC: number, humidity: number): number {
  const { atan, sqrt } = Math
  const rh = humidity * 100
  return (
    airC * atan(0.151977 * sqrt(rh + 8.313659)) +
    atan(airC + rh) -
    atan(rh - 1.676331) +
    0.00391838 * rh ** 1.5 * atan(0.023101 * rh) -
    4.686035
  )
}

/** How far misting cools air, K. @param humidity relative, 0.05–0.99 */
export function mistCooling(airC: number, humidity: number): Sum {
  need('air', airC, -20, 50)
  need('humidity', humidity, 0.05, 0.99)
  const wet = wetBulbC(airC, humidity)
  const cools = Math.max(0, airC - wet) * MIST_REACHES
  return {
    result: cools,
    rule: 'Mist brings air 0.7 of the way to its wet bulb. Dry climates gain much, damp ones little; leaves get wet.',
    lines: [
      line('T', 'air that comes in', airC, 'temperature'),
      line('φ', 'its humidity', humidity, 'share'),
      line('Tw', 'its wet bulb', wet, 'temperature'),
      line('ΔT', '0.7 × (T − Tw)', cools, 'temperatureDifference'),
    ],
  }
}

/** Water that misting takes, L/h. @param flowM3h of air that is cooled; @param coolsK by which */
export function mistWater(flowM3h: number, coolsK: number): Sum {
  need('flow', flowM3h, 0)
  need('cooling', coolsK, 0, 40)
  const litres = (flowM3h * AIR_HEAT_M3 * coolsK) / LATENT
  return {
    result: litres,
    rule: 'Heat that the air loses is what the water needs to evaporate. What drips is lost besides.',
    lines: [
      line('q', 'air through the house', flowM3h, 'airflow'),
      line('ΔT', 'cooled by', coolsK, 'temperatureDifference'),
      plain('ρc', 'heat of air', AIR_HEAT_M3, 'J/m³K'),
      plain('L', 'heat of vapour', LATENT, 'J/kg'),
      plain('m', 'q × ρc × ΔT ÷ L', litres, 'L/h'),
    ],
  }
}

/** Vents by the rule: 15–25 % of the floor, low and again high. */
export function ventRule(floorM2: number, share = 0.2): Sum {
  need('floor', floorM2, 0)
  need('share', share, 0.01, 1)
  return {
    result: floorM2 * share,
    rule: '15–25 % of the floor area low, and as much high.',
    lines: [
      line('F', 'floor', floorM2, 'area'),
      line('s', 'share', share, 'share'),
      line('A', 'low, and as much high', floorM2 * share, 'area'),
    ],
  }
}

/** Flow by stack through low and high openings, m³/s, no wind. Orifice equation, discharge 0.6. */
export function stackFlow(lowM2: number, highM2: number, riseM: number, insideC: number, outsideC: number): Sum {
  need('low opening', lowM2, 1e-6)
  need('high opening', highM2, 1e-6)
  need('rise', riseM, 0)
  const area = 1 / Math.sqrt(1 / lowM2 ** 2 + 1 / highM2 ** 2)
  const warm = Math.max(insideC, outsideC) + ZERO_C_K
  const flow = 0.6 * area * Math.sqrt((2 * GRAVITY * riseM * Math.abs(insideC - outsideC)) / warm)
  return {
    result: flow,
    rule: 'Orifice flow, both openings in series.',
    lines: [
      line('A', 'both openings as one', area, 'area'),
      line('h', 'height between', riseM, 'length'),
      line('ΔT', 'difference', insideC - outsideC, 'temperatureDifference'),
      plain('T', 'the warmer of both, from absolute zero', warm, 'K'),
      line('q', '0.6 A √(2 g h ΔT ÷ T)', flow * 3600, 'airflow'),
    ],
  }
}
