import { array, mixed, number, object, string, ValidationError, type AnySchema } from 'yup'
import { COLOURS, entry, FUELS, GLAZINGS, LEAKAGE_CLASSES, MATERIALS, NIGHT_COVERS, VESSELS } from '../catalog'
import { isTimeZone } from '../climate/time-zone'
import { HOURS } from '../climate/types'
import { outlineFaults } from '../geometry/section'
import { GLAZING_ANGLE_RANGE, RANGES, type RangeName } from './ranges'
import { SCHEMA_VERSION, STEPS, type Design, type Fault } from './types'

/** A message carries what is wrong and what is allowed through Yup as one string. */
const SPLIT = '\u0001'
const say = (message: string, allowed: string) => message + SPLIT + allowed

const within = (name: RangeName) => {
  const [low, high] = RANGES[name]
  const allowed = `a number from ${low} to ${high}`
  return number().strict().typeError(say('is not a number', allowed)).required(say('is missing', allowed))
    .test('range', say('is out of range', allowed), v => v !== undefined && Number.isFinite(v) && v >= low && v <= high)
}
const whole = (name: RangeName) => within(name).test('whole', say('is not a whole number', 'a whole number'), v => Number.isInteger(v))
const text = (longest: number) => string().strict().typeError(say('is not text', `text of 1 to ${longest} characters`))
  .required(say('is missing or empty', `text of 1 to ${longest} characters`)).max(longest, say('is too long', `at most ${longest} characters`))
const oneOf = (ids: readonly string[]) => string().strict().typeError(say('is not text', `one of ${ids.join(', ')}`))
  .required(say('is missing', `one of ${ids.join(', ')}`)).test('known', ({ value }) => say(`“${String(value)}” is not known`, `one of ${ids.join(', ')}`), v => ids.includes(v))
const ids = (list: readonly { id: string }[]) => list.map(e => e.id)
const group = (fields: Record<string, AnySchema>) => object(fields).strict()
  .typeError(say('is not a group of fields', `an object with ${Object.keys(fields).join(', ')}`))
  .required(say('is missing', `an object with ${Object.keys(fields).join(', ')}`))
  .noUnknown(({ unknown }) => say(`has fields that are not known: ${String(unknown)}`, Object.keys(fields).join(', ')))
const list = (item: AnySchema, min: number, max: number) => array().of(item).strict().typeError(say('is not a list', `a list of ${min} to ${max}`))
  .required(say('is missing', `a list of ${min} to ${max}`)).min(min, say('has too few entries', `${min} to ${max}`)).max(max, say('has too many entries', `${min} to ${max}`))

const insulating = ids(MATERIALS)
const layers = list(group({ material: oneOf(insulating), thicknessM: within('layer.thicknessM') }), 1, 8)
const lining = (range: RangeName) => group({ material: oneOf(insulating), thicknessM: within(range) })

const HOURLY: Record<string, readonly [number, number]> = {
  dryBulbC: [-90, 70], dewPointC: [-100, 50], pressurePa: [30000, 110000], globalWm2: [0, 1600], beamWm2: [0, 1500], diffuseWm2: [0, 1200],
  skyInfraredWm2: [40, 700], windMs: [0, 80], cloud: [0, 1],
}

interface Complaint { at: string, message: string, allowed: string }

function climateFaults(value: unknown): Complaint[] {
  if (typeof value !== 'object' || value === null) return [{ at: '', message: 'is missing', allowed: 'normals or an hourly year' }]
  const climate = value as Record<string, unknown>
  if (climate.kind === 'normals') return normalsFaults(climate.lowC, climate.highC)
  if (climate.kind !== 'hourly') return [{ at: '.kind', message: 'is not known', allowed: 'normals or hourly' }]
  const out: Complaint[] = []
  if (typeof climate.source !== 'string') out.push({ at: '.source', message: 'is missing', allowed: 'text' })
  if (!Array.isArray(climate.notes)) out.push({ at: '.notes', message: 'is missing', allowed: 'a list of sentences' })
  for (const [name, [low, high]] of Object.entries(HOURLY)) {
    const series = climate[name]
    if (!Array.isArray(series) || series.length !== HOURS) {
      out.push({ at: `.${name}`, message: 'is not a full year', allowed: `${HOURS} hourly numbers` })
      continue
    }
    const bad = series.findIndex(v => typeof v !== 'number' || !Number.isFinite(v) || v < low || v > high)
    if (bad >= 0) out.push({ at: `.${name}[${bad}]`, message: `is ${String(series[bad])}`, allowed: `a number from ${low} to ${high}` })
  }
  return out
}

/** What is wrong with monthly lows and highs: each month's place, and what is allowed. */
export function normalsFaults(lowC: unknown, highC: unknown): Complaint[] {
  const out: Complaint[] = []
  for (const [name, series] of [['lowC', lowC], ['highC', highC]] as const) {
    if (!Array.isArray(series) || series.length !== 12) {
      out.push({ at: `.${name}`, message: `has ${Array.isArray(series) ? series.length : 'no'} months`, allowed: 'twelve monthly means, January first' })
      continue
    }
    series.forEach((v, m) => {
      if (typeof v !== 'number' || !Number.isFinite(v) || v < -70 || v > 55) out.push({ at: `.${name}[${m}]`, message: `is ${String(v)}`, allowed: 'a temperature from −70 to 55 °C' })
    })
  }
  if (out.length > 0) return out
  for (let m = 0; m < 12; m++) {
    const low = (lowC as number[])[m]!
    const high = (highC as number[])[m]!
    if (high - low < 0.5) out.push({ at: `.highC[${m}]`, message: `is ${high}, not above that month’s low of ${low}`, allowed: 'a high at least 0.5 °C above the low' })
  }
  return out
}

const schema = group({
  schemaVersion: mixed().oneOf([SCHEMA_VERSION]),
  id: text(80),
  name: text(120),
  decided: list(oneOf(STEPS), 0, STEPS.length),
  aim: group({ lowestAirC: within('aim.lowestAirC'), highestAirC: within('aim.highestAirC') }),
  site: group({
    place: text(120), latitudeDeg: within('site.latitudeDeg'), longitudeDeg: within('site.longitudeDeg'), elevationM: within('site.elevationM'),
    timeZone: text(60).test('zone', ({ value }) => say(`“${String(value)}” is not a time zone`, 'an IANA name such as Europe/Vienna'), v => typeof v === 'string' && isTimeZone(v)),
    soil: oneOf(ids(MATERIALS.filter(m => m.group === 'ground'))), seed: whole('site.seed'),
    climate: mixed().test('climate', (value, context) => {
      const found = climateFaults(value)
      return found.length === 0 || new ValidationError(found.map(f => context.createError({ path: context.path + f.at, message: say(f.message, f.allowed) })))
    }),
  }),
  shape: group({
    form: oneOf(['shed', 'gable', 'saltbox']), turnDeg: within('shape.turnDeg'), lengthM: within('shape.lengthM'), widthM: within('shape.widthM'),
    kneeWallM: within('shape.kneeWallM'), ridgeHeightM: within('shape.ridgeHeightM'), ridgeAtM: within('shape.ridgeAtM'), backWallM: within('shape.backWallM'),
    beds: list(group({ atM: within('bed.atM'), widthM: within('bed.widthM'), heightM: within('bed.heightM') }), 0, 6),
  }),
  skin: group({
    glazing: oneOf(ids(GLAZINGS)), poleSlope: oneOf(['solid', 'glazed']), endsGlazedShare: within('skin.endsGlazedShare'), wall: layers, roof: layers,
    cover: group({ id: oneOf(ids(NIGHT_COVERS)), afterSunsetH: within('skin.cover.afterSunsetH'), afterSunriseH: within('skin.cover.afterSunriseH'), onlyBelowC: within('skin.cover.onlyBelowC') }),
    edge: group({ material: oneOf(insulating), thicknessM: within('skin.edge.thicknessM'), depthM: within('skin.edge.depthM') }),
  }),
  store: group({
    barrels: group({
      count: whole('store.barrels.count'), vessel: oneOf(ids(VESSELS)), colour: oneOf(ids(COLOURS)), place: oneOf(['back', 'middle', 'sunny']),
      stack: whole('store.barrels.stack'), raisedM: within('store.barrels.raisedM'),
    }),
    massWall: lining('store.massWall.thicknessM'), floor: lining('store.floor.thicknessM'),
  }),
  breathe: group({
    leakage: oneOf(ids(LEAKAGE_CLASSES)),
    vents: group({ lowM2: within('breathe.vents.lowM2'), highM2: within('breathe.vents.highM2'), startC: within('breathe.vents.startC'), fullC: within('breathe.vents.fullC') }),
  }),
  topUp: group({
    heater: group({
      on: mixed().test('flag', say('is not true or false', 'true or false'), v => typeof v === 'boolean'), capacityW: within('topUp.heater.capacityW'),
      setPointC: within('topUp.heater.setPointC'), fuel: oneOf(ids(FUELS)), pricePerKWh: within('topUp.heater.pricePerKWh'), currency: text(3),
    }),
  }),
})

/** Checks that hold between fields; run once the fields themselves are sound. */
function faultsBetween(design: Design): Fault[] {
  const out: Fault[] = []
  const add = (path: string, message: string, allowed: string) => out.push({ path, message, allowed })
  if (design.aim.lowestAirC >= design.aim.highestAirC) add('aim.lowestAirC', 'is not below the highest air', `below ${design.aim.highestAirC} °C`)
  for (const f of outlineFaults(design.shape, GLAZING_ANGLE_RANGE)) add(f.path, f.message, f.allowed)
  const vents = design.breathe.vents
  if (vents.fullC <= vents.startC) add('breathe.vents.fullC', 'is not above the start of opening', `above ${vents.startC} °C`)
  const thick = (l: { thicknessM: number }[]) => l.reduce((s, x) => s + x.thicknessM, 0)
  if (thick(design.skin.wall) < 0.002) add('skin.wall', 'has no thickness', 'layers that add up to 2 mm or more')
  if (thick(design.skin.roof) < 0.002) add('skin.roof', 'has no thickness', 'layers that add up to 2 mm or more')
  const { count, vessel, stack, raisedM } = design.store.barrels
  const v = entry(VESSELS, vessel)
  if (count > 0) {
    const top = raisedM + stack * v.heightM
    if (top > design.shape.ridgeHeightM) add('store.barrels.stack', `stands ${top.toFixed(2)} m high, above the ridge`, `at most ${design.shape.ridgeHeightM} m with what it stands on`)
    const perRow = Math.max(1, Math.floor(design.shape.lengthM / v.diameterM)) * stack
    const rows = Math.max(1, Math.floor(design.shape.widthM / v.diameterM))
    if (count > perRow * rows) add('store.barrels.count', 'does not fit on the floor', `at most ${perRow * rows} of these, ${stack} high`)
  }
  return out
}

/** All faults of a document; an empty list means that it is a sound {@link Design}. Never throws, whatever it is given. */
export function designFaults(document: unknown): Fault[] {
  if (typeof document !== 'object' || document === null || Array.isArray(document)) {
    return [{ path: '', message: 'This is not a Tierra design', allowed: 'a design exported as JSON' }]
  }
  const version = (document as { schemaVersion?: unknown }).schemaVersion
  if (version !== SCHEMA_VERSION) {
    const newer = typeof version === 'number' && version > SCHEMA_VERSION
    return [{
      path: 'schemaVersion', message: newer ? `is ${version}, from a newer Tierra` : version === undefined ? 'is missing, so this is not a Tierra design' : `is ${JSON.stringify(version)}`,
      allowed: `${SCHEMA_VERSION}`,
    }]
  }
  try {
    schema.validateSync(document, { abortEarly: false, strict: true })
  }
  catch (error) {
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
