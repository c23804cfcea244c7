import { writeFileSync } from 'node:fs'
import { formatPage } from './format-page'
import { sumsPage } from './sums-page'

const write = (name: string, text: string) => writeFileSync(new URL(`../docs/${name}`, import.meta.url), text)
write('design-format.md', formatPage())
write('sums.md', sumsPage())
