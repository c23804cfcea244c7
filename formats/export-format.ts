import type { FontFiles } from './pdf-fonts'

/** A way in which something goes out as a file. */
export interface ExportFormat<I> {
  /** As buttons and tests call it. */
  id: string
  /** On its button. */
  button: string
  /** Ending of its files. */
  ending: string
  /** Option of the command line that writes it. */
  option: string
  type: string
  /** Name of its file, less the ending, of what is called so. */
  name: (called: string) => string
  /** The writer is loaded when it is first asked for; fonts are handed in by who has them. */
  write: (of: I, fonts: () => FontFiles | Promise<FontFiles>) => Promise<string | Uint8Array>
}

export const CSV = { ending: 'csv', type: 'text/csv' }
