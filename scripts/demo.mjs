// npm run demo: installs if needed, builds if needed, serves with the demo designs, prints the address.
import { ensureBuilt, ensureInstalled, say } from './setup.mjs'
import { freePort, startServer } from './serve.mjs'

const args = process.argv.slice(2)
if (args.includes('--help') || args.includes('-h')) {
  console.log(
    'npm run demo [-- --port 4310]\n\nInstalls if needed, builds if needed, serves Tierra with the demo ' +
      'designs on 127.0.0.1 and prints the address. Stop it with Ctrl+C.',
  )
  process.exit(0)
}
const at = args.findIndex(a => a === '--port' || a === '-p')
const given =
  at >= 0
    ? args[at + 1]
    : (args.find(a => /^--port=/.test(a))?.slice(7) ?? args.find(a => /^\d+$/.test(a)) ?? process.env.PORT)
const wanted = given === undefined ? 4310 : Number(given)
if (!Number.isInteger(wanted) || wanted < 1 || wanted > 65535) {
  say(`--port: “${given}” is not a port; allowed: a whole number from 1 to 65535`)
  process.exit(2)
}
try {
  ensureInstalled()
  ensureBuilt()
  const port = await freePort(wanted)
  if (port !== wanted) say(`Port ${wanted} is taken; using ${port}.`)
  const { child, address } = await startServer(port)
  console.log(`Tierra is at ${address}  (stop with Ctrl+C)`)
  for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => child.kill(signal))
  child.on('exit', code => process.exit(code ?? 0))
} catch (error) {
  say(error.message)
  process.exit(1)
}
