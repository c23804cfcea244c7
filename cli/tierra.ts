import { benchCommand } from './bench'
import { BadInput } from './bad-input'
import { checkCommand, demoCommand, demosCommand, simulateCommand, weatherCommand } from './design-commands'
import { fuzzCommand } from './fuzz-command'
import { sunCommand } from './sun-command'
import { verifyCommand } from './verify-command'

const USAGE = `tierra <command>
  sun --lat 47.1 --lon 15.4 --at 2027-01-15T11:00:00Z   where the sun stands
  demos                                                the demo designs
  demo <id>                                            one of them as a document
  check <design.json>                                  whether a document is sound
  simulate <design.json> [--weather file.epw] [--seed n] [--steps-per-hour n] [--hourly out.csv]
  weather <design.json> --out year.epw                 the hourly year as an EPW file
  verify                                               the table of proofs
  bench                                                how fast it runs here
  fuzz [--n 5000] [--seed n] [--extremes no]           random sound documents: numbers that are none, open ledgers`

const COMMANDS: Record<string, (args: string[]) => unknown> = {
  sun: sunCommand, demos: demosCommand, demo: demoCommand, check: checkCommand, simulate: simulateCommand, weather: weatherCommand, verify: verifyCommand, bench: benchCommand, fuzz: fuzzCommand,
}

async function main(): Promise<void> {
  const [name, ...args] = process.argv.slice(2)
  const command = name === undefined ? undefined : COMMANDS[name]
  if (!command) throw new BadInput([name === undefined ? 'command: is missing; allowed: the following' : `command: “${name}” is not known; allowed: the following`, USAGE])
  const output = await command(args)
  process.stdout.write(`${JSON.stringify(output)}\n`)
}

main().catch((error: unknown) => {
  if (error instanceof BadInput) {
    if (error.output !== undefined) process.stdout.write(`${JSON.stringify(error.output)}\n`)
    process.stderr.write(`${error.lines.join('\n')}\n`)
    process.exitCode = 2
    return
  }
  process.stderr.write(`${error instanceof Error ? error.message : String(error)}\n`)
  process.exitCode = 1
})
