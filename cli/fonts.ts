import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import type { FontFiles } from '../formats/pdf-fonts'

/** The fonts that ship with the app. */
export function shippedFonts(): FontFiles {
  const { resolve } = createRequire(import.meta.url)
  const files = (family: string, weight: number, sets = ['latin', 'latin-ext']) =>
    // A copy: a file that is read lies amid a larger buffer.
    sets.map(
      set =>
        new Uint8Array(readFileSync(resolve(`@fontsource/${family}/files/${family}-${set}-${weight}-normal.woff`))),
    )
  // Sums are written with Greek letters, too.
  const text = files('source-sans-3', 400, ['latin', 'latin-ext', 'greek'])
  return { text, strong: files('source-sans-3', 600), heading: files('zilla-slab', 600) }
}
