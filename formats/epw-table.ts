/** Fields of a data row in an EPW file. EnergyPlus Auxiliary Programs, EPW data dictionary. */
export const EPW_FIELDS = 35
export const EPW_HEADINGS = 8

/** An EPW file field by field, nothing interpreted and nothing left out. */
export interface EpwTable {
  /** The heading lines as they stand. */
  heading: string[]
  /** Data rows as their fields, with the line of the file that each stood on (1-based). */
  rows: string[][]
  lines: number[]
}

/** Cuts an EPW file into its fields. Never throws; a file without data rows has none. */
export function parseEpwTable(text: string): EpwTable {
  const all = text.replace(/^\uFEFF/, '').split(/\r\n|\n|\r/)
  const first = all.findIndex((l, i) => i >= 1 && /^\d{4}\s*,/.test(l.trimStart()))
  const table: EpwTable = { heading: first < 0 ? all.filter(l => l !== '') : all.slice(0, first), rows: [], lines: [] }
  for (let i = first < 0 ? all.length : first; i < all.length; i++) {
    if (all[i]!.trim() === '') continue
    table.rows.push(all[i]!.split(','))
    table.lines.push(i + 1)
  }
  return table
}

/** The file again: every field as it was read. */
export function formatEpwTable(table: EpwTable): string {
  return `${[...table.heading, ...table.rows.map(r => r.join(','))].join('\r\n')}\r\n`
}
