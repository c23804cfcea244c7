import { spawn } from 'node:child_process'
import { join } from 'node:path'
import { WAIT_MS } from './browser'

/** A server of its own, which a test may stop, or ask more of than the other tests could bear. */
export async function ownServer(port: number, output = join(process.cwd(), '.output')) {
  const address = `http://127.0.0.1:${port}`
  const child = spawn(process.execPath, [join(output, 'server/index.mjs')], {
    stdio: 'ignore',
    env: { ...process.env, NITRO_HOST: '127.0.0.1', NITRO_PORT: String(port), PORT: String(port) },
  })
  const until = Date.now() + WAIT_MS
  while ((await fetch(`${address}/api/health`).catch(() => null))?.ok !== true) {
    if (Date.now() > until || child.exitCode !== null) throw new Error(`No server answers at ${address}.`)
    await new Promise(resolve => setTimeout(resolve, 50))
  }
  return { child, address }
}
