/**
 * An illustrative climate to begin with: not a place, and said to be so. Monthly means for the northern hemisphere,
 * January first.
 */
export interface ClimateType {
  id: string
  name: string
  lowC: readonly number[]
  highC: readonly number[]
  sunshineH: readonly number[]
  snowDays: readonly number[]
}

const months = (...v: number[]): readonly number[] => v
const none = months(0, 0, 0, 0, 0, 0, 0, 0, 0, 0, 0, 0)

/** Rounded from no one place: each is drawn to be typical of its kind. */
export const CLIMATE_TYPES: readonly ClimateType[] = [
  {
    id: 'continental',
    name: 'Cold continental: hard winters, warm summers',
    lowC: months(-9, -8, -3, 2, 7, 11, 13, 12, 8, 3, -2, -7),
    highC: months(-1, 2, 8, 15, 20, 24, 26, 25, 20, 13, 6, 0),
    sunshineH: months(2.4, 3.6, 4.8, 6, 7.4, 8, 8.4, 7.8, 6, 4.2, 2.3, 1.8),
    snowDays: months(24, 20, 9, 1, 0, 0, 0, 0, 0, 0, 5, 18),
  },
  {
    id: 'oceanic',
    name: 'Mild and dull by the sea',
    lowC: months(2, 2, 3, 5, 8, 11, 13, 13, 11, 8, 5, 3),
    highC: months(7, 8, 10, 13, 17, 20, 22, 22, 19, 14, 10, 8),
    sunshineH: months(1.6, 2.5, 3.7, 5.4, 6.3, 6.4, 6.2, 5.8, 4.7, 3.2, 2, 1.4),
    snowDays: months(3, 3, 1, 0, 0, 0, 0, 0, 0, 0, 0, 1),
  },
  {
    id: 'mediterranean',
    name: 'Wet mild winters, dry hot summers',
    lowC: months(4, 4, 6, 9, 13, 17, 20, 20, 17, 13, 8, 5),
    highC: months(12, 13, 16, 19, 24, 28, 31, 31, 27, 22, 17, 13),
    sunshineH: months(4.5, 5.4, 6.3, 7.5, 9, 10.5, 11.3, 10.4, 8.3, 6.4, 4.9, 4.2),
    snowDays: none,
  },
  {
    id: 'steppe',
    name: 'High dry steppe: clear cold nights, strong sun',
    lowC: months(-9, -7, -3, 1, 5, 9, 12, 12, 7, 2, -4, -8),
    highC: months(3, 5, 10, 15, 20, 26, 29, 29, 24, 17, 9, 4),
    sunshineH: months(5.2, 6, 7, 8, 9.4, 10.8, 11.2, 10.6, 9.4, 7.8, 6, 5),
    snowDays: months(10, 8, 5, 2, 0, 0, 0, 0, 0, 1, 4, 9),
  },
  {
    id: 'boreal',
    name: 'Northern forest: long snow, short light',
    lowC: months(-16, -15, -10, -3, 3, 8, 11, 9, 4, -1, -8, -13),
    highC: months(-8, -6, 0, 7, 14, 19, 21, 19, 13, 6, -1, -6),
    sunshineH: months(1, 2.6, 4.6, 6.2, 8, 8.8, 8.4, 6.8, 4.6, 2.6, 1.2, 0.6),
    snowDays: months(31, 28, 30, 18, 1, 0, 0, 0, 0, 5, 20, 30),
  },
  {
    id: 'humid-subtropical',
    name: 'Humid: short cool winters, hot damp summers',
    lowC: months(0, 2, 6, 10, 15, 20, 22, 22, 18, 12, 6, 2),
    highC: months(10, 13, 17, 22, 26, 30, 32, 31, 28, 23, 17, 12),
    sunshineH: months(5, 5.6, 6.3, 7.2, 7.8, 8.2, 8.2, 7.8, 7, 6.6, 5.6, 4.8),
    snowDays: months(2, 1, 0, 0, 0, 0, 0, 0, 0, 0, 0, 1),
  },
  {
    id: 'polar',
    name: 'Polar coast: no sun in midwinter',
    lowC: months(-16, -17, -17, -13, -6, -1, 3, 2, -2, -7, -11, -14),
    highC: months(-9, -10, -10, -6, 0, 4, 8, 7, 3, -2, -5, -8),
    sunshineH: months(0, 1.4, 4.4, 7.4, 8, 7, 6.6, 4.6, 2.8, 1.6, 0.3, 0),
    snowDays: months(31, 28, 31, 30, 28, 8, 0, 0, 6, 22, 30, 31),
  },
  {
    id: 'inland',
    name: 'Mild inland: grey winters with frost, warm summers',
    lowC: months(-3, -2, 1, 4, 8, 12, 14, 13, 10, 6, 2, -1),
    highC: months(3, 5, 10, 15, 20, 23, 25, 25, 20, 14, 8, 4),
    sunshineH: months(1.7, 2.7, 4.1, 5.8, 7, 7.4, 7.7, 7.2, 5.3, 3.6, 1.9, 1.4),
    snowDays: months(10, 7, 3, 0, 0, 0, 0, 0, 0, 0, 1, 6),
  },
  {
    id: 'humid-continental',
    name: 'Cold bright winters, hot damp summers',
    lowC: months(-10, -8, -2, 4, 10, 15, 18, 17, 12, 5, -1, -7),
    highC: months(-1, 2, 9, 16, 22, 27, 30, 29, 24, 17, 8, 1),
    sunshineH: months(4.5, 5.3, 6, 7, 8, 9.2, 9.6, 8.9, 7.6, 6, 4.2, 3.9),
    snowDays: months(18, 14, 6, 1, 0, 0, 0, 0, 0, 0, 3, 12),
  },
  {
    id: 'subarctic-coast',
    name: 'Cool wet northern coast: long grey winters, no heat in summer',
    lowC: months(-3, -3, -2, 0, 4, 7, 9, 9, 6, 3, 0, -2),
    highC: months(2, 2, 4, 7, 11, 14, 16, 15, 12, 8, 4, 2),
    sunshineH: months(0.7, 2, 3.5, 5, 6, 6, 5.5, 5, 3.8, 2.4, 1, 0.4),
    snowDays: months(14, 13, 11, 5, 0, 0, 0, 0, 0, 1, 6, 12),
  },
  {
    id: 'desert',
    name: 'Hot dry land: cool nights, fierce summers',
    lowC: months(4, 6, 9, 13, 17, 22, 25, 25, 21, 15, 8, 4),
    highC: months(18, 20, 24, 29, 34, 39, 41, 40, 37, 30, 23, 18),
    sunshineH: months(7.5, 8.2, 8.9, 10, 11.2, 12, 11.4, 11, 10.2, 9.2, 8, 7.2),
    snowDays: none,
  },
  {
    id: 'warm-highland',
    name: 'High land in the warm belt: cool nights all year',
    lowC: months(7, 8, 10, 11, 12, 12, 11, 11, 11, 10, 9, 7),
    highC: months(22, 23, 24, 25, 24, 23, 22, 22, 22, 22, 22, 22),
    sunshineH: months(7.4, 7.4, 7, 6.6, 6.2, 5.6, 5.2, 5.4, 5.4, 6, 6.8, 7.2),
    snowDays: none,
  },
  {
    id: 'tropical',
    name: 'Warm and damp all the year',
    lowC: months(20, 20, 21, 22, 23, 23, 23, 23, 23, 22, 21, 20),
    highC: months(29, 30, 31, 32, 32, 31, 31, 31, 31, 31, 30, 29),
    sunshineH: months(7, 7.3, 7.4, 7.2, 6.8, 6, 6, 6.2, 6, 6.4, 6.6, 6.8),
    snowDays: none,
  },
]

/** A type's months as they fall in a hemisphere: south of the equator half a year on. */
export function climateMonths(
  type: ClimateType,
  latitudeDeg: number,
): { lowC: number[]; highC: number[]; sunshineH: number[]; snowDays: number[] } {
  const turn = (a: readonly number[]) => a.map((_, m) => a[(m + (latitudeDeg >= 0 ? 0 : 6)) % 12]!)
  return {
    lowC: turn(type.lowC),
    highC: turn(type.highC),
    sunshineH: turn(type.sunshineH),
    snowDays: turn(type.snowDays),
  }
}
