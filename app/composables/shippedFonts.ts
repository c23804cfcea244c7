import greek400 from '@fontsource/source-sans-3/files/source-sans-3-greek-400-normal.woff?url'
import ext400 from '@fontsource/source-sans-3/files/source-sans-3-latin-ext-400-normal.woff?url'
import text400 from '@fontsource/source-sans-3/files/source-sans-3-latin-400-normal.woff?url'
import ext600 from '@fontsource/source-sans-3/files/source-sans-3-latin-ext-600-normal.woff?url'
import text600 from '@fontsource/source-sans-3/files/source-sans-3-latin-600-normal.woff?url'
import slabExt from '@fontsource/zilla-slab/files/zilla-slab-latin-ext-600-normal.woff?url'
import slab from '@fontsource/zilla-slab/files/zilla-slab-latin-600-normal.woff?url'
import type { FontFiles } from '../../formats/pdf-fonts'

const load = async (urls: readonly string[]) =>
  Promise.all(urls.map(async url => new Uint8Array(await (await fetch(url)).arrayBuffer())))

/** The fonts that ship with the app, for files that are set in them. */
export const shippedFonts = async (): Promise<FontFiles> => ({
  text: await load([text400, ext400, greek400]),
  strong: await load([text600, ext600]),
  heading: await load([slab, slabExt]),
})
