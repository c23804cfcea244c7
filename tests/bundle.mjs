// Before Jest runs: the core, its readers of files, the commands and the proofs as one module, as the app and the
// command line bundle them. Module by module every call across a file goes through a getter, and a year takes half as
// long again.
import { mkdirSync, readdirSync } from 'node:fs'
import { join } from 'node:path'
import { build } from 'esbuild'

const ROOT = join(import.meta.dirname, '..')
/** What is loaded once for all files of tests. */
const SHARED = ['core', 'formats', 'cli', 'tests/proof', 'tests/shared']
const OUT = join(ROOT, 'node_modules/.cache/tierra-tests')
/** Begin to run as soon as they are loaded. */
const PROGRAMS = /^cli\/(tierra|.*-worker|write-format-page)\.ts$/

export default async function bundle() {
  const files = SHARED.flatMap(folder =>
    readdirSync(join(ROOT, folder), { recursive: true }).map(name => join(folder, name)),
  ).filter(name => name.endsWith('.ts') && !/\.(test|d)\.ts$/.test(name) && !PROGRAMS.test(name))
  mkdirSync(OUT, { recursive: true })
  const contents = files.map((name, i) => `export * as m${i} from './${name}'`)
  await build({
    stdin: {
      contents: `${contents.join('\n')}\nexport const FILES = ${JSON.stringify(files)}\n`,
      resolveDir: ROOT,
      loader: 'ts',
    },
    outfile: join(OUT, 'shared.cjs'),
    bundle: true,
    platform: 'node',
    format: 'cjs',
    target: 'node20',
    packages: 'external',
    sourcemap: 'external',
    define: { 'import.meta.url': 'SHARED_URL' },
    banner: { js: `const SHARED_URL = ${JSON.stringify(`file://${join(ROOT, 'cli/any.ts')}`)}` },
    logLevel: 'error',
  })
}
