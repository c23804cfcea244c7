import { array, lazy, mixed, number, object, reach, string, ValidationError, type AnySchema } from 'yup'
import {
  COLOURS,
  CROPS,
  entry,
  FINISHES,
  FUELS,
  GAPS,
  GLAZINGS,
  LEAKAGE_CLASSES,
  MATERIALS,
  NIGHT_COVERS,
  VESSELS,
} from '../catalog'
import { isTimeZone } from '../climate/time-zone'
import { HOURS } from '../climate/types'
import { misfits } from '../geometry/fit'
import { outlineFaults } from '../geometry/section'
import { GLAZING_ANGLE_RANGE, RANGES, type RangeName } from './ranges'
import { FORMS, SCHEMA_VERSION, STEPS, type Design, type Fault } from './types'

/** A message carries what is wrong and what is allowed through Yup as one string. */
const SPLIT = '\u0001'
const say = (message: string, allowed: string) => message + SPLIT + allowed

const within = (name: RangeName) => {
  const [low, high] = RANGES[name]
  const allowed = `a number from ${low} to ${high}`
  return number()
    .strict()
    .typeError(say('is not a number', allowed))
    .required(say('is missing', allowed))
    .test('range', say('is out of range', allowed), v => v !== undefined && Number.isFinite(v) && v >= low && v <= high)
    .meta({ rule: { low, high, whole: false } })
}
const whole = (name: RangeName) =>
  within(name)
    .meta({ rule: { low: RANGES[name][0], high: RANGES[name][1], whole: true } })
    .test('whole', say('is not a whole number', 'a whole number'), v => Number.isInteger(v))
const text = (longest: number) =>
  string()
    .strict()
    .typeError(say('is not text', `text of 1 to ${longest} characters`))
    .required(say('is missing or empty', `text of 1 to ${longest} characters`))
    .max(longest, say('is too long', `at most ${longest} characters`))
const oneOf = (ids: readonly string[]) =>
  string()
    .strict()
    .typeError(say('is not text', `one of ${ids.join(', ')}`))
    .required(say('is missing', `one of ${ids.join(', ')}`))
    .test(
      'known',
      ({ value }) => say(`“${String(value)}” is not known`, `one of ${ids.join(', ')}`),
      v => ids.includes(v),
    )
    .meta({ rule: { choices: ids } })
const ids = (list: readonly { id: string }[]) => list.map(e => e.id)
const group = (fields: Record<string, AnySchema>) =>
  object(fields)
    .strict()
    .typeError(say('is not a group of fields', `an object with ${Object.keys(fields).join(', ')}`))
    .required(say('is missing', `an object with ${Object.keys(fields).join(', ')}`))
    .noUnknown(({ unknown }) =>
      say(`has fields that are not known: ${String(unknown).slice(0, 200)}`, Object.keys(fields).join(', ')),
    )
/** A list is counted before its members are looked at: one that is too long costs nothing. */
const list = (item: AnySchema, min: number, max: number) => {
  const bounded = (inner: boolean) =>
    (inner ? array().of(item) : array())
      .strict()
      .typeError(say('is not a list', `a list of ${min} to ${max}`))
      .required(say('is missing', `a list of ${min} to ${max}`))
      .min(min, say('has too few entries', `${min} to ${max}`))
      .max(max, say('has too many entries', `${min} to ${max}`))
  const whole = bounded(true)
  const counted = bounded(false)
  return lazy((v: unknown) => (Array.isArray(v) && v.length > max ? counted : whole)) as unknown as AnySchema
}

const insulating = ids(MATERIALS)
const maybe = (schema: AnySchema) => lazy(v => (v === undefined ? mixed() : schema))
const own = group({
  name: text(60),
  conductivity: within('own.conductivity'),
  density: within('own.density'),
  specificHeat: within('own.specificHeat'),
  solarAbsorptance: within('own.solarAbsorptance'),
})
const layers = list(
  group({
    material: oneOf([...insulating, 'own']),
    thicknessM: within('layer.thicknessM'),
    framing: maybe(within('layer.framing')) as never,
    own: maybe(own) as never,
  }),
  1,
  8,
)
const lining = (range: RangeName) => group({ material: oneOf(insulating), thicknessM: within(range) })

const HOURLY: Record<string, readonly [number, number]> = {
  dryBulbC: [-90, 70],
  dewPointC: [-100, 40],
  pressurePa: [30000, 110000],
  globalWm2: [0, 1600],
  beamWm2: [0, 1500],
  diffuseWm2: [0, 1200],
  skyInfraredWm2: [40, 700],
  windMs: [0, 80],
  cloud: [0, 1],
  snowM: [0, 20],
}

/** No air warms or cools faster than this from hour to hour, K. */
const FASTEST_K = 40

/** A value as a fault names it. */
const shown = (v: unknown) => (typeof v === 'number' ? String(v) : (JSON.stringify(v)?.slice(0, 40) ?? 'missing'))

interface Complaint {
  at: string
  message: string
  allowed: string
}

function isPlace(at: unknown): boolean {
  if (typeof at !== 'object' || at === null) return false
  const { place, latitudeDeg, longitudeDeg } = at as Record<string, unknown>
  return (
    typeof place === 'string' &&
    place.length <= 120 &&
    typeof latitudeDeg === 'number' &&
    Math.abs(latitudeDeg) <= 90 &&
    typeof longitudeDeg === 'number' &&
    Math.abs(longitudeDeg) <= 180
  )
}

/** What is wrong with a climate, each with its place within it. */
export function climateFaults(value: unknown): Complaint[] {
  if (typeof value !== 'object' || value === null)
    return [{ at: '', message: 'is missing', allowed: 'normals or an hourly year' }]
  const climate = value as Record<string, unknown>
  if (climate.at !== undefined && !isPlace(climate.at))
    return [{ at: '.at', message: 'is not a place', allowed: 'place, latitudeDeg and longitudeDeg, or nothing at all' }]
  if (climate.kind === 'normals') {
    const faults = normalsFaults(climate.lowC, climate.highC)
    return faults.length > 0 ? faults : optionalNormalsFaults(climate)
  }
  if (climate.kind !== 'hourly') return [{ at: '.kind', message: 'is not known', allowed: 'normals or hourly' }]
  const out: Complaint[] = []
  if (typeof climate.source !== 'string') out.push({ at: '.source', message: 'is missing', allowed: 'text' })
  if (!Array.isArray(climate.notes) || climate.notes.length > 50 || climate.notes.some(n => typeof n !== 'string'))
    out.push({ at: '.notes', message: 'is missing or too long', allowed: 'a list of up to 50 sentences' })
  for (const [name, [low, high]] of Object.entries(HOURLY)) {
    const series = climate[name]
    if (name === 'snowM' && series === undefined) continue
    if (!Array.isArray(series) || series.length !== HOURS) {
      out.push({ at: `.${name}`, message: 'is not a full year', allowed: `${HOURS} hourly numbers` })
      continue
    }
    const bad = series.findIndex(v => typeof v !== 'number' || !Number.isFinite(v) || v < low || v > high)
    if (bad >= 0)
      out.push({
        at: `.${name}[${bad}]`,
        message: `is ${shown(series[bad])}`,
        allowed: `a number from ${low} to ${high}`,
      })
  }
  if (out.length > 0) return out
  const air = climate.dryBulbC as number[]
  const jump = air.findIndex((t, h) => h > 0 && Math.abs(t - air[h - 1]!) > FASTEST_K)
  if (jump >= 0)
    out.push({
      at: `.dryBulbC[${jump}]`,
      message: `is ${air[jump]}, after ${air[jump - 1]} an hour before`,
      allowed: `a change of at most ${FASTEST_K} K from hour to hour`,
    })
  return out
}

const OPTIONAL_NORMALS: Record<string, readonly [number, number]> = {
  sunshineH: [0, 24],
  globalJm2: [0, 4.5e7],
  humidity: [0.05, 1],
  windMs: [0, 30],
  snowDays: [0, 31],
}

function optionalNormalsFaults(climate: Record<string, unknown>): Complaint[] {
  const out: Complaint[] = []
  for (const [name, [low, high]] of Object.entries(OPTIONAL_NORMALS)) {
    const series = climate[name]
    if (series === undefined) continue
    if (!Array.isArray(series) || series.length !== 12) {
      out.push({
        at: `.${name}`,
        message: `has ${Array.isArray(series) ? series.length : 'no'} months`,
        allowed: 'twelve monthly means, January first, or nothing at all',
      })
      continue
    }
    const bad = series.findIndex(v => typeof v !== 'number' || !Number.isFinite(v) || v < low || v > high)
    if (bad >= 0)
      out.push({
        at: `.${name}[${bad}]`,
        message: `is ${shown(series[bad])}`,
        allowed: `a number from ${low} to ${high}`,
      })
  }
  for (const name of ['designLowC', 'designHighC']) {
    const v = climate[name]
    if (v !== undefined && (typeof v !== 'number' || !Number.isFinite(v) || v < -75 || v > 60))
      out.push({ at: `.${name}`, message: `is ${shown(v)}`, allowed: 'a temperature from −75 to 60 °C' })
  }
  if (out.length > 0) return out
  const { lowC, highC, designLowC, designHighC } = climate as {
    lowC: number[]
    highC: number[]
    designLowC?: number
    designHighC?: number
  }
  const coldest = Math.min(...lowC)
  const warmest = Math.max(...highC)
  if (designLowC !== undefined && (designLowC > coldest - 1 || designLowC < coldest - 40))
    out.push({
      at: '.designLowC',
      message: `is ${designLowC}`,
      allowed: `1 to 40 K below the coldest month’s low of ${coldest} °C`,
    })
  if (designHighC !== undefined && (designHighC < warmest + 1 || designHighC > warmest + 30))
    out.push({
      at: '.designHighC',
      message: `is ${designHighC}`,
      allowed: `1 to 30 K above the warmest month’s high of ${warmest} °C`,
    })
  return out
}

/** What is wrong with monthly lows and highs: each month's place, and what is allowed. */
export function normalsFaults(lowC: unknown, highC: unknown): Complaint[] {
  const out: Complaint[] = []
  for (const [name, series] of [
    ['lowC', lowC],
    ['highC', highC],
  ] as const) {
    if (!Array.isArray(series) || series.length !== 12) {
      out.push({
        at: `.${name}`,
        message: `has ${Array.isArray(series) ? series.length : 'no'} months`,
        allowed: 'twelve monthly means, January first',
      })
      continue
    }
    series.forEach((v, m) => {
      if (typeof v !== 'number' || !Number.isFinite(v) || v < -70 || v > 55)
        out.push({ at: `.${name}[${m}]`, message: `is ${shown(v)}`, allowed: 'a temperature from −70 to 55 °C' })
    })
  }
  if (out.length > 0) return out
  for (let m = 0; m < 12; m++) {
    const low = (lowC as number[])[m]!
    const high = (highC as number[])[m]!
    if (high - low < 0.5)
      out.push({
        at: `.highC[${m}]`,
        message: `is ${high}, not above that month’s low of ${low}`,
        allowed: 'a high at least 0.5 °C above the low',
      })
  }
  return out
}

/** A group that may be left out by writing null. */
const orNull = (inner: AnySchema) =>
  mixed()
    .nullable()
    .test('or null', (value, context) => {
      if (value === null) return true
      try {
        inner.validateSync(value, { abortEarly: false, strict: true })
        return true
      } catch (error) {
        const all = (error as ValidationError).inner
        return new ValidationError(
          (all.length > 0 ? all : [error as ValidationError]).map(e =>
            context.createError({ path: e.path ? `${context.path}.${e.path}` : context.path, message: e.message }),
          ),
        )
      }
    })

const cropNeeds = orNull(
  group({
    name: text(80),
    survivesC: within('temperature'),
    growsC: within('temperature'),
    soilC: within('temperature'),
    highestC: within('temperature'),
    dli: within('crop.dli'),
    weeks: within('crop.weeks'),
  }),
)
const spell = group({
  startDay: whole('site.spell.startDay'),
  dullDays: whole('site.spell.dullDays'),
  clearDays: whole('site.spell.clearDays'),
  lowC: within('site.spell.lowC'),
})
const flag = () =>
  mixed()
    .nullable()
    .test('flag', say('is not true or false', 'true or false'), v => typeof v === 'boolean')
    .meta({ rule: { choices: [true, false] } })
const fan = () =>
  group({ freeFlowM3h: within('fan.freeFlowM3h'), shutOffPa: within('fan.shutOffPa'), powerW: within('fan.powerW') })
const bedLike = () => group({ atM: within('bed.atM'), widthM: within('bed.widthM'), heightM: within('bed.heightM') })
const note = () =>
  mixed()
    .nullable()
    .test(
      'note',
      say('is not text', 'text of up to 400 characters, or none'),
      v => typeof v === 'string' && (v as string).length <= 400,
    )
const colour = () => oneOf(ids(COLOURS))

const schema = group({
  schemaVersion: mixed().oneOf([SCHEMA_VERSION]),
  id: text(80),
  name: text(120),
  decided: list(oneOf(STEPS), 0, STEPS.length),
  aim: group({
    lowestAirC: within('aim.lowestAirC'),
    highestAirC: within('aim.highestAirC'),
    crops: list(
      group({
        id: text(80),
        needs: cropNeeds,
        months: list(
          mixed()
            .nullable()
            .test(
              'month',
              say('is not known', 'grow, hold or an empty text'),
              v => (v as unknown) === 'grow' || (v as unknown) === 'hold' || (v as unknown) === '',
            ),
          12,
          12,
        ),
      }),
      0,
      12,
    ),
    practical: group({
      budget: within('aim.practical.budget'),
      builder: oneOf(['self', 'friends', 'firm', 'unknown']),
      power: flag(),
      water: flag(),
      wheelchair: flag(),
      headroomM: within('aim.practical.headroomM'),
      reachM: within('aim.practical.reachM'),
      permits: oneOf(['unknown', 'asked', 'given', 'none needed']),
    }),
  }),
  site: group({
    place: text(120),
    latitudeDeg: within('site.latitudeDeg'),
    longitudeDeg: within('site.longitudeDeg'),
    elevationM: within('site.elevationM'),
    timeZone: text(60).test(
      'zone',
      ({ value }) => say(`“${String(value)}” is not a time zone`, 'an IANA name such as Europe/Vienna'),
      v => typeof v === 'string' && isTimeZone(v),
    ),
    soil: oneOf(ids(MATERIALS.filter(m => m.group === 'ground'))),
    seed: whole('site.seed'),
    climate: mixed().test('climate', (value, context) => {
      const found = climateFaults(value)
      return (
        found.length === 0 ||
        new ValidationError(
          found.map(f => context.createError({ path: context.path + f.at, message: say(f.message, f.allowed) })),
        )
      )
    }),
    survey: group({
      declinationDeg: within('site.survey.declinationDeg'),
      waterTableM: within('site.survey.waterTableM'),
      frostDepthM: within('site.survey.frostDepthM'),
      slopeDeg: within('site.survey.slopeDeg'),
      slopeTowardsDeg: within('horizon.azimuthDeg'),
      frostPocket: flag(),
      snowNote: note(),
      windNote: note(),
    }),
    spell: orNull(spell),
    horizon: list(
      group({
        azimuthDeg: within('horizon.azimuthDeg'),
        altitudeDeg: within('horizon.altitudeDeg'),
        kind: oneOf(['solid', 'deciduous']),
      }),
      0,
      100,
    ),
  }),
  shape: group({
    form: oneOf(FORMS),
    turnDeg: within('shape.turnDeg'),
    lengthM: within('shape.lengthM'),
    widthM: within('shape.widthM'),
    kneeWallM: within('shape.kneeWallM'),
    ridgeHeightM: within('shape.ridgeHeightM'),
    ridgeAtM: within('shape.ridgeAtM'),
    backWallM: within('shape.backWallM'),
    breakAtM: within('shape.breakAtM'),
    breakHeightM: within('shape.breakHeightM'),
    sunkM: within('shape.sunkM'),
    riseM: within('shape.riseM'),
    pathM: within('shape.pathM'),
    overhangM: within('shape.overhangM'),
    house: group({
      heightM: within('shape.house.heightM'),
      beyondM: within('shape.house.beyondM'),
      airC: within('shape.house.airC'),
    }),
    shadeStripM: within('shape.shadeStripM'),
    beds: list(bedLike(), 0, 6),
    benches: list(bedLike(), 0, 6),
  }),
  skin: group({
    glazing: oneOf(ids(GLAZINGS)),
    poleSlope: oneOf(['solid', 'glazed']),
    endsGlazedShare: within('skin.endsGlazedShare'),
    wall: layers,
    roof: layers,
    condition: group({
      frameShare: within('skin.condition.frameShare'),
      ageYears: within('skin.condition.ageYears'),
      dirt: within('skin.condition.dirt'),
    }),
    finish: group({ wall: oneOf(ids(FINISHES)), roof: oneOf(ids(FINISHES)) }),
    cover: group({
      id: oneOf(ids(NIGHT_COVERS)),
      place: oneOf(['inside', 'outside', 'between']),
      fit: oneOf(['tight', 'usual', 'loose']),
      rule: oneOf(['sun', 'clock', 'cold']),
      fromH: within('hour'),
      untilH: within('hour'),
      afterSunsetH: within('skin.cover.afterSunsetH'),
      afterSunriseH: within('skin.cover.afterSunriseH'),
      onlyBelowC: within('skin.cover.onlyBelowC'),
    }),
    edge: group({
      material: oneOf(insulating),
      thicknessM: within('skin.edge.thicknessM'),
      depthM: within('skin.edge.depthM'),
      skirtM: within('skin.edge.skirtM'),
    }),
  }),
  store: group({
    barrels: group({
      count: whole('store.barrels.count'),
      vessel: oneOf(ids(VESSELS)),
      colour: colour(),
      place: oneOf(['back', 'middle', 'sunny']),
      stack: whole('store.barrels.stack'),
      raisedM: within('store.barrels.raisedM'),
      stratified: flag(),
    }),
    tank: group({
      lengthM: within('store.tank.lengthM'),
      widthM: within('store.tank.widthM'),
      heightM: within('store.tank.heightM'),
      atM: within('bed.atM'),
      colour: colour(),
    }),
    pond: group({
      lengthM: within('store.tank.lengthM'),
      widthM: within('store.tank.widthM'),
      depthM: within('store.pond.depthM'),
      atM: within('bed.atM'),
    }),
    innerWall: group({
      material: oneOf(insulating),
      thicknessM: within('store.innerWall.thicknessM'),
      heightM: within('store.innerWall.heightM'),
      atM: within('bed.atM'),
    }),
    massWall: lining('store.massWall.thicknessM'),
    floor: lining('store.floor.thicknessM'),
    earth: group({
      on: flag(),
      pipes: whole('store.earth.pipes'),
      pipeLengthM: within('store.earth.pipeLengthM'),
      pipeDiameterM: within('store.earth.pipeDiameterM'),
      depthM: within('store.earth.depthM'),
      fan: fan(),
      startK: within('store.startK'),
    }),
    rockBed: group({
      on: flag(),
      areaM2: within('store.rockBed.areaM2'),
      depthM: within('store.rockBed.depthM'),
      rockM: within('store.rockBed.rockM'),
      insulationM: within('store.rockBed.insulationM'),
      fan: fan(),
      startK: within('store.startK'),
    }),
    channels: group({
      on: flag(),
      count: whole('store.channels.count'),
      widthM: within('store.channels.sizeM'),
      heightM: within('store.channels.sizeM'),
      fan: fan(),
      startK: within('store.startK'),
    }),
  }),
  breathe: group({
    leakage: oneOf([...ids(LEAKAGE_CLASSES), 'measured']),
    ach50: within('breathe.ach50'),
    gaps: list(group({ kind: oneOf(ids(GAPS)), amount: within('breathe.gaps.amount') }), 0, 20),
    vents: group({
      lowM2: within('breathe.vents.lowM2'),
      highM2: within('breathe.vents.highM2'),
      startC: within('breathe.vents.startC'),
      fullC: within('breathe.vents.fullC'),
      lagS: within('breathe.vents.lagS'),
      hysteresisK: within('breathe.vents.hysteresisK'),
    }),
    fans: group({
      stages: whole('breathe.fans.stages'),
      flowM3h: within('fan.freeFlowM3h'),
      powerW: within('fan.powerW'),
      startC: within('temperature'),
      stepK: within('breathe.fans.stepK'),
    }),
    airing: group({
      on: flag(),
      fromH: within('hour'),
      untilH: within('hour'),
      holdUntilC: within('temperature'),
      belowC: within('breathe.airing.belowC'),
    }),
    doors: group({
      areaM2: within('breathe.doors.areaM2'),
      openingsPerDay: within('breathe.doors.openingsPerDay'),
      openS: within('breathe.doors.openS'),
    }),
    lobby: group({ areaM2: within('breathe.lobby.areaM2') }),
    rowCover: group({ on: flag(), belowC: within('temperature') }),
    leafArea: within('breathe.leafArea'),
    earthTube: group({
      on: flag(),
      lengthM: within('store.earth.pipeLengthM'),
      diameterM: within('store.earth.pipeDiameterM'),
      depthM: within('store.earth.depthM'),
      fan: fan(),
      belowC: within('temperature'),
      aboveC: within('temperature'),
    }),
  }),
  topUp: group({
    heater: group({
      on: flag(),
      capacityW: within('topUp.heater.capacityW'),
      setPointC: within('topUp.heater.setPointC'),
      fuel: oneOf(ids(FUELS)),
      pricePerKWh: within('topUp.heater.pricePerKWh'),
      currency: text(3),
      kind: oneOf(['air', 'radiant']),
    }),
    solarAir: group({ areaM2: within('area'), tiltDeg: within('tiltDeg'), flowM3h: within('topUp.solarAir.flowM3h') }),
    solarWater: group({ areaM2: within('area'), tiltDeg: within('tiltDeg') }),
    compost: group({ tonnes: within('topUp.compost.tonnes'), startDay: whole('site.spell.startDay') }),
    bedLoop: group({ capacityW: within('topUp.heater.capacityW'), setPointC: within('temperature') }),
    lamps: group({
      powerW: within('topUp.lamps.powerW'),
      fromH: within('hour'),
      untilH: within('hour'),
      molPerMJ: within('topUp.lamps.molPerMJ'),
      months: list(
        mixed()
          .nullable()
          .test(
            'month',
            say('is not a month', 'a whole number from 1 to 12'),
            v => Number.isInteger(v) && (v as unknown as number) >= 1 && (v as unknown as number) <= 12,
          ),
        0,
        12,
      ),
    }),
    dumpLoad: group({ peakW: within('topUp.heater.capacityW'), tiltDeg: within('tiltDeg') }),
    people: group({ count: within('topUp.people.count'), fromH: within('hour'), untilH: within('hour') }),
  }),
})

/** What a field may hold: a number within limits, or one of some values. */
export type FieldRule = { low: number; high: number; whole: boolean } | { choices: readonly unknown[] }

/**
 * The rule of a field by its path, as in `shape.beds[1].widthM`; null where it is free text, a whole group or not
 * there.
 */
export function fieldRule(path: string, design: Design): FieldRule | null {
  try {
    const found = reach(schema, path, design) as AnySchema
    return (found.meta() as { rule?: FieldRule } | undefined)?.rule ?? null
  } catch {
    return null
  }
}

/** A tank or pond is at least this long, m. */
const SHORTEST_WATER_M = 0.2
/** Lamps give full sunlight at about this power, W per m² of floor. */
const MOST_LAMPS_WM2 = 1000

/** Checks that hold between fields; run once the fields themselves are sound. */
function faultsBetween(design: Design): Fault[] {
  const out: Fault[] = []
  const add = (path: string, message: string, allowed: string) => out.push({ path, message, allowed })
  design.aim.crops.forEach((c, i) => {
    if (c.needs === null && !CROPS.some(k => k.id === c.id))
      add(
        `aim.crops[${i}].id`,
        `“${c.id}” is in no catalogue and brings no needs`,
        `one of ${ids(CROPS).join(', ')}, or needs of its own`,
      )
    else if (design.aim.crops.findIndex(o => o.id === c.id) < i)
      add(`aim.crops[${i}].id`, `“${c.id}” stands twice`, 'each crop once')
  })
  if (design.aim.lowestAirC >= design.aim.highestAirC)
    add('aim.lowestAirC', 'is not below the highest air', `below ${design.aim.highestAirC} °C`)
  for (const f of outlineFaults(design.shape, GLAZING_ANGLE_RANGE)) add(f.path, f.message, f.allowed)
  const vents = design.breathe.vents
  if (vents.fullC <= vents.startC)
    add('breathe.vents.fullC', 'is not above the start of opening', `above ${vents.startC} °C`)
  for (const name of ['wall', 'roof'] as const) {
    design.skin[name].forEach((l, i) => {
      if (l.material === 'own' && !l.own)
        add(
          `skin.${name}[${i}].own`,
          'is missing',
          'name, conductivity, density, specificHeat and solarAbsorptance of the material',
        )
    })
  }
  const thick = (l: { thicknessM: number }[]) => l.reduce((s, x) => s + x.thicknessM, 0)
  if (thick(design.skin.wall) < 0.002) add('skin.wall', 'has no thickness', 'layers that add up to 2 mm or more')
  if (thick(design.skin.roof) < 0.002) add('skin.roof', 'has no thickness', 'layers that add up to 2 mm or more')
  if (
    design.skin.cover.id !== 'none' &&
    design.skin.cover.place === 'between' &&
    entry(GLAZINGS, design.skin.glazing).layers < 2
  )
    add(
      'skin.cover.place',
      'is “between”, and this glazing has one sheet',
      'inside or outside, or a glazing of two sheets',
    )
  for (const [name, at, width, there] of [
    ['tank', design.store.tank.atM, design.store.tank.widthM, design.store.tank.lengthM > 0],
    ['pond', design.store.pond.atM, design.store.pond.widthM, design.store.pond.lengthM > 0],
    ['innerWall', design.store.innerWall.atM, design.store.innerWall.thicknessM, design.store.innerWall.thicknessM > 0],
  ] as const) {
    if (there && at + width > design.shape.widthM + 1e-9)
      add(`store.${name}.atM`, 'runs through the back wall', `near edge plus width at most ${design.shape.widthM} m`)
  }
  for (const name of ['tank', 'pond'] as const) {
    const { lengthM } = design.store[name]
    if (lengthM > 0 && lengthM < SHORTEST_WATER_M)
      add(`store.${name}.lengthM`, 'is too short to hold water', `0 m for none, or ${SHORTEST_WATER_M} m and more`)
  }
  const { lamps } = design.topUp
  const floorM2 = design.shape.lengthM * design.shape.widthM
  if (lamps.powerW > MOST_LAMPS_WM2 * floorM2)
    add(
      'topUp.lamps.powerW',
      'is more light than any plant bears',
      `at most ${Math.floor(MOST_LAMPS_WM2 * floorM2)} W on this floor`,
    )
  if (design.store.rockBed.on && design.store.rockBed.areaM2 > floorM2)
    add('store.rockBed.areaM2', 'is larger than the floor that it lies under', `at most ${floorM2.toFixed(1)} m²`)
  return out
}

/**
 * No document is deeper or holds more than this; nor is any list or text of it longer. An hourly year takes 90 000
 * values.
 */
const MOST = { depth: 8, values: 150_000, listed: HOURS, fields: 60, letters: 2000 }

/**
 * What is too much of a document before its fields are looked at; null where nothing is. Goes no deeper and no further
 * than is allowed.
 */
function tooMuch(document: object): Fault | null {
  const waiting: { node: object; path: string; depth: number }[] = [{ node: document, path: '', depth: 1 }]
  let values = 0
  for (let next = waiting.pop(); next; next = waiting.pop()) {
    const { node, path, depth } = next
    const listed = Array.isArray(node)
    const keys = listed ? node.length : Object.keys(node).length
    // What is longer than any list may be is not looked into: the list's own rule says how many it may hold.
    if (listed && keys > MOST.listed) continue
    if (!listed && keys > MOST.fields) return { path, message: `has ${keys} fields`, allowed: `at most ${MOST.fields}` }
    values += keys
    if (values > MOST.values)
      return { path: '', message: 'The document holds too much', allowed: `at most ${MOST.values} values` }
    for (const [key, value] of Object.entries(node)) {
      const at = listed ? `${path}[${key}]` : path ? `${path}.${key}` : key
      if (typeof value === 'string' && value.length > MOST.letters)
        return { path: at.slice(0, 200), message: 'is too long', allowed: `text of at most ${MOST.letters} characters` }
      if (typeof value !== 'object' || value === null) continue
      if (depth === MOST.depth)
        return {
          path: at.slice(0, 200),
          message: 'lies too deep',
          allowed: `groups and lists within each other at most ${MOST.depth} deep`,
        }
      waiting.push({ node: value as object, path: at, depth: depth + 1 })
    }
  }
  return null
}

/**
 * All faults of a document; an empty list means that it is a sound {@link Design}, and that what stands in the house
 * can stand there. Never throws, whatever it is given.
 */
export function designFaults(document: unknown): Fault[] {
  const faults = documentFaults(document)
  return faults.length > 0 ? faults : misfits(document as Design)
}

/**
 * Faults of a document by itself: whether all that stands in the house can stand there is not asked. Never throws,
 * whatever it is given.
 */
export function documentFaults(document: unknown): Fault[] {
  if (typeof document !== 'object' || document === null || Array.isArray(document)) {
    return [{ path: '', message: 'This is not a Tierra design', allowed: 'a design exported as JSON' }]
  }
  const version = (document as { schemaVersion?: unknown }).schemaVersion
  if (version !== SCHEMA_VERSION) {
    const newer = typeof version === 'number' && version > SCHEMA_VERSION
    return [
      {
        path: 'schemaVersion',
        message: newer
          ? `is ${version}, from a newer Tierra`
          : version === undefined
            ? 'is missing, so this is not a Tierra design'
            : `is ${JSON.stringify(version)}`,
        allowed: `${SCHEMA_VERSION}`,
      },
    ]
  }
  const much = tooMuch(document)
  if (much) return [much]
  try {
    schema.validateSync(document, { abortEarly: false, strict: true })
  } catch (error) {
    if (!(error instanceof ValidationError)) throw error
    return flatten(error)
  }
  return faultsBetween(document as Design)
}

function flatten(error: ValidationError): Fault[] {
  const faults = error.inner.length > 0 ? error.inner.flatMap(flatten) : [toFault(error)]
  const seen = new Set<string>()
  return faults.filter(f => !seen.has(f.path) && seen.add(f.path))
}

function toFault(error: ValidationError): Fault {
  const [message, allowed] = error.message.split(SPLIT)
  return { path: error.path ?? '', message: message!, allowed: allowed ?? 'see docs/design-format.md' }
}

/** One line for a fault: path, what is wrong, what is allowed. */
export function faultLine(fault: Fault): string {
  return `${fault.path ? `${fault.path}: ` : ''}${fault.message}; allowed: ${fault.allowed}`
}
