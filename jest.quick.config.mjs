import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import unit from './jest.config.mjs'

/** What works years out, or has them worked out, imports one of these. */
const RUNS_YEARS = /from '[^']*\/(core\/year|network\/(run|stepper|coldest)|proof\/[^']*|shared\/(years|tierra))'/
/** Many cases each, without a year. */
const LONG = ['tests/app/keeping-model.test.ts', 'tests/core/generator.test.ts']

const ROOT = import.meta.dirname
const files = readdirSync(join(ROOT, 'tests'), { recursive: true })
  .map(name => join('tests', name))
  .filter(name => name.endsWith('.test.ts') && !/^tests\/(e2e|proof)\//.test(name) && !LONG.includes(name))

/** The unit tests that run no year. */
export default {
  ...unit,
  testMatch: files
    .filter(name => !RUNS_YEARS.test(readFileSync(join(ROOT, name), 'utf8')))
    .map(name => `<rootDir>/${name}`),
}
