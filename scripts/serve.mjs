// Starts the built server on 127.0.0.1; shared by the demo, the end-to-end tests and the screenshots.
import { spawn } from 'node:child_process'
import { createServer } from 'node:net'
import { join } from 'node:path'
import { ROOT } from './setup.mjs'

function isFree(port, host) {
  return new Promise(resolve => {
    const probe = createServer()
    probe.once('error', () => resolve(false))
    probe.listen(port, host, () => probe.close(() => resolve(true)))
  })
}

/** The first free port from `from` on. */
export async function freePort(from, host = '127.0.0.1') {
  for (let port = from; port < Math.min(from + 200, 65536); port++) if (await isFree(port, host)) return port
  throw new Error(`No free port from ${from} to ${from + 199}. Give another with --port.`)
}

/** Starts the server and waits until it answers. */
export async function startServer(port, host = '127.0.0.1') {
  const child = spawn(process.execPath, [join(ROOT, '.output/server/index.mjs')], {
    stdio: ['ignore', 'ignore', 'inherit'],
    env: { ...process.env, HOST: host, NITRO_HOST: host, PORT: String(port), NITRO_PORT: String(port) },
  })
  const address = `http://${host}:${port}`
  for (let i = 0; i < 150; i++) {
    if (child.exitCode !== null) throw new Error('The server ended as it started; the lines above say why.')
    try {
      if ((await fetch(`${address}/api/health`)).ok) return { child, address }
    } catch {
      /* not up yet */
    }
    await new Promise(r => setTimeout(r, 200))
  }
  child.kill()
  throw new Error('The server did not answer within 30 s.')
}
