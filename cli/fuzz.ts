import { BODY_KINDS } from '../core/bodies/registry'
import { DEMOS, fieldRule, type Design, type HourlyClimate } from '../core/design'
import { freeBody, designFaults, patchDesign, type Patch } from '../core/editing'
import { HOURS } from '../core/climate'
import { seededRandom } from '../core/climate/random'
import { createYearEngine } from '../core/year'
import { AIR_STORE_KINDS, anAirStore, type AirStoreKindId } from '../core/air-stores/registry'
import { aFan, FAN_KINDS, type FanKindId } from '../core/fans/registry'
import { aSource, SOURCE_KINDS, type SourceKindId } from '../core/sources/registry'
import type { GroupField } from '../core/design/field'

/** A design to try, and how it came about. */
export interface Trial {
  demo: string
  patches: Patch[]
  design: Design
}

/** What trials came to. The lists name each trial that went wrong. */
export interface FuzzReport {
  tried: number
  /** Named as faulty, so not run. */
  refused: number
  nan: string[]
  /** Ledgers open by more than a thousandth. */
  open: string[]
  threw: string[]
  slowestMs: number
  slowest: string
  /** Greatest closure of a ledger. */
  closure: number
}

/** Ledgers must close within this share of the gains. */
export const CLOSED = 1e-3

/** Paths of all single values of a document that have a rule. */
export function ruledPaths(design: Design): string[] {
  const out: string[] = []
  const walk = (node: unknown, path: string) => {
    if (typeof node !== 'object' || node === null) {
      if (fieldRule(path, design)) out.push(path)
      return
    }
    for (const [key, value] of Object.entries(node)) walk(value, path ? `${path}.${key}` : key)
  }
  // The version is what it is.
  walk({ ...design, schemaVersion: [], site: { ...design.site, climate: null } }, '')
  return out
}

/** A value that a field allows: often one of its ends, or near to its lower one, where sizes vanish. */
function someValue(design: Design, path: string, random: () => number): unknown {
  const rule = fieldRule(path, design)!
  if ('choices' in rule) return rule.choices[Math.floor(random() * rule.choices.length)]
  const { low, high, whole } = rule
  const kind = random()
  const v =
    kind < 0.15
      ? low
      : kind < 0.3
        ? high
        : kind < 0.7
          ? low + (high - low) * random()
          : low + (high - low) * 10 ** (-9 * random())
  return whole ? Math.round(v) : v
}

/** Monthly normals anywhere in what is allowed. */
function someNormals(random: () => number): Design['site']['climate'] {
  const mean = -40 + 75 * random()
  const swing = 25 * random()
  const range = 0.5 + 20 * random()
  const spike = Math.floor(random() * 24)
  const month = (m: number) => mean - swing * Math.cos((2 * Math.PI * m) / 12)
  const cap = (v: number) => Math.max(-70, Math.min(54, v))
  const lowC = Array.from({ length: 12 }, (_, m) => cap(month(m) - range / 2))
  const highC = lowC.map((l, m) => Math.min(55, l + 0.5 + (m === spike ? 60 * random() : range)))
  return { kind: 'normals', lowC, highC }
}

/** An hourly year at the edges of what is allowed. */
export function extremeHours(dryBulbC: (hour: number) => number, random: () => number): HourlyClimate {
  const f = (of: (h: number) => number) => Array.from({ length: HOURS }, (_, h) => of(h))
  const t = f(dryBulbC)
  return {
    kind: 'hourly',
    source: 'extremes',
    notes: [],
    dryBulbC: t,
    dewPointC: t.map(v => Math.max(-100, Math.min(40, v - 20 * random()))),
    pressurePa: f(() => (random() < 0.001 ? 30000 : 101325)),
    globalWm2: f(h => (h % 24 > 6 && h % 24 < 18 ? 1600 * random() : 0)),
    beamWm2: f(h => (h % 24 > 6 && h % 24 < 18 ? 1500 * random() : 0)),
    diffuseWm2: f(h => (h % 24 > 6 && h % 24 < 18 ? 1200 * random() : 0)),
    skyInfraredWm2: f(() => 40 + 660 * random()),
    windMs: f(() => 80 * random() ** 4),
    cloud: f(random),
  }
}

/** Trials of one to eight changes at once over all demos; the same for the same seed and index. */
export function mutation(seed: number, index: number): Trial {
  const random = seededRandom(seed * 1000003 + index)
  const demo = DEMOS[index % DEMOS.length]!
  const paths = ruledPaths(demo)
  const patches: Patch[] = []
  let design = demo
  for (let k = 1 + Math.floor(random() * 8); k > 0; k--) {
    const path = paths[Math.floor(random() * paths.length)]!
    const patch: Patch = random() < 0.06 ? ['site.climate', someNormals(random)] : [path, someValue(demo, path, random)]
    const next = patchDesign(design, [patch])
    // A change that breaks the document is left out, or few would stand; one that stands alone in a trial is kept to be
    // refused.
    if (patches.length > 0 && designFaults(next).length > 0) continue
    patches.push(patch)
    design = next
  }
  return { demo: demo.id, patches, design }
}

/**
 * Every field of every demo alone at either end of its range or at each of its choices; a speck above nothing; climates
 * at their edges.
 */
export function extremes(): Trial[] {
  const out: Trial[] = []
  for (const demo of DEMOS) {
    const add = (...patches: Patch[]) => out.push({ demo: demo.id, patches, design: patchDesign(demo, patches) })
    const each = (list: string, thing: { kind: string }, { fields }: GroupField) => {
      add([list, [thing]])
      for (const [name, field] of Object.entries(fields)) {
        const ends = field.kind === 'number' ? [field.low, field.high, field.low + (field.high - field.low) * 1e-6] : []
        const choices = field.kind === 'choice' && name !== 'kind' ? field.choices.map(c => c.id) : []
        for (const end of [...ends, ...choices]) add([list, [{ ...thing, [name]: end }]])
      }
    }
    for (const path of ruledPaths(demo)) {
      const rule = fieldRule(path, demo)!
      if ('choices' in rule) for (const c of rule.choices) add([path, c])
      else {
        add([path, rule.low])
        add([path, rule.high])
        if (!rule.whole) add([path, rule.low + (rule.high - rule.low) * 1e-6])
      }
    }
    const random = seededRandom(11)
    for (const high of [46, 49, 52, 54.8])
      add([
        'site.climate',
        {
          ...demo.site.climate,
          highC: (demo.site.climate as { highC: number[] }).highC.map((v, m) => (m === 0 ? high : v)),
        },
      ])
    add(['site.climate', extremeHours(() => -90, random)])
    add(['site.climate', extremeHours(() => 70, random)])
    add(['site.climate', extremeHours(h => (h % 2 ? -90 : 70), random)])
    add(['site.climate', extremeHours(h => (h % 2 ? -10 : 30), random)])
    // As fast and as far as is allowed.
    for (const period of [8, 48, 480])
      add([
        'site.climate',
        extremeHours(
          h => Math.max(-35, Math.min(34, (Math.abs((h % period) - period / 2) - period / 4) * 40 - 10)),
          random,
        ),
      ])
    // One of each kind of body by itself, and its own extremes.
    for (const kind of BODY_KINDS) {
      const body = freeBody({ ...demo, store: { ...demo.store, bodies: [] } }, kind)
      if (!body) continue
      each('store.bodies', body, kind.fields)
    }
    const lit = { fromH: 0, untilH: 24, months: [1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12] }
    for (const powerW of [17000, 40000, 92000]) add(['topUp.sources', [aSource('lamps', { ...lit, powerW })]])
    add(['topUp.sources', [aSource('heater', { fuel: 'gas-unvented', setPointC: 20 })]])
    // And so with sources, fans and air stores.
    for (const kind of SOURCE_KINDS) each('topUp.sources', aSource(kind.kind as SourceKindId), kind.fields)
    for (const kind of FAN_KINDS) each('breathe.fans', aFan(kind.kind as FanKindId), kind.fields)
    for (const kind of AIR_STORE_KINDS) each('store.airStores', anAirStore(kind.kind as AirStoreKindId), kind.fields)
  }
  return out
}

const emptyReport = (): FuzzReport => ({
  tried: 0,
  refused: 0,
  nan: [],
  open: [],
  threw: [],
  slowestMs: 0,
  slowest: '',
  closure: 0,
})

/** A trial as a reader can repeat it. */
const told = ({ demo, patches }: Trial) => `${demo}: ${patches.map(([p, v]) => `${p}=${toldValue(p, v)}`).join(' ')}`
const toldValue = (path: string, v: unknown) =>
  path === 'site.climate' && (v as { kind: string }).kind === 'hourly' ? 'hours' : JSON.stringify(v)

/** Runs trials one after another. */
export function runTrials(trials: Iterable<Trial>, clock: () => number, stepsPerHour = 4): FuzzReport {
  const engine = createYearEngine()
  const report = emptyReport()
  for (const trial of trials) {
    report.tried++
    try {
      if (designFaults(trial.design).length > 0) {
        report.refused++
        continue
      }
      const start = clock()
      const { answers } = engine.run(trial.design, { stepsPerHour })
      const ms = clock() - start
      if (ms > report.slowestMs) Object.assign(report, { slowestMs: ms, slowest: told(trial) })
      if (
        JSON.stringify(answers, (_, v) =>
          typeof v === 'number' && !Number.isFinite(v) ? 'NO NUMBER' : (v as unknown),
        ).includes('NO NUMBER')
      )
        report.nan.push(told(trial))
      else if (answers.ledger.closure > CLOSED)
        report.open.push(`${answers.ledger.closure.toExponential(1)} ${told(trial)}`)
      if (answers.ledger.closure > report.closure) report.closure = answers.ledger.closure
    } catch (error) {
      const list = error instanceof Error && error.name === 'YearFailed' ? report.nan : report.threw
      list.push(`${error instanceof Error ? error.message : String(error)} ${told(trial)}`)
    }
  }
  return report
}

/** Two reports as one. */
export function joinReports(a: FuzzReport, b: FuzzReport): FuzzReport {
  const slow = a.slowestMs > b.slowestMs ? a : b
  return {
    tried: a.tried + b.tried,
    refused: a.refused + b.refused,
    nan: [...a.nan, ...b.nan],
    open: [...a.open, ...b.open],
    threw: [...a.threw, ...b.threw],
    slowestMs: slow.slowestMs,
    slowest: slow.slowest,
    closure: Math.max(a.closure, b.closure),
  }
}
