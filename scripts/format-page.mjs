// npm run format-page: writes docs/design-format.md and docs/sums.md from their tables, and works out what the year
// says of houses that were measured: docs/measured-houses.md with its picture, core/measured-houses.json.
import { spawnSync } from 'node:child_process'
import { ensureInstalled, ROOT } from './setup.mjs'

ensureInstalled()
const done = spawnSync(process.execPath, ['--import', 'tsx', 'cli/write-format-page.ts'], {
  cwd: ROOT,
  stdio: 'inherit',
})
process.exit(done.status ?? 1)
