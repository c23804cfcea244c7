import { parseArgs } from 'node:util'
import { BadInput } from './bad-input'

/**
 * Named options with their values, and the words that stand alone; flags have none, and are “yes”.
 * Throws BadInput for an option that is not known or has no value.
 */
export function readOptions(
  args: string[],
  names: readonly string[],
  words: readonly string[],
  flags: readonly string[] = [],
): { options: Record<string, string | undefined>; words: string[] } {
  try {
    // A value such as -70.4 would read as an option: join it to its name.
    const joined: string[] = []
    for (let i = 0; i < args.length; i++) {
      if (args[i]!.startsWith('--') && !args[i]!.includes('=') && /^-[\d.]/.test(args[i + 1] ?? ''))
        joined.push(`${args[i]}=${args[++i]}`)
      else joined.push(args[i]!)
    }
    const { values, positionals } = parseArgs({
      args: joined,
      allowPositionals: true,
      options: {
        ...Object.fromEntries(names.map(n => [n, { type: 'string' as const }])),
        ...Object.fromEntries(flags.map(n => [n, { type: 'boolean' as const }])),
      },
    })
    if (positionals.length !== words.length)
      throw new Error(words.length === 0 ? 'takes no words' : `needs ${words.map(w => `<${w}>`).join(' ')}`)
    const options = Object.fromEntries(Object.entries(values).map(([name, v]) => [name, v === true ? 'yes' : v]))
    return { options: options as Record<string, string | undefined>, words: positionals }
  } catch (error) {
    throw new BadInput([
      `arguments: ${(error as Error).message.split('\n')[0]}; allowed: ` +
        `${[...words.map(w => `<${w}>`), ...[...names, ...flags].map(n => `--${n}`)].join(' ') || 'nothing more'}`,
    ])
  }
}

/** A number option within its range. */
export function numberOption(name: string, text: string | undefined, low: number, high: number, whole = false): number {
  const value = text === undefined || text.trim() === '' ? NaN : Number(text)
  if (!Number.isFinite(value) || value < low || value > high || (whole && !Number.isInteger(value))) {
    throw new BadInput([
      `--${name}: ${text === undefined ? 'is missing' : `“${text}” is not usable`}; allowed: a ` +
        `${whole ? 'whole ' : ''}number from ${low} to ${high}`,
    ])
  }
  return value
}

/** The values of an option that may be given several times, and the arguments without them. */
export function listOption(name: string, args: readonly string[]): { rest: string[]; values: string[] } {
  const rest: string[] = []
  const values: string[] = []
  for (let i = 0; i < args.length; i++) {
    if (args[i]!.startsWith(`--${name}=`)) values.push(args[i]!.slice(name.length + 3))
    else if (args[i] === `--${name}` && args[i + 1] !== undefined) values.push(args[++i]!)
    else rest.push(args[i]!)
  }
  return { rest, values }
}
