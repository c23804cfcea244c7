// npm run -s tierra -- <command>: the core without a browser.
import { spawn } from 'node:child_process'
import { join } from 'node:path'
import { pathToFileURL } from 'node:url'
import { ensureInstalled, ROOT } from './setup.mjs'

ensureInstalled()
const tsx = pathToFileURL(join(ROOT, 'node_modules/tsx/dist/loader.mjs')).href
const child = spawn(process.execPath, ['--import', tsx, join(ROOT, 'cli/tierra.ts'), ...process.argv.slice(2)], { stdio: 'inherit', cwd: process.env.INIT_CWD ?? process.cwd() })
child.on('exit', (code, signal) => process.exit(signal ? 1 : code ?? 1))
