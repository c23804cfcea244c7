import { SCHEMA_VERSION, STEPS, type Design } from './types'

const timberWall = [
  { material: 'softwood', thicknessM: 0.022 },
  { material: 'eps', thicknessM: 0.1 },
  { material: 'plywood', thicknessM: 0.015 },
]

const hollowAsh: Design = {
  schemaVersion: SCHEMA_VERSION,
  id: 'hollow-ash',
  name: 'Hollow Ash Seed Library',
  decided: [...STEPS],
  aim: { lowestAirC: 2, highestAirC: 35 },
  site: {
    place: 'Hollow Ash, cold continental valley (invented)',
    latitudeDeg: 47.4, longitudeDeg: 14.9, elevationM: 640, timeZone: 'Europe/Vienna', soil: 'clay-soil', seed: 7,
    climate: {
      kind: 'normals',
      lowC: [-8.2, -6.9, -2.6, 1.8, 6.4, 10.1, 11.8, 11.4, 7.6, 3.1, -1.9, -6.3],
      highC: [0.4, 3.6, 9.1, 14.3, 19.2, 22.8, 25.1, 24.4, 19.6, 13.3, 5.8, 0.9],
    },
  },
  shape: {
    form: 'saltbox', turnDeg: 8, lengthM: 9, widthM: 4.6, kneeWallM: 0.75, ridgeHeightM: 3.3, ridgeAtM: 3.45, backWallM: 2.3,
    beds: [{ atM: 0.15, widthM: 1.1, heightM: 0.6 }, { atM: 2.2, widthM: 0.95, heightM: 0.6 }],
  },
  skin: {
    glazing: 'twinwall-10', poleSlope: 'solid', endsGlazedShare: 0.2, wall: timberWall,
    roof: [{ material: 'steel-sheet', thicknessM: 0.001 }, { material: 'wood-fibre', thicknessM: 0.18 }, { material: 'plywood', thicknessM: 0.015 }],
    cover: { id: 'quilt', afterSunsetH: 0, afterSunriseH: 0.5, onlyBelowC: 10 },
    edge: { material: 'xps', thicknessM: 0.05, depthM: 0.8 },
  },
  store: {
    barrels: { count: 14, vessel: 'barrel-200', colour: 'dark-red', place: 'back', stack: 2, raisedM: 0.35 },
    massWall: { material: 'concrete-block', thicknessM: 0.2 },
    floor: { material: 'gravel', thicknessM: 0.08 },
  },
  breathe: { leakage: 'tight', vents: { lowM2: 6.5, highM2: 6.5, startC: 20, fullC: 29 } },
  topUp: { heater: { on: false, capacityW: 3000, setPointC: 2, fuel: 'electricity', pricePerKWh: 0.28, currency: 'EUR' } },
}

const riberaAlta: Design = {
  schemaVersion: SCHEMA_VERSION,
  id: 'ribera-alta',
  name: 'Escuela Ribera Alta',
  decided: [...STEPS],
  aim: { lowestAirC: 5, highestAirC: 36 },
  site: {
    place: 'Ribera Alta, windy steppe (invented)',
    latitudeDeg: -46.2, longitudeDeg: -70.4, elevationM: 380, timeZone: 'America/Argentina/Buenos_Aires', soil: 'sandy-soil', seed: 4,
    climate: {
      kind: 'normals',
      lowC: [9.4, 8.7, 6.3, 3.1, 0.2, -2.4, -2.9, -1.7, 0.4, 3.2, 6.1, 8.3],
      highC: [23.6, 22.9, 19.4, 14.8, 9.7, 6.1, 5.8, 8.4, 12.1, 16.2, 19.7, 22.1],
    },
  },
  shape: {
    form: 'gable', turnDeg: 0, lengthM: 12, widthM: 6, kneeWallM: 1, ridgeHeightM: 3.6, ridgeAtM: 3, backWallM: 1,
    beds: [{ atM: 0.2, widthM: 1.3, heightM: 0.4 }, { atM: 2.4, widthM: 1.3, heightM: 0.4 }],
  },
  skin: {
    glazing: 'twinwall-10', poleSlope: 'solid', endsGlazedShare: 0.15,
    wall: [{ material: 'softwood', thicknessM: 0.022 }, { material: 'wood-fibre', thicknessM: 0.14 }, { material: 'plywood', thicknessM: 0.015 }],
    roof: [{ material: 'steel-sheet', thicknessM: 0.001 }, { material: 'wood-fibre', thicknessM: 0.18 }, { material: 'plywood', thicknessM: 0.015 }],
    cover: { id: 'thermal-screen', afterSunsetH: 0, afterSunriseH: 0.5, onlyBelowC: 10 },
    edge: { material: 'xps', thicknessM: 0.05, depthM: 0.6 },
  },
  store: {
    barrels: { count: 10, vessel: 'barrel-200', colour: 'black', place: 'back', stack: 1, raisedM: 0.1 },
    massWall: { material: 'stone', thicknessM: 0.3 },
    floor: { material: 'gravel', thicknessM: 0.08 },
  },
  breathe: { leakage: 'usual', vents: { lowM2: 11, highM2: 11, startC: 20, fullC: 29 } },
  topUp: { heater: { on: true, capacityW: 5000, setPointC: 6, fuel: 'wood', pricePerKWh: 0.06, currency: 'EUR' } },
}

/** The demo designs, in the order in which they are listed. Places and groups are invented. */
export const DEMOS: readonly Design[] = [hollowAsh, riberaAlta]

/** A complete design to bend: a plain lean shape at a middling place, with every step at its default. */
export function startingDesign(id: string, name: string): Design {
  return {
    ...hollowAsh,
    id, name, decided: [],
    site: { ...hollowAsh.site, place: 'Place not named yet', seed: 1 },
    shape: { ...hollowAsh.shape, turnDeg: 0, lengthM: 6, beds: hollowAsh.shape.beds.map(b => ({ ...b })) },
    skin: { ...hollowAsh.skin, cover: { ...hollowAsh.skin.cover, id: 'none' } },
    store: { ...hollowAsh.store, barrels: { ...hollowAsh.store.barrels, count: 6, colour: 'black' }, massWall: { material: 'concrete-block', thicknessM: 0 } },
    breathe: { leakage: 'usual', vents: { lowM2: 4.5, highM2: 4.5, startC: 20, fullC: 29 } },
  }
}
