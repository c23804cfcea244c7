import { runTierra } from '../../cli/run'

/** What a command of `tierra` ended with. */
export interface Ended {
  code: number
  out: string
  err: string
  /** What it printed, as JSON. */
  // eslint-disable-next-line @typescript-eslint/no-explicit-any -- its shape is what the tests look at
  json: () => any
}

/** Runs a command of `tierra` within this process, and catches what it prints. One at a time. */
export async function tierra(...args: string[]): Promise<Ended> {
  const { stdout, stderr } = process
  const written = { out: '', err: '' }
  const [toOut, toErr] = [stdout.write, stderr.write]
  stdout.write = (text: string) => ((written.out += text), true)
  stderr.write = (text: string) => ((written.err += text), true)
  try {
    const code = await runTierra(args)
    return { code, ...written, json: () => JSON.parse(written.out) }
  } finally {
    stdout.write = toOut
    stderr.write = toErr
  }
}
