import type { ControlLine } from '../core/advice/control-sheet'
import type { Design } from '../core/design/types'
import type { Sheet } from '../core/drawings/sheet'
import type { Planned } from '../core/plan/schedule'
import type { DatedTask } from '../core/season/season-tasks'
import type { CutList } from '../core/takeoff/cuts'
import type { PriceOf } from '../core/takeoff/price-book'
import type { Takeoff } from '../core/takeoff/takeoff'
import { CSV, type ExportFormat } from './export-format'
import type { ReportParts } from './report-pdf'
import type { SetParts } from './set-pdf'
import { YEAR_EXPORTS } from './year-exports'

export type { ExportFormat }

const ICS = { ending: 'ics', type: 'text/calendar' }
const PDF = { ending: 'pdf', type: 'application/pdf' }

/** All that goes out, by what it is of. A new format is an entry: its button and its option follow. */
export const EXPORTS = {
  'take-off': [
    {
      ...CSV,
      id: 'takeoff',
      button: 'Save as CSV',
      option: 'csv',
      name: () => 'take-off',
      write: async ({ takeoff, design }) => (await import('./takeoff-csv')).writeTakeoffCsv(takeoff, design),
    },
  ] satisfies ExportFormat<{ takeoff: Takeoff; design: Design }>[],
  'cuts': [
    {
      ...CSV,
      id: 'cuts',
      button: 'Save as CSV',
      option: 'csv',
      name: () => 'cuts',
      write: async cuts => (await import('./cuts-csv')).writeCutsCsv(cuts),
    },
  ] satisfies ExportFormat<CutList>[],
  'drawing': [
    {
      ...PDF,
      id: 'pdf',
      button: 'PDF',
      option: 'pdf',
      name: called => called,
      write: async (sheet, fonts) => (await import('./drawing-pdf')).writeDrawingPdf([sheet], await fonts()),
    },
    {
      id: 'svg',
      button: 'SVG',
      ending: 'svg',
      option: 'svg',
      type: 'image/svg+xml',
      name: called => called,
      write: async sheet => (await import('./drawing-svg')).writeDrawingSvg(sheet),
    },
    {
      id: 'dxf',
      button: 'DXF',
      ending: 'dxf',
      option: 'dxf',
      type: 'image/vnd.dxf',
      name: called => called,
      write: async ({ drawing, scale }) => (await import('./drawing-dxf')).writeDrawingDxf(drawing, scale),
    },
  ] satisfies ExportFormat<Sheet>[],
  'plan': [
    {
      ...ICS,
      id: 'ics',
      button: 'Calendar file',
      option: 'ics',
      name: called => `${called}, order of work`,
      write: async ({ plan, design }) => (await import('./plan-ics')).writePlanIcs(plan, design),
    },
  ] satisfies ExportFormat<{ plan: readonly Planned[]; design: Design }>[],
  'tasks': [
    {
      ...ICS,
      id: 'season-ics',
      button: 'Calendar file',
      option: 'ics',
      name: called => `${called}, season`,
      write: async ({ tasks, design }) => (await import('./tasks-ics')).writeTasksIcs(tasks, design),
    },
  ] satisfies ExportFormat<{ tasks: readonly DatedTask[]; design: Design }>[],
  'year': YEAR_EXPORTS,
  'control sheet': [
    {
      ...CSV,
      id: 'controls',
      button: 'Save as CSV',
      option: 'csv',
      name: () => 'control-sheet',
      write: async lines => (await import('./control-csv')).writeControlCsv(lines),
    },
  ] satisfies ExportFormat<readonly ControlLine[]>[],
  'prices': [
    {
      ...CSV,
      id: 'prices',
      button: 'Save as CSV',
      option: 'csv',
      name: () => 'prices',
      write: async ({ price, isOwn, currency }) =>
        (await import('./prices-csv')).writePricesCsv(price, isOwn, currency),
    },
  ] satisfies ExportFormat<{ price: PriceOf; isOwn: (id: string) => boolean; currency: string }>[],
  'report': [
    {
      ...PDF,
      id: 'report',
      button: 'Save as PDF',
      option: 'pdf',
      name: called => called,
      write: async (parts, fonts) => (await (await import('./report-pdf')).writeReportPdf(parts, await fonts())).bytes,
    },
  ] satisfies ExportFormat<ReportParts>[],
  'set': [
    {
      ...PDF,
      id: 'set',
      button: 'Builder’s set as PDF',
      option: 'pdf',
      name: called => `${called}, builders set`,
      write: async (parts, fonts) => (await (await import('./set-pdf')).writeSetPdf(parts, await fonts())).bytes,
    },
  ] satisfies ExportFormat<SetParts>[],
} as const
export type Exported = keyof typeof EXPORTS
/** What a thing's formats are written from. */
export type ExportInput<K extends Exported> = Parameters<(typeof EXPORTS)[K][number]['write']>[0]

/** The formats of a thing, each of what it is written from. */
export const exportsOf = <K extends Exported>(of: K) =>
  EXPORTS[of] as unknown as readonly ExportFormat<ExportInput<K>>[]
