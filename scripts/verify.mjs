// npm run verify: the table of proofs, for reading. Ends with 1 when any row fails. With --long: those that
// take minutes too. With --limits [--seed 1]: limits, symmetries and pairs over all demos. With --sanity: houses beside
// what such houses are known to do; what lies outside wants an explanation, and fails nothing.
import { spawnSync } from 'node:child_process'
import { join } from 'node:path'
import { ROOT } from './setup.mjs'

const sanity = process.argv.includes('--sanity')
const command = ['verify', ...process.argv.slice(2)]
const done = spawnSync(process.execPath, [join(ROOT, 'scripts/tierra.mjs'), ...command], {
  cwd: ROOT,
  encoding: 'utf8',
  maxBuffer: 1e8,
  stdio: ['ignore', 'pipe', 'inherit'],
  env: { ...process.env, INIT_CWD: ROOT },
})
if (!done.stdout) process.exit(done.status || 1)
const rows = JSON.parse(done.stdout)
const text = v => (typeof v === 'number' ? String(Number(v.toPrecision(6))) : String(v))
const wide = Math.max(...rows.map(r => r.case.length))
if (sanity) {
  console.log(`${'house'.padEnd(wide)}  ${'expected'.padStart(12)}  ${'got'.padStart(6)}       why`)
  for (const r of rows)
    console.log(
      `${r.case.padEnd(wide)}  ${`${r.low} to ${r.high}`.padStart(12)}  ${r.got.toFixed(1).padStart(6)}  ` +
        `${r.within ? '   ' : 'OUT'}  ${r.why}`,
    )
  process.exit(0)
}
console.log(
  `${'case'.padEnd(wide)}  ${'expected'.padStart(12)}  ${'got'.padStart(12)}  ${'tolerance'.padStart(10)}  ok   source`,
)
for (const r of rows)
  console.log(
    `${r.case.padEnd(wide)}  ${text(r.expected).padStart(12)}  ${text(r.got).padStart(12)}  ` +
      `${text(r.tolerance).padStart(10)}  ${r.ok ? 'ok ' : 'NO '}  ${r.source}`,
  )
const failed = rows.filter(r => !r.ok).length
console.log(`${rows.length - failed} of ${rows.length} ok`)
process.exit(failed > 0 ? 1 : 0)
