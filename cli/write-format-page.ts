import { writeFileSync } from 'node:fs'
import { formatPage } from './format-page'

writeFileSync(new URL('../docs/design-format.md', import.meta.url), formatPage())
