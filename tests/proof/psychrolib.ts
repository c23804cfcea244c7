// eslint-disable-next-line @typescript-eslint/ban-ts-comment
// @ts-ignore -- it ships no types
import library from 'psychrolib'

/** What is used of an independent library of psychrometrics: °C, Pa, kg/kg. */
interface Psychrometrics {
  SI: number
  SetUnitSystem: (system: number) => void
  GetStandardAtmPressure: (elevationM: number) => number
  GetSatVapPres: (airC: number) => number
  GetSatHumRatio: (airC: number, pressurePa: number) => number
  GetHumRatioFromVapPres: (vapourPa: number, pressurePa: number) => number
  GetTDewPointFromHumRatio: (airC: number, ratio: number, pressurePa: number) => number
}

export const psychrolib = library as Psychrometrics
