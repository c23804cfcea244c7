import { HOURS, isoAt } from '../core/climate'
import type { YearResult } from '../core/year'

type Column = [name: string, value: (h: number) => number | string]

/**
 * The year hour by hour as CSV: a heading with units, 8760 rows, decimal points. The stamp is the beginning of the
 * hour. After what the house has in common come the columns of each of its bodies, openings, sources, fans and air
 * stores, by their names in the answers: `drums_2_C`,
 * `source_stove_W`. No name stands twice.
 */
export function writeHourlyCsv({ answers, site, series }: YearResult): string {
  const columns: Column[] = [
    ['hour_begins', h => isoAt(h, site.standardOffsetH)],
    ['outside_C', h => fixed(site.dryBulbC[h]!, 2)],
    ['air_C', h => fixed(series.airC[h]!, 2)],
    ['air_lowest_C', h => fixed(series.airLowC[h]!, 2)],
    ['air_highest_C', h => fixed(series.airHighC[h]!, 2)],
    ['radiant_C', h => fixed(series.radiantC[h]!, 2)],
    ['soil_C', h => fixed(series.soilC[h]!, 2)],
    ['water_C', h => fixed(series.waterC[h]!, 2)],
    ['floor_C', h => fixed(series.floorC[h]!, 2)],
    ['glazing_C', h => fixed(series.glazingC[h]!, 2)],
    ['relative_humidity', h => fixed(series.relativeHumidity[h]!, 3)],
    ['global_Wm2', h => fixed(site.globalWm2[h]!, 1)],
    ['bed_light_Wm2', h => fixed(series.bedLightWm2[h]!, 1)],
    ['vent_opening', h => fixed(series.ventOpening[h]!, 3)],
    ['cover_drawn', h => fixed(series.coverDrawn[h]!, 2)],
    ['heater_W', h => fixed(series.heaterW[h]!, 0)],
    ...answers.bodies.map(({ name }, i): Column => [`${plain(name)}_C`, h => fixed(series.bodies[i]!.middleC[h]!, 2)]),
    ...answers.openings.map(({ name }, i): Column => [`${plain(name)}_open`, h => fixed(series.openings[i]![h]!, 3)]),
    ...answers.sources.map(({ name }, i): Column => [`source_${plain(name)}_W`, h => fixed(series.sources[i]![h]!, 0)]),
    ...answers.fans.map(({ name }, i): Column => [`${plain(name)}_W`, h => fixed(series.fans[i]![h]!, 0)]),
    ...answers.airStores.flatMap(({ name }, i): Column[] => [
      [`${plain(name)}_C`, h => fixed(series.airStores[i]!.storeC[h]!, 2)],
      [`${plain(name)}_takes_W`, h => fixed(series.airStores[i]!.takesW[h]!, 0)],
    ]),
    ...series.skin.map(({ id, lostW }): Column => [`${plain(id)}_lost_W`, h => fixed(lostW[h]!, 0)]),
  ]
  const names = columns.map(([name]) => name)
  const heads = names.map((name, k) => {
    const before = names.slice(0, k).filter(n => n === name).length
    return before > 0 ? `${name}_${before + 1}` : name
  })
  const rows = [heads.join(',')]
  for (let h = 0; h < HOURS; h++) rows.push(columns.map(([, value]) => value(h)).join(','))
  return `${rows.join('\n')}\n`
}

/** A name as a column's. */
const plain = (name: string): string =>
  name
    .toLowerCase()
    .replaceAll(/[^a-z0-9]+/g, '_')
    .replaceAll(/^_|_$/g, '')

function fixed(value: number, digits: number): string {
  return Number.isFinite(value) ? value.toFixed(digits) : ''
}
