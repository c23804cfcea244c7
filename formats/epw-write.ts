import { HOURS, MONTH_OF_DAY, MONTH_START, NOMINAL_YEAR, vapourAtDewPointPa, type SiteYear } from '../core/climate'
import type { Design } from '../core/design'
import { asciiText } from './ascii'
import { formatEpwTable, type EpwTable } from './epw-table'

/**
 * The site's year as an EPW file: eight heading lines and 8760 rows, hour-ending stamps, standard time. What Tierra
 * does not know (illuminance, visibility, rain and the like) carries the format's codes for “missing”. EnergyPlus
 * Auxiliary Programs, EPW data dictionary.
 */
export function writeEpw(
  site: Pick<Design['site'], 'place' | 'latitudeDeg' | 'longitudeDeg' | 'elevationM'>,
  year: SiteYear,
): string {
  const plain = asciiText(site.place)
    .replace(/[,\s]+/g, ' ')
    .trim()
  const table: EpwTable = {
    rows: [],
    lines: [],
    heading: [
      [
        'LOCATION',
        plain,
        '-',
        '-',
        'Tierra',
        '000000',
        site.latitudeDeg,
        site.longitudeDeg,
        year.standardOffsetH,
        site.elevationM,
      ].join(','),
      'DESIGN CONDITIONS,0',
      'TYPICAL/EXTREME PERIODS,0',
      'GROUND TEMPERATURES,0',
      'HOLIDAYS/DAYLIGHT SAVINGS,No,0,0,0',
      `COMMENTS 1,${asciiText(year.notes.join(' ')).replace(/[\r\n,]+/g, ' ') || 'hourly year'}`,
      'COMMENTS 2,written by Tierra',
      'DATA PERIODS,1,1,Data,Friday,1/1,12/31',
    ],
  }
  for (let h = 0; h < HOURS; h++) {
    const day = Math.floor(h / 24)
    const month = MONTH_OF_DAY[day]!
    const t = year.dryBulbC[h]!
    const dew = year.dewPointC[h]!
    const humidity = Math.min(100, Math.max(1, (100 * vapourAtDewPointPa(dew)) / vapourAtDewPointPa(t)))
    const up = Math.max(0, Math.sin((year.sunAltitudeDeg[h]! * Math.PI) / 180))
    const tenths = Math.round(year.cloud[h]! * 10)
    table.rows.push(
      [
        NOMINAL_YEAR,
        month + 1,
        day - MONTH_START[month]! + 1,
        (h % 24) + 1,
        60,
        '?9?9',
        t.toFixed(2),
        dew.toFixed(2),
        humidity.toFixed(0),
        year.pressurePa[h]!.toFixed(0),
        (year.extraterrestrialWm2[h]! * up).toFixed(0),
        (up > 0 ? year.extraterrestrialWm2[h]! : 0).toFixed(0),
        year.skyInfraredWm2[h]!.toFixed(1),
        year.globalWm2[h]!.toFixed(1),
        year.beamWm2[h]!.toFixed(1),
        year.diffuseWm2[h]!.toFixed(1),
        999999,
        999999,
        999999,
        9999,
        999,
        year.windMs[h]!.toFixed(2),
        tenths,
        tenths,
        9999,
        99999,
        9,
        999999999,
        999,
        0.999,
        Math.round(year.snowM[h]! * 100),
        99,
        999,
        999,
        99,
      ].map(String),
    )
  }
  return formatEpwTable(table)
}
