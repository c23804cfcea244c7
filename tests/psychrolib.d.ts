/** What is used of an independent library of psychrometrics, which ships no types: °C, Pa, kg/kg. */
declare module 'psychrolib' {
  const psychrolib: {
    SI: number
    SetUnitSystem: (system: number) => void
    GetStandardAtmPressure: (elevationM: number) => number
    GetTWetBulbFromRelHum: (airC: number, humidity: number, pressurePa: number) => number
    GetSatVapPres: (airC: number) => number
    GetSatHumRatio: (airC: number, pressurePa: number) => number
    GetHumRatioFromVapPres: (vapourPa: number, pressurePa: number) => number
    GetTDewPointFromHumRatio: (airC: number, ratio: number, pressurePa: number) => number
  }
  export default psychrolib
}
