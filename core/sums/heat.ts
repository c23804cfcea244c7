import { FUSION, WATER_SPECIFIC_HEAT } from '../physics/constants'
import { AIR_HEAT_M3 } from './air'
import { line, need, plain, type Sum } from './sum'

export interface LossPart {
  name: string
  areaM2: number
  uValue: number
  /** It lies against the ground, which follows the mean of the year and not the night. */
  ground?: boolean
}

/** Ground gives and takes so much more in the middle of winter than by the year's mean. EN 12831-1:2017, default. */
const GROUND_BY_SEASON = 1.45

/**
 * Heat loss at design temperatures: UA·ΔT of each part, and the air that leaks. What lies against the ground is weighed
 * by how far the inside is over the year's mean outside, and counts for nothing where it is under it.
 * @param parts areas m² and U-values W/m²K, 0 or more
 * @param volumeM3 of the house; @param airChangesPerHour 0–20
 */
export function designHeatLoss(
  parts: readonly LossPart[],
  volumeM3: number,
  airChangesPerHour: number,
  insideC: number,
  outsideC: number,
  yearMeanC: number,
): Sum<{ watts: number; uaWK: number }> {
  need('volume', volumeM3, 0)
  need('air changes', airChangesPerHour, 0, 20)
  for (const p of parts) {
    need(`area of ${p.name}`, p.areaM2, 0)
    need(`U-value of ${p.name}`, p.uValue, 0, 20)
  }
  const difference = insideC - outsideC
  const leak = (airChangesPerHour * volumeM3 * AIR_HEAT_M3) / 3600
  const byYear = difference > 0 ? (GROUND_BY_SEASON * Math.max(0, insideC - yearMeanC)) / difference : 1
  const ua = (p: LossPart) => p.areaM2 * p.uValue * (p.ground ? byYear : 1)
  const uaWK = parts.reduce((s, p) => s + ua(p), leak)
  return {
    result: { watts: uaWK * difference, uaWK },
    rule:
      'UA·ΔT, steady, as in EN 12831-1:2017; the ground by the mean of the year, 1.45 × (inside − year) ÷ ΔT, none ' +
      'where the inside is under it. Storage is left out: a real night is milder.',

    lines: [
      line('ΔT', 'inside less outside', difference, 'temperatureDifference'),
      ...parts.map(p => line('U·A', p.ground ? `${p.name}, by the year’s mean` : p.name, ua(p), 'conductance')),
      line('n·V·ρc', 'air leaks', leak, 'conductance'),
      line('UA', 'all together', uaWK, 'conductance'),
      line('Q', 'UA × ΔT', uaWK * difference, 'power'),
    ],
  }
}

/** Heat that a mass gives as it cools. Mass kg or water m³ as kg; specific heat J/kgK (water 4184). */
export function heatStored(massKg: number, specificHeat: number, fallK: number): Sum {
  need('mass', massKg, 0)
  need('specific heat', specificHeat, 100, 5000)
  const joules = massKg * specificHeat * fallK
  return {
    result: joules,
    rule: 'm·c·ΔT, by definition.',
    lines: [
      plain('m', 'mass', massKg, 'kg'),
      plain('c', 'specific heat', specificHeat, 'J/kgK'),
      line('ΔT', 'fall of its temperature', fallK, 'temperatureDifference'),
      line('Q', 'm × c × ΔT', joules, 'energy'),
    ],
  }
}

/** Heat that the ice in water would give as it freezes on top of cooling, J. */
export function heatOfFreezing(waterKg: number): Sum {
  need('water', waterKg, 0)
  return {
    result: waterKg * FUSION,
    rule: 'Latent heat of ice. Frozen vessels split.',
    lines: [
      plain('m', 'water', waterKg, 'kg'),
      plain('L', 'heat of ice', FUSION, 'J/kg'),
      line('Q', 'm × L', waterKg * FUSION, 'energy'),
    ],
  }
}

/** How long a store lasts against a loss, h: the sceptic's sum. */
export function hoursCovered(storedJ: number, lossW: number): Sum {
  need('heat stored', storedJ, 0)
  need('loss', lossW, 1e-9)
  const hours = storedJ / lossW / 3600
  return {
    result: hours,
    rule: 'Stored heat over a steady loss.',
    lines: [
      line('Q', 'heat in store', storedJ, 'energy'),
      line('P', 'loss at these temperatures', lossW, 'power'),
      line('t', 'Q ÷ P', hours, 'hours'),
    ],
  }
}

/**
 * How long a heater takes to warm moist soil, d, nothing lost meanwhile. Volume m³; heat of moist soil 2.4 MJ/m³K
 * (FAO; Campbell & Norman 1998: 2–3 by moisture).
 */
export function soilWarming(volumeM3: number, fromC: number, toC: number, watts: number): Sum {
  need('volume of the soil', volumeM3, 1e-6)
  need('output', watts, 1)
  const rise = Math.max(0, toC - fromC)
  const days = (volumeM3 * MOIST_SOIL * rise) / watts / 86400
  return {
    result: days,
    rule: 'Heat to warm the soil over the loop’s output. What the soil loses meanwhile makes it longer.',
    lines: [
      plain('V', 'soil of the beds', volumeM3, 'm³'),
      plain('C', 'heat of moist soil', MOIST_SOIL, 'J/m³K'),
      line('ΔT', 'to be warmed by', rise, 'temperatureDifference'),
      line('P', 'output of the loop', watts, 'power'),
      plain('t', 'V × C × ΔT ÷ P', days, 'days'),
    ],
  }
}
const MOIST_SOIL = 2.4e6

/** How much a day's sun warms a mass, K: what a dull day can do for a tonne of water. */
export function warmingBySun(sunJ: number, share: number, massKg: number, specificHeat = WATER_SPECIFIC_HEAT): Sum {
  need('share', share, 0, 1)
  need('mass', massKg, 1e-6)
  const rise = (sunJ * share) / (massKg * specificHeat)
  return {
    result: rise,
    rule: 'Sun taken in over m·c; losses of the day left out.',
    lines: [
      line('G', 'sun of the day', sunJ, 'energy'),
      line('s', 'share that the mass takes in', share, 'share'),
      plain('m·c', 'heat to warm it by a degree', massKg * specificHeat, 'J/K'),
      line('ΔT', 'G × s ÷ m·c', rise, 'temperatureDifference'),
    ],
  }
}

/** Sun that comes through glazing in a day, J. Irradiation on the pane J/m² a day; transmittances and shares 0–1. */
export function daySolarGain(irradiationJm2: number, areaM2: number, transmittance: number, paneShare: number): Sum {
  need('irradiation', irradiationJm2, 0)
  need('area', areaM2, 0)
  need('transmittance', transmittance, 0, 1)
  need('pane share', paneShare, 0, 1)
  const joules = irradiationJm2 * areaM2 * transmittance * paneShare
  return {
    result: joules,
    rule: 'Irradiation × area × transmittance × share that is not frame.',
    lines: [
      line('H', 'sun on the pane', irradiationJm2, 'insolation'),
      line('A', 'glazing', areaM2, 'area'),
      line('τ', 'let through', transmittance, 'share'),
      line('f', 'pane, not frame', paneShare, 'share'),
      line('Q', 'H × A × τ × f', joules, 'energy'),
    ],
  }
}

/** Light left after layers: the rule that each takes its share. Shares 0–1 for one layer of each. */
export function lightThroughLayers(layers: readonly { name: string; takes: number }[]): Sum {
  let left = 1
  const lines = layers.map(l => {
    need(`share of ${l.name}`, l.takes, 0, 1)
    left *= 1 - l.takes
    return line('× τ', `${l.name} lets through`, 1 - l.takes, 'share')
  })
  return {
    result: left,
    rule:
      'Each layer takes its share of what reaches it: 8–10 % for a plastic layer, 8 % for clear glass. ' +
      'Below about 70 % fruiting crops suffer.',
    lines: [...lines, line('τ', 'light left', left, 'share')],
  }
}

/**
 * Water in store by the rule of litres to a square metre of glazing. @param litresPerM2 80–200 by climate and purpose
 */
export function waterRule(
  glazingM2: number,
  litresPerM2: number,
  vesselM3: number,
): Sum<{ m3: number; vessels: number }> {
  need('glazing', glazingM2, 0)
  need('litres per m²', litresPerM2, 1, 1000)
  need('vessel', vesselM3, 1e-4)
  const m3 = (glazingM2 * litresPerM2) / 1000
  const vessels = Math.ceil(m3 / vesselM3 - 1e-9)
  return {
    result: { m3, vessels },
    rule:
      'So much to each area of glazing, from least to most by climate and purpose. Mass in direct sun works ' +
      'several times better than mass in shade.',
    lines: [
      line('A', 'glazing', glazingM2, 'area'),
      plain('r', 'rule', litresPerM2, 'L/m²'),
      line('V', 'A × r', m3, 'volume'),
      line('v', 'one vessel', vesselM3, 'volume'),
      line('n', 'vessels, rounded up', vessels, 'count'),
    ],
  }
}

/** Insulation that still pays: loss through an area with and without it, as heat over a year. Degree-hours in K·h. */
export function insulationSaves(areaM2: number, uBefore: number, uAfter: number, degreeHours: number): Sum {
  need('area', areaM2, 0)
  need('degree-hours', degreeHours, 0)
  need('U-value before', uBefore, 0, 20)
  need('U-value after', uAfter, 0, 20)
  const joules = areaM2 * (uBefore - uAfter) * degreeHours * 3600
  return {
    result: joules,
    rule:
      'A·ΔU times the year’s degree-hours. It holds where the house is heated all winter; unheated houses ' +
      'save less.',
    lines: [
      line('A', 'area', areaM2, 'area'),
      line('U₁', 'now', uBefore, 'transmittance'),
      line('U₂', 'insulated', uAfter, 'transmittance'),
      plain('Dh', 'degree-hours of the year', degreeHours, 'K·h'),
      line('Q', 'A × (U₁ − U₂) × Dh', joules, 'energy'),
    ],
  }
}
