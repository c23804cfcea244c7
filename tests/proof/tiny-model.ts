import { HOURS, type SiteYear } from '../../core/climate'
import type { NetworkModel } from '../../core/network/model'

/** A site of one unchanging, dark hour: no sun, no wind, sky as warm as the air. */
export function steadySite(outsideC: number): SiteYear {
  const flat = (v: number) => new Float32Array(HOURS).fill(v)
  return {
    latitudeDeg: 47, longitudeDeg: 15, standardOffsetH: 1, dryBulbC: flat(outsideC), dewPointC: flat(outsideC - 5), pressurePa: flat(101325), globalWm2: flat(0), beamWm2: flat(0),
    diffuseWm2: flat(0), skyInfraredWm2: flat(5.670374e-8 * (outsideC + 273.15) ** 4), windMs: flat(0), cloud: flat(0), notes: [], sunAltitudeDeg: flat(-10), sunAzimuthDeg: flat(0),
    extraterrestrialWm2: flat(1361), ground: { meanC: outsideC, amplitudeK: 0, coldestDay: 15 },
  }
}

/** A room of water behind one massless wall: nothing else. The wall's conductance is so small that the films do not count. */
export function waterRoom(options: { wallWK: number, waterKg: number }): NetworkModel {
  const none = new Float32Array(HOURS)
  const area = 200
  return {
    count: 2, offset: Int32Array.from([0, 2, 4]), capacity: Float64Array.from([0, 0, options.waterKg * 4184, 0]), between: Float64Array.from([options.wallWK, 0, 1e5, 0]),
    lateral: new Float64Array(4), groundCell: Int32Array.from([-1, -1, -1, -1]), tie: Int32Array.from([0, 2]), area: Float64Array.from([area, area]), facingUp: new Float64Array(2),
    skyView: new Float64Array(2), longwaveThrough: new Float64Array(2), deep: new Float64Array(2), glazed: new Uint8Array(2), openBetween: Float64Array.from([options.wallWK, 1e5]),
    coveredBetween: new Float64Array(2), lossIndex: new Int32Array(2), faceSun: [none, none], paneSun: [none, none], outerSun: [none, none], undisturbed: new Float64Array(365),
    undisturbedRow: 1, drawn: none, coverLeak: 0, bed: -1, water: 1, bedAreaM2: 0, bedLight: none, leakAreaM2: 0, vents: { lowM2: 0, highM2: 0, riseM: 1 }, startC: 20, fullC: 30,
    airMassKg: 1e-6, airCapacity: 1e-3, waterKg: options.waterKg, probes: { soil: 2, water: 2, floor: 3, backWall: 1, glazing: 1 },
  }
}
