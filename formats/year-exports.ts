import type { Design } from '../core/design/types'
import type { YearResult } from '../core/year'
import { CSV, type ExportFormat } from './export-format'

/** A year as files: apart from the other lists, since a worker writes them. */
export const YEAR_EXPORTS = [
  {
    ...CSV,
    id: 'hours',
    button: 'Hours as CSV',
    option: 'hourly',
    name: called => `${called}, year`,
    write: async ({ result }) => (await import('./hourly-csv')).writeHourlyCsv(result),
  },
  {
    id: 'epw',
    button: 'Weather as EPW',
    ending: 'epw',
    option: 'out',
    type: 'text/plain',
    name: called => `${called}, year`,
    write: async ({ design, result }) => (await import('./epw-write')).writeEpw(design.site, result.site),
  },
] satisfies ExportFormat<{ design: Design; result: YearResult }>[]
