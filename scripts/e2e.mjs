// npm run e2e: builds if needed, serves the app, runs the end-to-end tests (with any further words handed to Jest).
import { spawnSync } from 'node:child_process'
import { ensureBuilt, ensureChromium, ensureInstalled, ROOT } from './setup.mjs'
import { freePort, startServer } from './serve.mjs'

ensureInstalled()
ensureChromium()
ensureBuilt()
const { child, address } = await startServer(await freePort(4600))
const done = spawnSync('npx', ['jest', '--config', 'jest.e2e.config.mjs', ...process.argv.slice(2)], {
  cwd: ROOT,
  stdio: ['ignore', 'inherit', 'inherit'],
  env: { ...process.env, TIERRA_ADDRESS: address },
})
child.kill()
process.exit(done.status ?? 1)
