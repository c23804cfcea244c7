import { writeFileSync } from 'node:fs'
import { measuredFigures } from '../tests/proof/measured-houses'
import { formatPage } from './format-page'
import { sumsPage } from './sums-page'

const write = (name: string, text: string) => writeFileSync(new URL(`../${name}`, import.meta.url), text)
write('docs/design-format.md', formatPage())
write('docs/sums.md', sumsPage())
write('core/measured-houses.json', `${JSON.stringify(measuredFigures(), null, 2)}\n`)
// The page tells what has just been written.
const { measuredPage, measuredPicture } = await import('./measured-page')
write('docs/measured-houses.md', measuredPage())
write('docs/measured-houses.svg', measuredPicture())
