// npm test: everything. Installs if needed (packages, Chromium), then style, types, boundaries, unit and end-to-end
// tests. With --quick: all that needs no built app and runs no year.
import { spawn } from 'node:child_process'
import { mkdirSync, readFileSync, rmSync } from 'node:fs'
import { join, relative } from 'node:path'
import { buildStamp, ensureInstalled, ROOT, say } from './setup.mjs'

const args = process.argv.slice(2)
const quick = args.includes('--quick')
if (args.some(a => a === '--help' || a === '-h')) {
  console.log(
    'npm test\n\nInstalls if needed (packages; Chromium where it may), then runs style, types, boundaries, unit and ' +
      'end-to-end tests: half an hour and more on two busy cores. Its last line is “N passed, N failed”.\n\n' +
      'npm run test:quick: style, types, boundaries and the unit tests that run no year.',
  )
  process.exit(0)
}
ensureInstalled()
const CACHE = join(ROOT, '.cache')
mkdirSync(CACHE, { recursive: true })

const began = performance.now()
let passed = 0
let failed = 0
/** What failed, and what passed only when it was tried again: each with what to type to run it alone. */
const failures = []
const retried = []

/** Runs a program from the packages. What it prints is shown as it comes, or kept. */
function program(name, args, { shown = false, env = {} } = {}) {
  const file = name === 'node' ? process.execPath : join(ROOT, 'node_modules/.bin', name)
  return new Promise(resolve => {
    const child = spawn(file, args, {
      cwd: ROOT,
      stdio: ['ignore', shown ? 'inherit' : 'pipe', shown ? 'inherit' : 'pipe'],
      env: { ...process.env, NUXT_TELEMETRY_DISABLED: '1', ...env },
    })
    let printed = ''
    for (const stream of [child.stdout, child.stderr]) stream?.on('data', text => (printed += text))
    child.on('error', error => resolve({ ok: false, printed: String(error) }))
    child.on('close', code => resolve({ ok: code === 0, printed }))
  })
}

const seconds = since => ((performance.now() - since) / 1000).toFixed(0)

/** One check: its programs one after another, until one fails. */
async function check({ name, run, alone }) {
  const since = performance.now()
  let result = { ok: true, printed: '' }
  for (const [file, ...args] of run) if (result.ok) result = await program(file, args)
  if (result.ok) passed++
  else {
    failed++
    failures.push({ name, said: result.printed.trim(), alone })
    say(result.printed)
  }
  say(`${result.ok ? 'ok    ' : 'FAILED'}  ${name}, ${seconds(since)} s`)
  return result.ok
}

const incremental = name => ['--incremental', '--tsBuildInfoFile', `.cache/${name}.tsbuildinfo`]
const FORMAT = {
  name: 'format',
  run: [['prettier', '--check', '--log-level', 'warn', '--cache', '--cache-location', '.cache/prettier', '.']],
  alone: 'npm run format',
}
const STYLE = {
  name: 'style',
  run: [['eslint', '--cache', '--cache-location', '.cache/eslint', '--cache-strategy', 'content', '.']],
  alone: 'npm run lint',
}
const TYPES = [
  {
    name: 'types of the core and the formats',
    run: [['tsc', '-p', 'core/tsconfig.json', ...incremental('core')]],
    alone: 'npm run typecheck',
  },
  {
    name: 'types of the tests and the command line',
    run: [['tsc', '-p', 'tests/tsconfig.json', ...incremental('tests')]],
    alone: 'npm run typecheck',
  },
]
const APP_TYPES = {
  name: 'types of the app and the server',
  run: [
    ['nuxt', 'prepare', '--logLevel', 'silent'],
    ['vue-tsc', '-b', '--noEmit'],
  ],
  alone: 'npm run typecheck',
}
const BOUNDARIES = {
  name: 'boundaries',
  run: [['depcruise', '--config', '.dependency-cruiser.cjs', 'core', 'formats', 'cli', 'server', 'app']],
  alone: 'npm run boundaries',
}

/** Runs Jest; its reporter prints a line for each file. */
async function tests(name, file, args, alone) {
  const since = performance.now()
  const report = join(CACHE, `${name}.json`)
  rmSync(report, { force: true })
  const { ok } = await program(file, [...args, '--json', `--outputFile=${report}`], { shown: true })
  const before = failed
  try {
    const told = JSON.parse(readFileSync(report, 'utf8'))
    passed += told.numPassedTests
    failed += told.numFailedTests + told.numRuntimeErrorTestSuites
    if (told.numPassedTests === 0) failed++
    for (const suite of told.testResults) {
      const at = relative(ROOT, suite.name)
      const only = title => `${alone} ${at}${title ? ` -t '${title.replaceAll(/[^\w ]/g, '.')}'` : ''}`
      for (const { status, fullName, failureMessages, invocations } of suite.assertionResults) {
        const one = { name: `${at}: ${fullName}`, alone: only(fullName) }
        if (status === 'failed') failures.push({ ...one, said: failureMessages.join('\n') })
        else if (invocations > 1) retried.push(one)
      }
      if (suite.status === 'failed' && suite.assertionResults.every(t => t.status !== 'failed'))
        failures.push({ name: at, alone: only(), said: suite.message })
    }
  } catch {
    failed++
  }
  if (!ok && failed === before) failed++
  say(`${failed === before ? 'ok    ' : 'FAILED'}  ${name} tests, ${seconds(since)} s`)
}

/** As many things at a time as there are lists. */
const inLanes = (...lanes) =>
  Promise.all(
    lanes.map(async lane => {
      for (const one of lane) await (typeof one === 'function' ? one() : check(one))
    }),
  )
/** The app, built while other things are checked. */
async function build() {
  const { isDone, done } = buildStamp()
  if (isDone) return
  if (await check({ name: 'build', run: [['nuxt', 'build', '--logLevel', 'silent']], alone: 'npm run build' })) done()
}

const PARTS = quick ? 2 : 3
say(`Part 1 of ${PARTS}: style, types, boundaries${quick ? '' : ' and the build'}.`)
// Two lanes that take about as long.
await (quick
  ? inLanes([APP_TYPES, FORMAT], [STYLE, ...TYPES, BOUNDARIES])
  : inLanes([APP_TYPES, build], [STYLE, ...TYPES, FORMAT, BOUNDARIES]))
say(`Part 2 of ${PARTS}: the unit tests${quick ? ' that run no year' : ''}, a line for each file.`)
await tests('unit', 'jest', ['--config', quick ? 'jest.quick.config.mjs' : 'jest.config.mjs'], 'npm run unit --')
if (!quick) {
  say(`Part 3 of ${PARTS}: end to end, a line for each file.`)
  await tests('end-to-end', 'node', ['scripts/e2e.mjs'], 'npm run e2e --')
}

for (const { name, said, alone } of failures) say(`\nFAILED  ${name}\n${said}\n  Alone: ${alone}`)
if (retried.length > 0) {
  say(`\nPassed only when tried again: ${retried.length}. Each has a fault to be found.`)
  for (const { name, alone } of retried) say(`  ${name}\n    Alone: ${alone}`)
} else if (!quick) say('No test had to be tried again.')
say(`${Math.floor(seconds(began) / 60)} min ${Math.round(seconds(began) % 60)} s`)
console.log(`${passed} passed, ${failed} failed`)
process.exit(failed > 0 ? 1 : 0)
