import { runTierra } from './run'

// A reader that has seen enough closes the pipe: that is no fault.
process.stdout.on('error', (error: NodeJS.ErrnoException) => {
  if (error.code === 'EPIPE') process.exit(0)
  throw error
})
process.exitCode = await runTierra(process.argv.slice(2))
