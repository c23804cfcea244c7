// npm test: everything. Installs if needed (packages, Chromium), then style, types, boundaries, unit and end-to-end
// tests.
import { mkdirSync, readFileSync, rmSync } from 'node:fs'
import { join } from 'node:path'
import { ensureInstalled, ROOT, run, say } from './setup.mjs'

if (process.argv.slice(2).some(a => a === '--help' || a === '-h')) {
  console.log(
    'npm test\n\nInstalls if needed (packages; Chromium where it may), then runs style, types, ' +
      'boundaries, unit and end-to-end tests. Its last line is “N passed, N failed”.',
  )
  process.exit(0)
}
ensureInstalled()
let passed = 0
let failed = 0

function check(name, ok) {
  if (ok) passed++
  else failed++
  say(`${ok ? 'ok' : 'FAILED'}: ${name}`)
}

function tests(name, command, args) {
  const report = join(ROOT, '.cache', `${name}.json`)
  mkdirSync(join(ROOT, '.cache'), { recursive: true })
  rmSync(report, { force: true })
  const ok = run(command, [...args, '--json', `--outputFile=${report}`])
  try {
    const counts = JSON.parse(readFileSync(report, 'utf8'))
    passed += counts.numPassedTests
    failed += counts.numFailedTests + counts.numRuntimeErrorTestSuites
    if (!ok && counts.numFailedTests + counts.numRuntimeErrorTestSuites === 0) failed++
    if (counts.numPassedTests === 0) failed++
  } catch {
    failed++
  }
  say(`${ok ? 'ok' : 'FAILED'}: ${name} tests`)
}

check('format', run('npx', ['prettier', '--check', '--log-level', 'warn', '.']))
check('style', run('npx', ['eslint', '.']))
check('types of the core and the formats', run('npx', ['tsc', '-p', 'core/tsconfig.json']))
check('types of the tests and the command line', run('npx', ['tsc', '-p', 'tests/tsconfig.json']))
check(
  'types of the app and the server',
  run('npx', ['nuxt', 'prepare', '--logLevel', 'silent']) && run('npx', ['vue-tsc', '-b', '--noEmit']),
)
check(
  'boundaries',
  run('npx', ['depcruise', '--config', '.dependency-cruiser.cjs', 'core', 'formats', 'cli', 'server', 'app']),
)
tests('unit', 'npx', ['jest', '--config', 'jest.config.mjs'])
tests('end-to-end', process.execPath, ['scripts/e2e.mjs'])

console.log(`${passed} passed, ${failed} failed`)
process.exit(failed > 0 ? 1 : 0)
