import { dayLengthH } from '../climate/radiation'
import { DAYS } from '../climate/types'
import { line, need, plain, type Sum } from './sum'

/**
 * µmol of useful light to a joule of sunlight's useful part, and useful share of sunlight. Thimijan & Heins 1983;
 * McCree 1972.
 */
const MICROMOL_PER_JOULE = 4.57
const USEFUL_SHARE = 0.45
/** Lumens to a watt of daylight. */
const LUX_PER_WM2 = 110
const LUX_PER_FOOT_CANDLE = 10.764

/** One strength of daylight in every unit in which people quote it. From sunlight, W/m². */
export function daylightUnits(sunWm2: number): {
  wm2: number
  parMicromol: number
  lux: number
  footCandles: number
  dliIf12h: number
} {
  need('sunlight', sunWm2, 0, 1500)
  const parMicromol = sunWm2 * USEFUL_SHARE * MICROMOL_PER_JOULE
  const lux = sunWm2 * LUX_PER_WM2
  return {
    wm2: sunWm2,
    parMicromol,
    lux,
    footCandles: lux / LUX_PER_FOOT_CANDLE,
    dliIf12h: (parMicromol * 12 * 3600) / 1e6,
  }
}

/** DLI, mol/m²·d, from a steady µmol/m²s and its hours. */
export function dailyLight(parMicromol: number, hours: number): Sum {
  need('light', parMicromol, 0, 3000)
  need('hours', hours, 0, 24)
  const dli = (parMicromol * hours * 3600) / 1e6
  return {
    result: dli,
    rule: 'µmol/m²s × seconds ÷ 10⁶.',
    lines: [
      plain('E', 'light', parMicromol, 'µmol/m²s'),
      line('t', 'hours', hours, 'hours'),
      plain('DLI', 'E × t', dli, 'mol/m²·d'),
    ],
  }
}

/**
 * Lamps to fill a gap in daily light: how many, and what they draw. @param molPerMJ light of a lamp for the power it
 * draws, 0.5–4
 */
export function lampCount(
  gapDli: number,
  bedM2: number,
  hours: number,
  lampW: number,
  molPerMJ: number,
  reaching = 0.85,
): Sum<{ lamps: number; kWhPerDay: number }> {
  need('gap', gapDli, 0, 80)
  need('beds', bedM2, 0)
  need('hours', hours, 0.1, 24)
  need('lamp', lampW, 0.1)
  need('efficacy', molPerMJ, 0.1, 5)
  need('share that reaches the beds', reaching, 0.1, 1)
  const perLamp = ((lampW * hours * 3600) / 1e6) * molPerMJ * reaching
  const lamps = Math.ceil((gapDli * bedM2) / perLamp - 1e-9)
  const kWhPerDay = (lamps * lampW * hours) / 1000
  return {
    result: { lamps, kWhPerDay },
    rule: 'Missing light over what a lamp brings; 85 % reaches the leaves.',
    lines: [
      plain('ΔDLI', 'light missing', gapDli, 'mol/m²·d'),
      line('A', 'beds', bedM2, 'area'),
      line('P', 'one lamp', lampW, 'power'),
      line('t', 'lit a day', hours, 'hours'),
      line('m', 'light for the power', molPerMJ, 'lampLight'),
      line('s', 'that reaches the leaves', reaching, 'share'),
      line('n', 'lamps, rounded up', lamps, 'count'),
    ],
  }
}

/**
 * Days under ten hours of daylight, when plants hold rather than grow: first and last day of year (0-based), null where
 * there are none or all are.
 */
export function tenHourDays(latitudeDeg: number, hours = 10): { from: number; to: number; count: number } | null {
  need('latitude', latitudeDeg, -90, 90)
  const short: boolean[] = Array.from({ length: DAYS }, (_, d) => dayLengthH(d, latitudeDeg) < hours)
  const count = short.filter(Boolean).length
  if (count === 0 || count === DAYS) return null
  const from = short.findIndex((s, d) => s && !short[(d + DAYS - 1) % DAYS])
  const to = short.findIndex((s, d) => s && !short[(d + 1) % DAYS])
  return { from, to, count }
}
