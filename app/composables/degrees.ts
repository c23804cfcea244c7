import { fromShown, toShown, type UnitSystem } from '../../core/units'

/** °C as the reader's degrees, and back: what lines at round ones are found by. */
export const degrees = (units: UnitSystem) => ({
  to: (c: number) => toShown(c, 'temperature', units),
  from: (v: number) => fromShown(v, 'temperature', units),
})
