// Jest gives each file of tests a world of its own: what it requires is compiled for it, and warms up for it. The core
// and its readers of files keep nothing between calls that a test could see, so they are loaded once for each of the
// runner's processes, outside those worlds, and run there as they run for people (`bundle.mjs` makes them one module).
const { dirname, join, resolve } = require('node:path')
const Runtime = require('jest-runtime').default

const ROOT = dirname(__dirname)
const BUNDLE = join(ROOT, 'node_modules/.cache/tierra-tests/shared.cjs')

const fastCheck = require('fast-check')
// The same cases at every run, so that a red run can be repeated; another FC_SEED explores others. No shrinking: a case
// that fails is shown as it is, at once.
fastCheck.configureGlobal({ seed: Number(process.env.FC_SEED ?? 2027), endOnFailure: true })

let shared
/** The module of a shared file; undefined where a name means another. */
function sharedModule(from, name) {
  if (name === 'fast-check') return fastCheck
  if (!name || !/^\.{0,2}\//.test(name)) return undefined
  if (!shared) {
    const { FILES, ...modules } = require(BUNDLE)
    shared = new Map(FILES.map((file, i) => [join(ROOT, file), modules[`m${i}`]]))
  }
  const path = resolve(dirname(from), name)
  return shared.get(path) ?? shared.get(`${path}.ts`) ?? shared.get(join(path, 'index.ts'))
}

module.exports = class SharedCore extends Runtime {
  constructor(...given) {
    super(...given)
    this.getSourceMaps().set(BUNDLE, `${BUNDLE}.map`)
    // What the core throws is an error to the tests too.
    Object.assign(given[1].global, { Error, RangeError, TypeError, SyntaxError })
  }

  requireModule(from, name, options, isRequireActual) {
    return sharedModule(from, name) ?? super.requireModule(from, name, options, isRequireActual)
  }
}
