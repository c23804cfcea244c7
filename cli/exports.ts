import { exportsOf, type Exported, type ExportInput } from '../formats/exports'
import { shippedFonts } from './fonts'
import { writeWhole } from './output'

/** Options of a command that write what it tells as files. */
export const exportOptions = (of: Exported): string[] => exportsOf(of).map(f => f.option)

/**
 * Writes what is asked for in options: each format to the file that its option names.
 * @param inputs files that must not be written over
 */
export async function writeExports<K extends Exported>(
  of: K,
  input: ExportInput<K>,
  options: Readonly<Record<string, string | undefined>>,
  inputs: readonly (string | undefined)[],
): Promise<void> {
  for (const format of exportsOf(of)) {
    const path = options[format.option]
    if (path !== undefined) writeWhole(path, await format.write(input, shippedFonts), inputs)
  }
}
