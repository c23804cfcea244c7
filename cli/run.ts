import { benchCommand } from './bench'
import { BadInput, FoundWrong } from './bad-input'
import {
  checkCommand,
  demoCommand,
  demosCommand,
  simulateCommand,
  spellCommand,
  sumsCommand,
  weatherCommand,
} from './design-commands'
import { fuzzCommand } from './fuzz-command'
import { cutsCommand, drawCommand, planCommand, takeoffCommand } from './build-commands'
import { reportCommand } from './report-command'
import { fitCommand, tasksCommand, tonightCommand } from './season-commands'
import { findCommand, ladderCommand, sweepCommand, wintersCommand } from './study-commands'
import { startCommand } from './start-command'
import { sunCommand } from './sun-command'
import { verifyCommand } from './verify-command'

interface Command {
  usage: string
  about: string
  run: (args: string[]) => unknown
}

const COMMANDS: Record<string, Command> = {
  sun: {
    usage: 'sun --lat 47.1 --lon 15.4 --at 2027-01-15T11:00:00Z',
    about:
      'Where the sun stands, and its day. Latitude −90 to 90°, longitude −180 to 180°, an instant with ' +
      'its offset from 1950 to 2050.',
    run: sunCommand,
  },
  demos: { usage: 'demos', about: 'The ids and names of the demo designs.', run: demosCommand },
  demo: { usage: 'demo <id>', about: 'One of them as a document.', run: demoCommand },
  start: {
    usage: 'start <answers.json>',
    about:
      'The design to begin with for some answers: where (latitudeDeg, longitudeDeg, knownLow), what (form, ' +
      'facingDeg, lengthM, widthM), what grows there (lives), what is at hand (power, water, drums, stone, windows).',
    run: startCommand,
  },
  check: {
    usage: 'check <design.json>',
    about:
      'Whether a document is sound: {"ok":true}, or its faults and exit code 2; and what in it stands in something ' +
      'else, and what cannot be reached from a door.',
    run: checkCommand,
  },
  simulate: {
    usage: 'simulate <design.json> [--weather file.epw] [--seed n] [--steps-per-hour n] [--hourly out.csv]',
    about:
      'The answers to the design’s year. --weather takes the hours of an EPW file in place of the ' +
      'design’s own climate, --seed other made days (0 to 4294967295), --steps-per-hour 1 to 60 (4 unless ' +
      'said), --hourly writes every hour as CSV.',
    run: simulateCommand,
  },
  sums: {
    usage: 'sums <design.json>',
    about:
      'Every sum by hand with the design’s own numbers, line by line, as a spreadsheet formula too, and what its ' +
      'year says beside it.',
    run: sumsCommand,
  },
  spell: {
    usage: 'spell <design.json> --dull 5 --clear 3 --low -20 [--start 15]',
    about:
      'Dull days (0 to 14), then clear ones (1 to 14) whose nights fall to a low, °C (−60 to 30), laid into the ' +
      'year from a day of it (1 to 365; by itself one in the middle of the coldest month): how each day stands, and ' +
      'what fails first.',
    run: spellCommand,
  },
  winters: {
    usage: 'winters <design.json> [--n 20] [--workers 2]',
    about:
      'As many winters (1 to 1000) of the design’s climate: the coldest night of each, how often there is frost ' +
      'inside and how often the aim is missed, and what one in ten is colder and warmer than.',
    run: wintersCommand,
  },
  sweep: {
    usage: 'sweep <design.json> --vary shape.turnDeg=-40:40:20 [--vary path=…] [--workers 2]',
    about:
      'One or two decisions over a range, from:to:step or one,two: the coldest night, heat, winter light, hottest ' +
      'afternoon and cost of each. What can’t be built is told on standard error and left out.',
    run: sweepCommand,
  },
  ladder: {
    usage: 'ladder <design.json> [--workers 2]',
    about:
      'Every sensible single change to the design, each run for its year, ranked by what its money buys: how ' +
      'much better what lives there is kept (lifeK), for what it costs and ten years of what it buys; or what is ' +
      'saved a year where the house buys heat. Each with the edits that make it.',
    run: ladderCommand,
  },
  find: {
    usage:
      'find <design.json> --coldest 2 | --life 0 [--budget 4000] [--running 200] [--light 5] [--moves id,id…] ' +
      '[--workers 2]',
    about:
      'The cheapest set of changes whose coldest night is at least so warm, °C, within a budget, with no more bought ' +
      'in a year and at least so much winter light, mol/m²·d: every set of at most eight moves is run (the most ' +
      'promising, unless named).',
    run: findCommand,
  },
  tasks: {
    usage: 'tasks <design.json> [--from 2027-09-01] [--ics out.ics]',
    about:
      'What a season asks of the house, with dates from its climate and its own year, within a year from a day ' +
      '(today unless given); as a calendar.',
    run: tasksCommand,
  },
  fit: {
    usage: 'fit <design.json> <log.csv>',
    about:
      'What readings say of the house: leaks, cover, glazing, ground and mass by least squares, each with the range ' +
      'that nine of ten lie in, and whether the readings can tell. The log has time,inside_C,outside_C and, where ' +
      'they were read, soil_C,water_C,rh, or date,inside_min_C,inside_max_C,outside_min_C,outside_max_C by the day.',
    run: fitCommand,
  },
  tonight: {
    usage: 'tonight <design.json> --forecast f.json [--log log.csv]',
    about:
      'What the nights of a forecast come to inside if nothing is done by hand, how sure that is, and what each ' +
      'thing that can be done is worth. The forecast is {"days":[{"date":…,"lowC":…,"highC":…,' +
      '"sky":"clear|fair|dull","windMs":…,"snow":false}]}, lowC the low of the night after the day.',
    run: tonightCommand,
  },
  report: {
    usage: 'report <design.json> --pdf out.pdf [--ladder yes] [--set] [--paper A4] [--units metric|us|mixed]',
    about:
      'The design as a printed report: section and plan to scale, the months, heat in and out, costs, sums, ' +
      'assumptions, cautions and how far to trust it; with the ladder of changes where it is asked for.',
    run: reportCommand,
  },
  takeoff: {
    usage: 'takeoff <design.json> [--csv out.csv]',
    about: 'What is to be bought, by stage and part, with waste, packs and prices; what is dug and carted away.',
    run: takeoffCommand,
  },
  cuts: {
    usage: 'cuts <design.json> [--csv out.csv]',
    about: 'Members with their lengths and saw angles, and how lumber and sheets are cut from what is sold.',
    run: cutsCommand,
  },
  draw: {
    usage:
      'draw <design.json> --view section [--svg out.svg] [--dxf out.dxf] [--pdf out.pdf] [--paper A3] ' +
      '[--scale 50]',
    about:
      'A view to scale with its dimensions: section, plan, foundation, pipes, elevation (of the sunny side), sunny, ' +
      'pole, east, west, glazing, details of wall, edge and sill, and workshop, a sheet for its wall. Paper: A4, A3, ' +
      'letter, tabloid. DXF is in millimetres, its layers by part.',
    run: drawCommand,
  },
  plan: {
    usage: 'plan <design.json> --start 2027-04-05 [--ics out.ics]',
    about:
      'The work in its order, with what it holds for: days by who builds, none on a day off, each when this site ' +
      'usually has the weather for it. As a calendar where a file is named.',
    run: planCommand,
  },
  weather: {
    usage: 'weather <design.json> --out year.epw',
    about: 'Writes the hourly year of the design’s site as an EPW file; prints its monthly means.',
    run: weatherCommand,
  },
  verify: {
    usage: 'verify [--long] [--limits [--seed 1]] [--sanity]',
    about:
      'The table of proofs, computed now; with those that take minutes. Or limits, symmetries and pairs over all ' +
      'demos, values drawn from a seed. Ends with 1 when one fails. Or houses beside what such houses are known to do.',
    run: verifyCommand,
  },
  bench: { usage: 'bench [--runs 300]', about: 'How fast years are worked out on this machine.', run: benchCommand },
  fuzz: {
    usage: 'fuzz [--n 5000] [--seed 1] [--extremes no]',
    about:
      'Sound documents anywhere in their ranges, run: numbers that are none, open ledgers, crashes. Ends ' +
      'with 1 when there is any.',
    run: fuzzCommand,
  },
}

const help = (name: string) =>
  `tierra ${COMMANDS[name]!.usage}\n\n${COMMANDS[name]!.about}\nPrints JSON on standard output, ` +
  `messages on standard error. Exit code 0 done, 2 bad input, 1 anything else.`
/** What a command does, in the first words of what it says of itself. */
const brief = (about: string) => about.split(/[:;.](?:\s|$)/)[0]!
const USAGE = [
  'tierra <command>, or <command> --help',
  ...Object.values(COMMANDS).map(c => `  ${c.usage}\n      ${brief(c.about)}`),
].join('\n')

/**
 * Runs a command: JSON on standard output, messages on standard error.
 * @param args what was typed after `tierra`
 * @returns its exit code: 0 done, 2 bad input, 1 anything else
 */
export async function runTierra([name, ...args]: string[]): Promise<number> {
  try {
    if (name === '--help' || name === '-h' || name === 'help') return print(USAGE)
    const command = name !== undefined && Object.hasOwn(COMMANDS, name) ? COMMANDS[name] : undefined
    if (!command)
      throw new BadInput([
        name === undefined
          ? 'command: is missing; allowed: the following'
          : `command: “${name}” is not known; allowed: the following`,
        USAGE,
      ])
    if (args.includes('--help') || args.includes('-h')) return print(help(name!))
    return print(JSON.stringify(await command.run(args)))
  } catch (error) {
    if (error instanceof FoundWrong) return print(JSON.stringify(error.output), 1)
    if (error instanceof BadInput && error.output !== undefined) print(JSON.stringify(error.output))
    const lines = error instanceof BadInput ? error.lines : [error instanceof Error ? error.message : String(error)]
    process.stderr.write(`${lines.join('\n')}\n`)
    return error instanceof BadInput ? 2 : 1
  }
}

function print(text: string, code = 0): number {
  process.stdout.write(`${text}\n`)
  return code
}
