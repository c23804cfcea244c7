import { laidOn } from '../core/moves/registry'
import { briefOf } from '../core/study/brief'
import { ranked, ranksByHeat, rungOf } from '../core/study/ladder'
import type { Winter } from '../core/study/winter'
import { winterOf, WINTERS_FOR, wintersOf } from '../core/study/winters-ahead'
import type { Design } from '../core/design'
import { PAPERS, type PaperId } from '../core/drawings/sheet'
import { formatQuantity, type Show, type UnitSystem } from '../core/units'
import { yearView } from '../core/view'
import { createYearEngine, type YearEngine } from '../core/year'
import { writeReportPdf } from '../formats/report-pdf'
import { writeSetPdf } from '../formats/set-pdf'
import { BadInput } from './bad-input'
import { loadDesign } from './design-commands'
import { shippedFonts } from './fonts'
import { readOptions } from './options'
import { writableAt, writeWhole } from './output'
import { workOut } from './study-pool'

/** The winters that a report tells of; none where there is but one that was measured. */
function wintersAhead(design: Design, engine: YearEngine): Winter[] {
  const ahead = wintersOf(design, WINTERS_FOR[design.aim.winter])
  return ahead.length < 2 ? [] : ahead.map(w => winterOf(design.aim, w, engine.coldest(w.design, { heated: true })))
}

/** `report --set`: all that a builder takes to the site. */
async function writeSet(file: string, word: string, paper: PaperId, units: UnitSystem): Promise<unknown> {
  const design = loadDesign(word)
  const engine = createYearEngine()
  const view = yearView(design, engine.run(design))
  const today = new Date().toISOString().slice(0, 10)
  const show: Show = (v, quantity) => formatQuantity(v, quantity, units)
  const winters = wintersAhead(design, engine)
  const parts = { design, view, show, winters, paper, date: today, today, feet: units !== 'metric' }
  const { bytes, pages, chapters } = await writeSetPdf(parts, shippedFonts())
  writeWhole(file, bytes, [word])
  return { pdf: file, pages, chapters }
}

/**
 * `report`: the whole design as a printed report; `--ladder yes` works the ladder out for it. With `--set` the
 * builder’s set instead, its sheets on `--paper`, in `--units`.
 */
export async function reportCommand(args: string[]): Promise<unknown> {
  const { options, words } = readOptions(args, ['pdf', 'ladder', 'paper', 'units'], ['design.json'], ['set'])
  if (options.pdf === undefined) throw new BadInput(['--pdf: is missing; allowed: a file to write, such as report.pdf'])
  if (options.ladder !== undefined && options.ladder !== 'yes' && options.ladder !== 'no')
    throw new BadInput([`--ladder: “${options.ladder}” is not usable; allowed: yes or no`])
  const units = options.units ?? 'metric'
  if (units !== 'metric' && units !== 'us' && units !== 'mixed')
    throw new BadInput([`--units: “${units}” is not usable; allowed: metric, us or mixed`])
  const paper = (options.paper ?? (units === 'metric' ? 'A4' : 'letter')) as PaperId
  if (!(paper in PAPERS))
    throw new BadInput([`--paper: “${paper}” is not known; allowed: ${Object.keys(PAPERS).join(', ')}`])
  writableAt(options.pdf, words)
  if (options.set) return writeSet(options.pdf, words[0]!, paper, units)
  if (options.paper !== undefined) throw new BadInput(['--paper: is for the builder’s set; allowed: with --set'])
  const design = loadDesign(words[0]!)
  const engine = createYearEngine()
  const view = yearView(design, engine.run(design))
  const laid = options.ladder === 'yes' ? laidOn(design) : []
  const briefs = await workOut(
    'brief',
    laid.map(l => l.design),
  )
  const now = briefOf(design, view.answers)
  const rungs = laid.map((l, i) => rungOf(design, now, l, briefs[i]!))
  const { bytes, pages } = await writeReportPdf(
    {
      design,
      view,
      winters: wintersAhead(design, engine),
      rungs: ranked(rungs, 'money', ranksByHeat(design)),
      show: (v, quantity) => formatQuantity(v, quantity, units),
    },
    shippedFonts(),
  )
  writeWhole(options.pdf, bytes, [words[0]!])
  return { pdf: options.pdf, pages }
}
