// npm run shots: takes the pictures of docs/screenshots anew, from the demo designs; or those that are named alone.
import { spawnSync } from 'node:child_process'
import { ensureBuilt, ensureChromium, ensureInstalled, ROOT } from './setup.mjs'
import { freePort, startServer } from './serve.mjs'

ensureInstalled()
ensureChromium()
ensureBuilt()
const { child, address } = await startServer(await freePort(4700))
const done = spawnSync(process.execPath, ['--import', 'tsx', 'tests/e2e/shots.ts', ...process.argv.slice(2)], {
  cwd: ROOT,
  stdio: ['ignore', 'inherit', 'inherit'],
  env: { ...process.env, TIERRA_ADDRESS: address },
})
child.kill()
process.exit(done.status ?? 1)
