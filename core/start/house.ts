import { needsOf } from '../aim/aim-line'
import { roundBeds } from '../beds/round-beds'
import { bedAt, completeDesign, filled, type BedAlong } from '../design/complete'
import { startOf } from '../design/field'
import { SHAPE } from '../design/fields/shape'
import { SCHEMA_VERSION, type Bed, type Body, type CropChoice, type Design, type Opening } from '../design/types'
import { airedBy, airedDome, barrels, timberWall, type Of } from '../design/usual'
import {
  designFaults,
  freeBody,
  isReached,
  madeToStand,
  withDoorsFree,
  withOpeningsCarried,
  withWays,
} from '../editing'
import { turnTowards } from '../geometry/compass'
import { clearHeightAt, makeOutline } from '../geometry/section'
import { RAD } from '../physics/constants'
import { BODY_KINDS } from '../bodies/registry'
import { ROLL_UP } from '../openings/roll-up'
import { DOOR } from '../openings/door'
import { aSource } from '../sources/registry'
import { LIVES, type StartAnswers } from './choices'
import { usualYearlyLowC } from './place-climates'

const { max, min, round, tan } = Math
const clamp = (v: number, low: number, high: number) => max(low, min(high, v))
const cm = (v: number) => round(v * 100) / 100

/** What air and light the lives that were chosen ask for, with their months as they fall in the hemisphere. */
export function cropsOf(lives: readonly string[], latitudeDeg: number): CropChoice[] {
  const does = { 'g': 'grow', 'h': 'hold', '.': '' } as const
  const turn = latitudeDeg >= 0 ? 0 : 6
  return LIVES.filter(l => lives.includes(l.id))
    .flatMap(l => l.crops)
    .slice(0, 12)
    .map(([id, months]) => ({
      id,
      needs: null,
      months: [...months].map((_, m) => does[months[(m + turn) % 12] as keyof typeof does]),
    }))
}

/** The lowest and highest air that the crops bear at all; a house without any stays above freezing. */
function bearable(crops: readonly CropChoice[]): Pick<Design['aim'], 'lowestAirC' | 'highestAirC'> {
  const needs = crops.map(needsOf)
  return {
    lowestAirC: crops.length === 0 ? 1 : clamp(max(...needs.map(n => n.survivesC)), -20, 30),
    highestAirC: crops.length === 0 ? 35 : clamp(min(...needs.map(n => n.highestC)), 15, 60),
  }
}

/** How far the coldest hour of a usual winter goes down, °C. */
export function winterLowC({ climate }: Pick<StartAnswers, 'climate'>): number {
  if (climate.kind === 'hourly') return min(...climate.dryBulbC)
  return climate.designLowC ?? climate.meanYearlyLowC ?? usualYearlyLowC(climate)
}

/** The slope that meets a low winter sun, steeper the further from the equator; degrees from level. */
const slopeDeg = (latitudeDeg: number) => clamp(Math.abs(latitudeDeg) + 10, 30, 65)

type ShapeStart = Pick<
  Design['shape'],
  'form' | 'kneeWallM' | 'ridgeHeightM' | 'ridgeAtM' | 'backWallM' | 'lengthM' | 'widthM'
> &
  Partial<Design['shape']>

/** The section for what it stands against. */
function shapeOf(a: StartAnswers): ShapeStart {
  const { lengthM, widthM, against } = a
  const rise = tan(slopeDeg(a.latitudeDeg) * RAD)
  const kneeWallM = widthM < 2.4 ? 0.4 : 0.6
  const tallest = clamp(0.62 * widthM + 0.6, 2.3, 4.4)
  const size = { lengthM, widthM, kneeWallM }
  if (against === 'dome') {
    const across = max(3.5, widthM)
    const ridgeHeightM = cm(clamp(0.5 * across + 0.3, 2.3, 5.5))
    return {
      ...size,
      form: 'dome',
      lengthM: across,
      widthM: across,
      kneeWallM: 0.6,
      ridgeHeightM,
      ridgeAtM: across / 2,
      backWallM: 0.6,
    }
  }
  if (against === 'hoops') {
    const ridgeHeightM = cm(clamp(0.42 * widthM + 0.1, 2.2, 4.5))
    return { ...size, form: 'hoop', kneeWallM: 0.5, ridgeHeightM, ridgeAtM: widthM / 2, backWallM: 0.5 }
  }
  if (against === 'house') {
    const ridgeHeightM = cm(clamp(kneeWallM + widthM * rise, 2.3, max(2.6, min(3.4, tallest))))
    const house = { heightM: max(5.5, ridgeHeightM + 1), beyondM: 3, airC: 19, pricePerKWh: 0 }
    return { ...size, form: 'lean-to', ridgeHeightM, ridgeAtM: widthM, backWallM: ridgeHeightM, house }
  }
  if (widthM < 3) {
    const ridgeHeightM = cm(clamp(kneeWallM + widthM * rise, 2.3, tallest))
    return { ...size, form: 'shed', ridgeHeightM, ridgeAtM: widthM, backWallM: ridgeHeightM }
  }
  const ridgeAtM = cm(clamp((tallest - kneeWallM) / rise, 0.36 * widthM, 0.78 * widthM))
  const ridgeHeightM = cm(clamp(kneeWallM + ridgeAtM * rise, 2.3, tallest))
  return { ...size, form: 'saltbox', ridgeHeightM, ridgeAtM, backWallM: cm(clamp(0.62 * ridgeHeightM, 1.7, 2.6)) }
}

/** A section with what nobody asked about as it stands at its start. */
const whole = (shape: ShapeStart, beds: readonly Bed[] = []) => filled(SHAPE, { ...shape, beds }) as Design['shape']

/** Room for a person beside a bed, and for what stands along the back wall, m. */
const PATH_M = 0.6
const MASS_M = 0.62
const BED_M = 1.2
const LEAST_BED_M = 0.35
/** A bed that one reaches from one side is no wider, m. */
const REACH_M = 0.75

/** Where along the width people stand with clear heads, m from the sunny wall; if nowhere, where they stoop least. */
function headsClear(shape: Design['shape']): [from: number, to: number] {
  const outline = makeOutline(shape)
  const places = Array.from({ length: 200 }, (_, i) => ((i + 0.5) * shape.widthM) / 200)
  const clear = places.map(x => clearHeightAt(outline, x))
  const headM = min(HEAD_M, max(...clear) - 0.02)
  const tall = places.filter((_, i) => clear[i]! >= headM)
  return [tall[0]!, tall.at(-1)!]
}
const HEAD_M = 1.9
/** From the middle of a person to where a bed may begin, m. */
const BESIDE_M = 0.25

/**
 * Paths first: where heads are clear, one behind the bed along the sunny wall, which arms reach over, and one behind
 * each bed after it; before a back that is too low to stand at, a bed that arms reach over. A way before the end that
 * the door is in joins them. Then beds in what they leave.
 */
function bedsOf(shape: Design['shape'], massM: number, heightM: number): BedAlong[] {
  const { lengthM, widthM } = shape
  const [head0, head1] = headsClear(shape)
  // What stands along the back is left out where it would leave no path that heads are clear on.
  const standing = widthM - massM - PATH_M < head0 - BESIDE_M ? 0.05 : massM
  const backIsLow = head1 < widthM - standing - BESIDE_M - 0.05
  const end = backIsLow ? min(head1 + BESIDE_M, widthM - 0.05 - LEAST_BED_M) : widthM - standing
  const start = clamp(head0 - BESIDE_M, 0.05 + LEAST_BED_M, max(0.25, end - PATH_M))
  // As wide as reach where that much is to be had; heads need no more than a little of the path.
  const first = min(max(start, 0.05 + min(REACH_M, (end - 0.05 - PATH_M) / 2)), end - PATH_M)
  const path0 = cm(max(0.25, first))
  const room = end - path0 - PATH_M
  const count = clamp(round(room / (BED_M + PATH_M)), 0, 5)
  const wide = cm(clamp((room - count * PATH_M) / max(1, count), LEAST_BED_M, BED_M + 0.1))
  const pathM = (end - path0 - count * wide) / (count + 1)
  const long = cm(lengthM - PATH_M)
  const along = (count > 0 || pathM < DOOR_M) && long >= 1 ? { lengthM: long, offsetM: cm(-PATH_M / 2) } : {}
  const front = max(0.05, cm(path0 - REACH_M))
  const bed = (atM: number, widthM: number) => bedAt(cm(atM), cm(widthM), heightM, along)
  return [
    bed(front, path0 - front),
    ...Array.from({ length: count }, (_, i) => bed(path0 + pathM + i * (wide + pathM), wide)),
    ...(backIsLow ? [bed(end, min(REACH_M, widthM - 0.05 - end))] : []),
  ]
}
/** A path as wide as a door stands in nobody's way, m. */
const DOOR_M = 0.75

/** Old windows stand upright in front, as high as there are enough of them, m; 0 where the form takes none. */
function frontM({ atHand, against, lengthM }: StartAnswers, shape: ShapeStart): number {
  if (atHand.windowsM2 < 1 || against === 'dome' || against === 'hoops') return 0
  const room = shape.ridgeHeightM - shape.kneeWallM - 0.4 - shape.ridgeAtM * tan(16 * RAD)
  const heightM = cm(min(atHand.windowsM2 / lengthM, 1.4, room))
  return heightM < 0.35 ? 0 : heightM
}

/** Doors and vents where the form takes them: half the vents low, half at the ridge, opened by wax. */
function openingsOf(a: StartAnswers, shape: ShapeStart, door: number, shareOfFloor: number): Opening[] {
  if (a.against === 'hoops') {
    const lengthM = max(1, shape.lengthM - 1)
    return [
      ...(['sunnySlope', 'poleSlope'] as const).map(
        (part): Opening => ({
          ...(startOf(ROLL_UP.fields) as Of<'roll-up side'>),
          kind: 'roll-up side',
          part,
          lengthM,
          heightM: cm(min(0.9, 0.25 * shape.ridgeHeightM)),
          startC: 22,
          fullC: 30,
        }),
      ),
      { ...(startOf(DOOR.fields) as Of<'door'>), kind: 'door', part: 'eastEnd', offsetM: 0 },
    ]
  }
  const areaM2 = cm(shareOfFloor * shape.lengthM * shape.widthM)
  if (a.against === 'dome') return airedDome(areaM2, shape.widthM, shape.kneeWallM)
  const front = shape.front && shape.breakHeightM! - shape.kneeWallM >= 0.5
  const low = { part: front ? 'front' : 'sunnySlope', heightM: 0.4, sillM: 0.05, leaf: 'sheet' } as const
  return airedBy(areaM2, shape.lengthM, { offsetM: door }, low)
}

/** Where heads are clear for a door in the end wall: over the first path, else under the ridge; m from the middle. */
function doorAt(shape: Design['shape'], beds: readonly { atM: number; widthM: number }[]): number {
  const outline = makeOutline(shape)
  const behind = beds.map(b => b.atM + b.widthM + PATH_M / 2)
  const spots = [behind[0] ?? shape.widthM / 2, ...behind.slice(1), outline.ridgeAtM]
  const clear = (x: number) => min(clearHeightAt(outline, x - 0.45), clearHeightAt(outline, x + 0.45))
  const inside = spots.map(x => clamp(x, 0.55, shape.widthM - 0.55))
  return cm((inside.find(x => clear(x) >= 2.1) ?? inside.sort((p, q) => clear(q) - clear(p))[0]!) - shape.widthM / 2)
}

const GLAZED = { kind: 'glazed' } as const

/** Glazing, walls and their insulation for how cold it gets. */
function skinOf(a: StartAnswers, shape: ShapeStart, frontHeightM: number) {
  const lowC = winterLowC(a)
  const glazing =
    a.against === 'hoops' ? 'film-2' : lowC > -8 ? 'twinwall-10' : lowC > -25 ? 'multiwall-16' : 'multiwall-25'
  const edge = { material: 'xps', thicknessM: lowC > -5 ? 0.03 : 0.05, depthM: lowC > -5 ? 0.4 : lowC > -20 ? 0.6 : 1 }
  if (a.against === 'hoops') {
    const film = [{ material: 'plywood', thicknessM: 0.012 }]
    return { glazing, wall: film, roof: film, edge, parts: { poleSlope: GLAZED, eastEnd: GLAZED, westEnd: GLAZED } }
  }
  const ends = shape.form === 'dome' ? {} : { eastEnd: { glazedShare: 0.2 }, westEnd: { glazedShare: 0.2 } }
  const front = frontHeightM > 0 ? { front: { glazing: 'glass-1' } } : {}
  return {
    glazing,
    wall: timberWall(lowC > -5 ? 0.05 : lowC > -20 ? 0.1 : 0.15),
    roof: [
      { material: 'steel-sheet', thicknessM: 0.001 },
      { material: 'wood-fibre', thicknessM: lowC > -5 ? 0.12 : 0.18 },
      { material: 'plywood', thicknessM: 0.015 },
    ],
    edge,
    parts: { ...ends, ...front },
  }
}

/** What stands about and keeps warmth: drums along the back wall, stone as a wall or as the back wall's lining. */
function bodiesOf(a: StartAnswers, shape: ShapeStart): Body[] {
  const out: Body[] = []
  if (a.atHand.drums > 0) {
    const inRow = max(1, Math.floor((shape.lengthM - 0.4) / MASS_M))
    const walled = a.against !== 'dome' && a.against !== 'hoops'
    const stack = walled && (a.atHand.drums > inRow || a.against === 'house') ? 2 : 1
    out.push(barrels(min(a.atHand.drums, stack * inRow), 'black', stack, 0.1, max(0, cm(shape.widthM - MASS_M))))
  }
  if (a.atHand.stone && (a.against === 'dome' || a.against === 'hoops'))
    out.push({
      kind: 'wall',
      material: 'stone',
      thicknessM: 0.3,
      heightM: 0.8,
      atM: max(0, cm(shape.widthM - 1.2)),
      lengthM: 0,
      offsetM: 0,
    })
  return out
}

/** So much of the floor is open as low vents, and as much at the ridge, when all stand open. */
const VENTS_OF_FLOOR = [0.15, 0.12, 0.09, 0.06, 0.04, 0.02] as const

/** A whole house from what was answered, before any year has been run. Throws RangeError where nothing can stand. */
export function firstHouse(a: StartAnswers, id: string, name: string): Design {
  const crops = cropsOf(a.lives, a.latitudeDeg)
  const base = shapeOf(a)
  const front = frontM(a, base)
  const shape: ShapeStart = {
    ...base,
    ...(front > 0 ? { front: true, breakAtM: 0, breakHeightM: cm(base.kneeWallM + front) } : {}),
    ...(a.against === 'bank' ? { riseM: cm(min(1.5, makeOutline(whole(base)).backWallM - 0.5)) } : {}),
  }
  const massM = a.atHand.drums > 0 ? MASS_M : 0.05
  const low = a.against === 'hoops'
  const along = bedsOf(whole(shape), massM, low ? 0.15 : 0.4)
  const beds = shape.form === 'dome' ? roundBeds(shape.widthM, 0.4) : along
  const stone = a.atHand.stone && !low && a.against !== 'dome'
  const door = doorAt(whole(shape, beds), along)
  const make = (vents: number): Design =>
    withOpeningsCarried(
      completeDesign({
        schemaVersion: SCHEMA_VERSION,
        id,
        name,
        decided: ['aim', 'site', 'shape'],
        aim: { ...bearable(crops), crops, practical: { power: a.atHand.power, water: a.atHand.water } },
        site: {
          place: a.place,
          latitudeDeg: a.latitudeDeg,
          longitudeDeg: a.longitudeDeg,
          elevationM: a.elevationM,
          timeZone: a.timeZone,
          soil: 'clay-soil',
          seed: 1,
          climate: a.climate,
        },
        shape: { ...shape, turnDeg: a.facingDeg === null ? 0 : turnTowards(a.latitudeDeg, a.facingDeg), beds },
        skin: {
          ...skinOf(a, shape, front),
          openings: openingsOf(a, shape, door, vents),
          cover: { id: 'none', afterSunsetH: 0, afterSunriseH: 0.5, onlyBelowC: 10 },
        },
        store: {
          bodies: [],
          linings:
            a.against === 'bank' || stone
              ? [{ part: 'backWall', material: stone ? 'stone' : 'concrete-block', thicknessM: stone ? 0.3 : 0.2 }]
              : [],
          floor: { rest: low ? [] : [{ material: 'gravel', thicknessM: 0.08 }] },
        },
        breathe: { leakage: 'usual' },
        topUp: {
          sources: [aSource('heater', { on: false, ...(a.atHand.power ? {} : { fuel: 'wood', pricePerKWh: 0.05 }) })],
        },
        build: { foundation: { kind: low ? 'posts' : 'rubble trench' } },
      }),
    )
  const bodies = bodiesOf(a, shape)
  for (const vents of VENTS_OF_FLOOR) {
    const house = withWays(withDoorsFree(furnished(make(vents), bodies)))
    if (designFaults(house).length === 0) return house
  }
  throw new RangeError(`No house of ${a.lengthM} by ${a.widthM} m stands so: choose another size or another form.`)
}

/** A house with bodies put where there is room for them and where they shut nobody out; beds give way. */
function furnished(house: Design, bodies: readonly Body[]): Design {
  let at = madeToStand(house) ?? house
  for (const body of bodies) {
    const kind = BODY_KINDS.find(k => k.kind === body.kind)!
    const stood = madeToStand({ ...at, store: { ...at.store, bodies: [...at.store.bodies, body] } })
    const asked = stood && withWays(withDoorsFree(stood))
    if (asked && isReached(asked)) at = asked
    else {
      const made = freeBody(at, kind, body, true)
      if (made) at = { ...at, store: { ...at.store, bodies: [...at.store.bodies, made] } }
    }
  }
  return at
}
