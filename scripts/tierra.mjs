// npm run -s tierra -- <command>: the core without a browser. Bundled first, as it is for the browser: a quarter
// quicker than module by module.
import { spawn } from 'node:child_process'
import { mkdirSync, readdirSync, renameSync, statSync, writeFileSync } from 'node:fs'
import { basename, join } from 'node:path'
import { ensureInstalled, ROOT } from './setup.mjs'

ensureInstalled()
const OUT = join(ROOT, 'node_modules/.cache/tierra-cli')
const SOURCES = ['core', 'formats', 'cli', 'tests/proof', 'tests/reference', 'package-lock.json']

/** Time of the youngest file under a path, ms. */
function youngest(path) {
  const at = statSync(path)
  return at.isDirectory()
    ? Math.max(at.mtimeMs, ...readdirSync(path).map(name => youngest(join(path, name))))
    : at.mtimeMs
}

async function bundle() {
  const made = statSync(join(OUT, 'tierra.mjs'), { throwIfNoEntry: false })
  if (made && made.mtimeMs > Math.max(...SOURCES.map(s => youngest(join(ROOT, s))))) return
  const { build } = await import('esbuild')
  const { outputFiles } = await build({
    entryPoints: ['tierra', 'bench-worker', 'fuzz-worker', 'study-worker'].map(name => join(ROOT, 'cli', `${name}.ts`)),
    outdir: OUT,
    outExtension: { '.js': '.mjs' },
    bundle: true,
    write: false,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    packages: 'external',
    logLevel: 'error',
  })
  mkdirSync(OUT, { recursive: true })
  // Beside and renamed: another run never reads half a file. The command last, whose age is looked at.
  for (const file of outputFiles.sort(a => (basename(a.path) === 'tierra.mjs' ? 1 : -1))) {
    writeFileSync(`${file.path}.${process.pid}`, file.contents)
    renameSync(`${file.path}.${process.pid}`, file.path)
  }
}

await bundle()
const child = spawn(process.execPath, [join(OUT, 'tierra.mjs'), ...process.argv.slice(2)], {
  stdio: 'inherit',
  cwd: process.env.INIT_CWD ?? process.cwd(),
})
child.on('exit', (code, signal) => process.exit(signal ? 1 : (code ?? 1)))
