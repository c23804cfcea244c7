import { spawnSync } from 'node:child_process'
import { join } from 'node:path'
import type { Ended } from '../shared/tierra'

/** Runs a command of `tierra` as people do: bundled, a process of its own, which may have workers. */
export function spawned(...args: string[]): Ended {
  const { status, stdout, stderr } = spawnSync(process.execPath, [join(process.cwd(), 'scripts/tierra.mjs'), ...args], {
    encoding: 'utf8',
    maxBuffer: 1e8,
  })
  return { code: status ?? 1, out: stdout, err: stderr, json: () => JSON.parse(stdout) }
}
