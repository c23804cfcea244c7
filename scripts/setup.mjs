// Set-up shared by the scripts: needs nothing but Node, and skips what is done.
import { spawnSync } from 'node:child_process'
import { createHash } from 'node:crypto'
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'

export const ROOT = dirname(dirname(fileURLToPath(import.meta.url)))

/** Says something to a person, aside from any output that a program reads. */
export const say = text => process.stderr.write(`${text}\n`)

/** Runs a command in the project's folder with its output shown; true when it succeeds. */
export function run(command, args, options = {}) {
  const done = spawnSync(command, args, {
    cwd: ROOT,
    stdio: ['ignore', options.quiet ? 2 : 'inherit', 'inherit'],
    env: { ...process.env, ...options.env },
  })
  return done.status === 0
}

function checkNode() {
  const [major, minor] = process.versions.node.split('.').map(Number)
  if (major < 20 || (major === 20 && minor < 19)) {
    say(
      `Tierra needs Node 20.19 or later; this is ${process.versions.node}. Install Node 20 and run the command again.`,
    )
    process.exit(1)
  }
}

/** Installs the packages when they are missing or the lock file has changed since. */
export function ensureInstalled() {
  checkNode()
  const lock = join(ROOT, 'package-lock.json')
  const stamp = join(ROOT, 'node_modules', '.tierra-lock')
  const wanted = createHash('sha256').update(readFileSync(lock)).digest('hex')
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === wanted) return
  say('Installing packages …')
  // Not `npm ci`: it refuses a lock file without the binaries of platforms that a registry does not carry. This keeps
  // to the locked versions and leaves the lock as it is.
  if (!run('npm', ['install', '--no-save', '--no-audit', '--no-fund', '--loglevel=error'], { quiet: true })) {
    say(
      'The packages could not be installed. Check that the package registry can be reached and that the ' +
        'disk has 1 GB free, then run the command again.',
    )
    process.exit(1)
  }
  writeFileSync(stamp, wanted)
}

function onPath(name) {
  return (process.env.PATH ?? '')
    .split(':')
    .map(d => join(d, name))
    .find(p => existsSync(p))
}

/** Chromium and its driver, installed from Debian's packages when they are missing and this is root. */
export function ensureChromium() {
  if (onPath('chromium') && onPath('chromedriver')) return
  const command = 'apt-get update && apt-get install -y chromium chromium-driver'
  if (process.getuid?.() !== 0 || !onPath('apt-get')) {
    say(`Chromium and ChromeDriver are needed for the end-to-end tests. On Debian, run as root:\n  ${command}`)
    process.exit(1)
  }
  say('Installing Chromium …')
  const env = { DEBIAN_FRONTEND: 'noninteractive' }
  run('apt-get', ['update', '-qq'], { quiet: true, env })
  if (
    !run('apt-get', ['install', '-y', '-qq', '--no-install-recommends', 'chromium', 'chromium-driver'], {
      quiet: true,
      env,
    })
  ) {
    say(`Chromium could not be installed. Run as root and read what it says:\n  ${command}`)
    process.exit(1)
  }
}

const SOURCES = ['app', 'core', 'formats', 'server', 'public', 'nuxt.config.ts', 'package-lock.json']

function sourceDigest() {
  const hash = createHash('sha256')
  const visit = path => {
    if (!existsSync(path)) return
    if (statSync(path).isDirectory()) for (const name of readdirSync(path).sort()) visit(join(path, name))
    else hash.update(path.slice(ROOT.length)).update(readFileSync(path))
  }
  for (const source of SOURCES) visit(join(ROOT, source))
  return hash.digest('hex')
}

/** Whether the app stands as its sources are now, and what marks it so once it is built. */
export function buildStamp() {
  const stamp = join(ROOT, '.cache', 'built')
  const wanted = sourceDigest()
  return {
    isDone:
      existsSync(join(ROOT, '.output/server/index.mjs')) && existsSync(stamp) && readFileSync(stamp, 'utf8') === wanted,
    done: () => {
      mkdirSync(dirname(stamp), { recursive: true })
      writeFileSync(stamp, wanted)
    },
  }
}

/** Builds the app when its sources have changed since the last build. */
export function ensureBuilt() {
  const { isDone, done } = buildStamp()
  if (isDone) return
  say('Building …')
  if (!run('npx', ['nuxt', 'build'], { quiet: true, env: { NUXT_TELEMETRY_DISABLED: '1' } })) {
    say('The build failed; the lines above say where. `npm test` checks types and style one by one.')
    process.exit(1)
  }
  done()
}
