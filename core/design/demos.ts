import { aBed } from '../beds/registry'
import { bedAt, benchAt, completeDesign } from './complete'
import { DOOR } from '../openings/door'
import { ROLL_UP } from '../openings/roll-up'
import { VENT } from '../openings/vent'
import { NO_LIFE } from '../bodies/common'
import { WITH_WATER } from '../bodies/contents'
import { anAirStore } from '../air-stores/registry'
import { aSource } from '../sources/registry'
import { startOf } from './field'
import { SCHEMA_VERSION, STEPS, type Body, type Design, type Opening } from './types'
import { airedBy, airedDome, barrels, timberWall, type Of } from './usual'

/** A plain house at a middling place: the first demo and the starter design are made from it. */
const plainHouse = completeDesign({
  schemaVersion: SCHEMA_VERSION,
  id: 'hollow-ash',
  name: 'Hollow Ash Seed Library',
  decided: [...STEPS],
  aim: { lowestAirC: 2, highestAirC: 35 },
  site: {
    place: 'Hollow Ash, cold continental valley (invented)',
    latitudeDeg: 47.4,
    longitudeDeg: 14.9,
    elevationM: 640,
    timeZone: 'Europe/Vienna',
    soil: 'clay-soil',
    seed: 7,
    climate: {
      kind: 'normals',
      lowC: [-8.2, -6.9, -2.6, 1.8, 6.4, 10.1, 11.8, 11.4, 7.6, 3.1, -1.9, -6.3],
      highC: [0.4, 3.6, 9.1, 14.3, 19.2, 22.8, 25.1, 24.4, 19.6, 13.3, 5.8, 0.9],
    },
    survey: {
      plot: {
        sunnyM: 14,
        poleM: 4.5,
        eastM: 11,
        westM: 3.2,
        buildingM: 18,
        drainNote: 'into the tank, and on to the pond',
      },
    },
  },
  shape: {
    form: 'saltbox',
    turnDeg: 8,
    lengthM: 9,
    widthM: 4.6,
    kneeWallM: 0.75,
    ridgeHeightM: 3.3,
    ridgeAtM: 3.45,
    backWallM: 2.3,
    beds: [bedAt(0.15, 1.1, 0.6), bedAt(2.2, 0.95, 0.6)],
  },
  skin: {
    glazing: 'twinwall-10',
    parts: { eastEnd: { glazedShare: 0.2 }, westEnd: { glazedShare: 0.2 } },
    wall: timberWall(),
    roof: [
      { material: 'steel-sheet', thicknessM: 0.001 },
      { material: 'wood-fibre', thicknessM: 0.18 },
      { material: 'plywood', thicknessM: 0.015 },
    ],
    openings: airedBy(6.5, 9, { offsetM: -0.57 }),
    cover: { id: 'quilt', afterSunsetH: 0, afterSunriseH: 0.5, onlyBelowC: 10 },
    edge: { material: 'xps', thicknessM: 0.05, depthM: 0.8 },
  },
  store: {
    bodies: [barrels(14, 'dark-red', 2, 0.35, 3.97)],
    linings: [{ part: 'backWall', material: 'concrete-block', thicknessM: 0.2 }],
    floor: { rest: [{ material: 'gravel', thicknessM: 0.08 }] },
  },
  breathe: { leakage: 'tight' },
  topUp: { sources: [aSource('heater', { on: false, setPointC: 2 })] },
  build: { foundation: { kind: 'rubble trench', depthM: 1, widthM: 0.35 }, plan: { startOn: '2027-04-05' } },
})

/** Double glass stands upright in front; the roof over the ridge of the glazing is solid. */
const hollowAsh: Design = {
  ...plainHouse,
  shape: {
    ...plainHouse.shape,
    ridgeHeightM: 3.6,
    front: true,
    breakAtM: 0,
    breakHeightM: 1.45,
    // Both end a way before the door's end.
    beds: [
      aBed('keyhole bed', {
        atM: 0.15,
        widthM: 1.1,
        heightM: 0.6,
        lengthM: 8.2,
        offsetM: -0.4,
        notches: 4,
        notchDeepM: 0.7,
      }),
      bedAt(2.2, 0.95, 0.6, { lengthM: 8.2, offsetM: -0.4 }),
    ],
  },
  skin: {
    ...plainHouse.skin,
    openings: airedBy(6.5, 9, { offsetM: -0.57 }, { part: 'front', heightM: 0.45, sillM: 0.05, leaf: 'sheet' }),
    parts: {
      ...plainHouse.skin.parts,
      front: { ...plainHouse.skin.parts.front, glazing: 'glass-2' },
      sunnySlope: { ...plainHouse.skin.parts.sunnySlope, solidTopM: 0.9 },
    },
  },
}

const riberaAlta = completeDesign({
  schemaVersion: SCHEMA_VERSION,
  id: 'ribera-alta',
  name: 'Escuela Ribera Alta',
  decided: [...STEPS],
  aim: { lowestAirC: 5, highestAirC: 36 },
  site: {
    place: 'Ribera Alta, windy steppe (invented)',
    latitudeDeg: -46.2,
    longitudeDeg: -70.4,
    elevationM: 380,
    timeZone: 'America/Argentina/Buenos_Aires',
    windFromDeg: 270,
    shelter: 'open',
    soil: 'sandy-soil',
    seed: 4,
    climate: {
      kind: 'normals',
      lowC: [9.4, 8.7, 6.3, 3.1, 0.2, -2.4, -2.9, -1.7, 0.4, 3.2, 6.1, 8.3],
      highC: [23.6, 22.9, 19.4, 14.8, 9.7, 6.1, 5.8, 8.4, 12.1, 16.2, 19.7, 22.1],
    },
  },
  shape: {
    form: 'gable',
    turnDeg: 0,
    lengthM: 12,
    widthM: 6,
    kneeWallM: 1,
    ridgeHeightM: 3.6,
    ridgeAtM: 3,
    backWallM: 1,
    // As far as arms reach from the path, and in two with a way between them.
    beds: [
      bedAt(0.1, 0.75, 0.4),
      bedAt(2.2, 1.4, 0.4, { lengthM: 5.3, offsetM: -3.35 }),
      bedAt(2.2, 1.4, 0.4, { lengthM: 5.3, offsetM: 2.55 }),
    ],
  },
  skin: {
    glazing: 'twinwall-10',
    parts: { eastEnd: { glazedShare: 0.15 }, westEnd: { glazedShare: 0.15 } },
    wall: [
      { material: 'softwood', thicknessM: 0.022 },
      { material: 'wood-fibre', thicknessM: 0.14 },
      { material: 'plywood', thicknessM: 0.015 },
    ],
    roof: [
      { material: 'steel-sheet', thicknessM: 0.001 },
      { material: 'wood-fibre', thicknessM: 0.18 },
      { material: 'plywood', thicknessM: 0.015 },
    ],
    openings: [
      // In the knee wall, over the bed behind it.
      ...airedBy(11, 12, { offsetM: 1.35 }, { part: 'kneeWall', heightM: 0.45, sillM: 0.45, leaf: 'panel' }),
      // Opposite the low vents, so that the wind goes through.
      {
        ...(startOf(VENT.fields) as Of<'vent'>),
        kind: 'vent',
        part: 'poleSlope',
        count: 8,
        widthM: 1,
        heightM: 0.5,
        sillM: 0.15,
      },
    ],
    cover: { id: 'thermal-screen', afterSunsetH: 0, afterSunriseH: 0.5, onlyBelowC: 10 },
    edge: { material: 'xps', thicknessM: 0.05, depthM: 0.6 },
  },
  store: {
    bodies: [barrels(10, 'black', 1, 0.1, 5.37)],
    linings: [{ part: 'backWall', material: 'stone', thicknessM: 0.3 }],
    floor: { rest: [{ material: 'gravel', thicknessM: 0.08 }] },
    airStores: [anAirStore('earth store', { pipes: 12, pipeLengthM: 11 })],
  },
  breathe: { leakage: 'usual' },
  topUp: { sources: [aSource('stove', { belowC: -3, powerW: 3000 })] },
  build: { foundation: { kind: 'grade beam', depthM: 0.5 }, frame: { thickM: 0.045, deepM: 0.145 } },
})

const fjellro = completeDesign({
  schemaVersion: SCHEMA_VERSION,
  id: 'fjellro',
  name: 'Fjellro Orchard',
  decided: [...STEPS],
  aim: {
    lowestAirC: 4,
    highestAirC: 34,
    crops: [
      {
        id: 'kale',
        needs: null,
        months: ['hold', 'hold', 'grow', 'grow', 'grow', '', '', 'grow', 'grow', 'grow', 'hold', 'hold'],
      },
      {
        id: 'strawberry',
        needs: null,
        months: ['hold', 'hold', 'hold', 'grow', 'grow', 'grow', 'grow', 'grow', 'hold', 'hold', 'hold', 'hold'],
      },
      { id: 'tomato', needs: null, months: ['', '', '', '', 'grow', 'grow', 'grow', 'grow', 'grow', '', '', ''] },
    ],
  },
  site: {
    place: 'Fjellro, snowy slope (invented)',
    latitudeDeg: 61.3,
    longitudeDeg: 9.6,
    elevationM: 210,
    timeZone: 'Europe/Oslo',
    soil: 'sandy-soil',
    seed: 12,
    climate: {
      kind: 'normals',
      lowC: [-11.6, -11.1, -7.2, -2.1, 3.1, 7.6, 10.1, 9.2, 5.2, 0.6, -5.1, -10.1],
      highC: [-4.2, -2.4, 2.8, 8.4, 14.9, 18.8, 20.6, 19.1, 13.7, 6.9, 0.4, -3.4],
      sunshineH: [0.9, 2.4, 4.6, 5.9, 7.2, 7.6, 7.1, 6.1, 4.2, 2.4, 1.1, 0.4],
      snowDays: [31, 28, 30, 14, 0, 0, 0, 0, 0, 2, 14, 28],
    },
    horizon: [
      { azimuthDeg: 90, altitudeDeg: 6, kind: 'solid' },
      { azimuthDeg: 150, altitudeDeg: 3, kind: 'solid' },
      { azimuthDeg: 230, altitudeDeg: 3, kind: 'solid' },
      { azimuthDeg: 270, altitudeDeg: 9, kind: 'solid' },
    ],
  },
  shape: {
    form: 'lean-to',
    turnDeg: -6,
    lengthM: 7,
    widthM: 3.2,
    kneeWallM: 1,
    ridgeHeightM: 3.4,
    ridgeAtM: 3.2,
    backWallM: 3.4,
    sunkM: 0.8,
    house: { heightM: 6.2, beyondM: 4, airC: 19 },
    beds: [bedAt(0.1, 0.75, 0.7)],
    benches: [benchAt(1.95, 0.5, 0.8, { lengthM: 5.2, offsetM: -0.9 })],
  },
  skin: {
    glazing: 'glass-2',
    parts: { eastEnd: { glazedShare: 0.3 }, westEnd: { glazedShare: 0.3 } },
    wall: [
      { material: 'softwood', thicknessM: 0.022 },
      { material: 'eps', thicknessM: 0.15 },
      { material: 'plywood', thicknessM: 0.015 },
    ],
    roof: [
      { material: 'steel-sheet', thicknessM: 0.001 },
      { material: 'wood-fibre', thicknessM: 0.2 },
      { material: 'plywood', thicknessM: 0.015 },
    ],
    openings: [
      ...airedBy(3, 7, { offsetM: -0.05, widthM: 0.8, heightM: 1.85 }),
      {
        ...(startOf(DOOR.fields) as Of<'door'>),
        kind: 'door',
        part: 'backWall',
        offsetM: 2,
        openingsPerDay: 6,
        openS: 20,
      },
    ],
    cover: { id: 'quilt', place: 'inside', afterSunsetH: 0, afterSunriseH: 0.5, onlyBelowC: 8 },
    edge: { material: 'xps', thicknessM: 0.08, depthM: 1.4 },
  },
  store: {
    bodies: [
      // Clear of the door into the house.
      { ...barrels(6, 'black', 1, 0.1, 2.57), lengthM: 4.2, offsetM: -1.3 } as Body,
      {
        kind: 'crates',
        vessel: 'bottle-2',
        count: 140,
        colour: 'black',
        atM: 2,
        widthM: 0.4,
        heightM: 0.4,
        lengthM: 3,
        offsetM: 0,
        ...WITH_WATER,
      },
    ],
    linings: [{ part: 'backWall', material: 'brick', thicknessM: 0.12 }],
    floor: { rest: [{ material: 'brick', thicknessM: 0.06 }] },
  },
  breathe: { leakage: 'tight', lobby: { areaM2: 2.5 } },
  build: { foundation: { kind: 'insulated forms', depthM: 1.7, drain: 0.9 } },
  topUp: {
    sources: [
      aSource('heater', { setPointC: 4, pricePerKWh: 0.14 }),
      aSource('lamps', { powerW: 400, fromH: 6, untilH: 10, molPerMJ: 2.6, months: [10, 11, 12, 1, 2, 3] }),
    ],
  },
})

const saritas = completeDesign({
  schemaVersion: SCHEMA_VERSION,
  id: 'saritas',
  name: 'Sarıtaş Plateau School',
  decided: [...STEPS],
  aim: { lowestAirC: 3, highestAirC: 35 },
  site: {
    place: 'Sarıtaş, high sunny steppe (invented)',
    latitudeDeg: 41.2,
    longitudeDeg: 35.6,
    elevationM: 1650,
    timeZone: 'Europe/Istanbul',
    soil: 'clay-soil',
    seed: 21,
    climate: {
      kind: 'normals',
      lowC: [-10.4, -9.1, -4.2, 0.9, 4.6, 7.8, 10.6, 10.4, 6.2, 1.9, -3.4, -8.1],
      highC: [0.9, 2.8, 8.4, 14.6, 19.4, 23.8, 27.6, 27.9, 23.4, 17, 9.2, 3],
      sunshineH: [3.9, 4.9, 6, 7.2, 9, 10.9, 11.9, 11.4, 9.6, 7.2, 5.4, 3.8],
    },
  },
  shape: {
    form: 'dome',
    turnDeg: 0,
    lengthM: 7,
    widthM: 7,
    kneeWallM: 0.6,
    ridgeHeightM: 3.8,
    ridgeAtM: 3.5,
    backWallM: 0.6,
    // Round the rim from the tank to the door, and an island.
    beds: [
      aBed('rim bed', { aroundDeg: -10, spanDeg: 200, widthM: 0.75, heightM: 0.4 }),
      bedAt(2.8, 1.2, 0.4, { lengthM: 2.8 }),
    ],
  },
  skin: {
    glazing: 'twinwall-10',
    wall: timberWall(),
    roof: [
      { material: 'plywood', thicknessM: 0.012 },
      { material: 'pir', thicknessM: 0.08 },
      { material: 'plywood', thicknessM: 0.012 },
    ],
    finish: { wall: 'bare', roof: 'foil' },
    // The door stands one facet on from the east, where the path comes out.
    openings: airedDome(4, 7, 0.6, 21, -1.81),
    cover: { id: 'none', afterSunsetH: 0, afterSunriseH: 0.5, onlyBelowC: 10 },
    edge: { material: 'xps', thicknessM: 0.05, depthM: 0.6 },
  },
  store: {
    bodies: [
      {
        kind: 'tank',
        lengthM: 3.4,
        widthM: 1.1,
        heightM: 1,
        atM: 5.4,
        offsetM: 0,
        colour: 'black',
        openShare: 1,
        ...NO_LIFE,
        ...WITH_WATER,
      },
    ],
    floor: { rest: [{ material: 'gravel', thicknessM: 0.08 }] },
  },
  breathe: {
    leakage: 'usual',
    people: {
      visits: [{ who: 'Classes', days: 'weekdays', fromH: 8, untilH: 16 }],
      spans: [
        { name: 'Summer holidays', there: 'away', from: '06-16', until: '09-08' },
        { name: 'Winter holidays', there: 'away', from: '01-22', until: '02-04' },
      ],
    },
  },
  topUp: { sources: [aSource('heater', { on: false, fuel: 'wood', pricePerKWh: 0.05 })] },
  build: { foundation: { kind: 'piles', apartM: 1.8 } },
})

const film = { material: 'plywood', thicknessM: 0.012 }

const marschwinkel = completeDesign({
  schemaVersion: SCHEMA_VERSION,
  id: 'marschwinkel',
  name: 'Marschwinkel Growers',
  decided: [...STEPS],
  aim: {
    lowestAirC: -2,
    highestAirC: 34,
    crops: [
      {
        id: 'kale',
        needs: null,
        months: ['hold', 'hold', 'grow', 'grow', '', '', '', 'grow', 'grow', 'grow', 'hold', 'hold'],
      },
      { id: 'tomato', needs: null, months: ['', '', '', '', '', 'grow', 'grow', 'grow', 'grow', '', '', ''] },
    ],
  },
  site: {
    place: 'Marschwinkel, windy lowland by the sea (invented)',
    latitudeDeg: 53.7,
    longitudeDeg: 8.9,
    elevationM: 4,
    timeZone: 'Europe/Berlin',
    soil: 'clay-soil',
    seed: 5,
    windFromDeg: 255,
    shelter: 'open',
    climate: {
      kind: 'normals',
      lowC: [-0.7, -0.8, 1.1, 3.5, 7.3, 10.5, 12.8, 12.6, 10, 6.6, 3, 0.5],
      highC: [3.5, 4.2, 7.8, 12.4, 16.6, 19.3, 21.7, 21.8, 18.3, 13.2, 7.9, 4.7],
      sunshineH: [1.3, 2.3, 3.8, 5.8, 7.2, 7.1, 6.9, 6.6, 4.9, 3.3, 1.8, 1.1],
      windMs: [6.9, 6.5, 6.3, 5.6, 5.3, 5.2, 5.1, 5.1, 5.5, 6.1, 6.5, 6.8],
    },
  },
  shape: {
    form: 'hoop',
    turnDeg: 15,
    lengthM: 30,
    widthM: 8,
    kneeWallM: 0.5,
    ridgeHeightM: 3.4,
    ridgeAtM: 4,
    backWallM: 0.5,
    // Between doors in both ends: as far as arms reach from one side, and from both.
    beds: [0.2, 1.5, 5.1, 7.05].map((atM, i) => bedAt(atM, i % 3 === 0 ? 0.75 : 1.4, 0.15, { lengthM: 28.4 })),
  },
  skin: {
    glazing: 'film-2',
    wall: [film],
    roof: [film],
    parts: { poleSlope: { kind: 'glazed' }, eastEnd: { kind: 'glazed' }, westEnd: { kind: 'glazed' } },
    openings: [
      // Somebody rolls the sides up on warm mornings, and down when the work is done.
      ...(['sunnySlope', 'poleSlope'] as const).map(
        (part): Opening => ({
          ...(startOf(ROLL_UP.fields) as Of<'roll-up side'>),
          kind: 'roll-up side',
          part,
          lengthM: 28,
          heightM: 0.9,
          startC: 22,
          fullC: 30,
          days: 'every day',
          fromH: 7,
          untilH: 20,
          winter: 'shut',
        }),
      ),
      ...(['eastEnd', 'westEnd'] as const).map(
        (part): Opening => ({
          ...(startOf(DOOR.fields) as Of<'door'>),
          kind: 'door',
          part,
          widthM: 2,
          heightM: 2.2,
          offsetM: 0,
          openingsPerDay: 10,
          openS: 30,
          how: 'motor',
          startC: 24,
          fullC: 30,
        }),
      ),
    ],
    cover: { id: 'none', afterSunsetH: 0, afterSunriseH: 0.5, onlyBelowC: 8 },
    edge: { material: 'xps', thicknessM: 0, depthM: 0.3 },
  },
  store: { bodies: [], floor: { rest: [{ material: 'gravel', thicknessM: 0 }] } },
  breathe: { leakage: 'usual', rowCover: { on: true, belowC: 3 } },
  topUp: { sources: [aSource('bed loop', { capacityW: 6000, setPointC: 12, fuel: 'gas', pricePerKWh: 0.12 })] },
  build: { foundation: { kind: 'posts', apartM: 1.5 }, frame: { apartM: 1.5 } },
})

/** The demo designs, in the order in which they are listed. Places and groups are invented. */
export const DEMOS: readonly Design[] = [hollowAsh, riberaAlta, fjellro, saritas, marschwinkel]

/** A complete starter design: a plain shape at a middling place, with every step at its default. */
export function startingDesign(id: string, name: string): Design {
  return {
    ...plainHouse,
    id,
    name,
    decided: [],
    site: { ...plainHouse.site, place: 'Place not named yet', seed: 1 },
    shape: {
      ...plainHouse.shape,
      turnDeg: 0,
      lengthM: 6,
      beds: [bedAt(0.15, 0.75, 0.6), bedAt(2.65, 0.8, 0.6, { lengthM: 5.4, offsetM: -0.3 })],
    },
    skin: {
      ...plainHouse.skin,
      openings: airedBy(4.5, 6, { offsetM: -0.13 }),
      cover: { ...plainHouse.skin.cover, id: 'none' },
    },
    store: { ...plainHouse.store, bodies: [barrels(6, 'black', 2, 0.35, 3.97)], linings: [] },
    breathe: { ...plainHouse.breathe, leakage: 'usual' },
  }
}
