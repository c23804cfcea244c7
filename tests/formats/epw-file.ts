import { MONTH_DAYS } from '../../core/climate'

export interface EpwOptions {
  leap?: boolean
  change?: (cells: string[], hour: number) => string[] | null
}

/** An invented EPW year: a sine of temperature over day and year, clear-sky light by day. */
export function epwText(options: EpwOptions = {}): string {
  const head = [
    'LOCATION,Testfield,-,INV,invented,000000,47.0,15.0,1.0,500.0',
    'DESIGN CONDITIONS,0',
    'TYPICAL/EXTREME PERIODS,0',
    'GROUND TEMPERATURES,0',
    'HOLIDAYS/DAYLIGHT SAVINGS,No,0,0,0',
    'COMMENTS 1,invented',
    'COMMENTS 2,invented',
    'DATA PERIODS,1,1,Data,Sunday, 1/ 1,12/31',
  ]
  const rows: string[] = []
  let hour = 0
  MONTH_DAYS.forEach((days, m) => {
    for (let d = 1; d <= days + (options.leap && m === 1 ? 1 : 0); d++) {
      for (let k = 1; k <= 24; k++) {
        const t = 10 - 12 * Math.cos((2 * Math.PI * hour) / 8760) + 5 * Math.sin((2 * Math.PI * (k - 9)) / 24)
        const light = Math.max(0, Math.sin((Math.PI * (k - 7)) / 12)) * 600
        const cells = [
          '2021',
          `${m + 1}`,
          `${d}`,
          `${k}`,
          '60',
          '?9?9',
          t.toFixed(1),
          (t - 4).toFixed(1),
          '75',
          '95400',
          '0',
          '0',
          '300',
          light.toFixed(0),
          (light * 0.8).toFixed(0),
          (light * 0.4).toFixed(0),
          '0',
          '0',
          '0',
          '0',
          '180',
          '2.4',
          '5',
          '5',
          '20',
          '77777',
          '9',
          '999999999',
          '15',
          '0.1',
          '0',
          '88',
          '0.2',
          '0',
          '1',
        ]
        const changed = options.change ? options.change(cells, hour) : cells
        if (changed) rows.push(changed.join(','))
        hour++
      }
    }
  })
  return [...head, ...rows].join('\r\n')
}
