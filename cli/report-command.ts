import { laidOn } from '../core/moves/registry'
import { briefOf } from '../core/study/brief'
import { ranked, ranksByHeat, rungOf } from '../core/study/ladder'
import { formatQuantity } from '../core/units'
import { yearView } from '../core/view'
import { createYearEngine } from '../core/year'
import { writeReportPdf } from '../formats/report-pdf'
import { BadInput } from './bad-input'
import { loadDesign } from './design-commands'
import { shippedFonts } from './fonts'
import { readOptions } from './options'
import { writeWhole } from './output'
import { workOut } from './study-pool'

/** `report`: the whole design as a printed report; `--ladder yes` works the ladder out for it. */
export async function reportCommand(args: string[]): Promise<unknown> {
  const { options, words } = readOptions(args, ['pdf', 'ladder'], ['design.json'])
  if (options.pdf === undefined) throw new BadInput(['--pdf: is missing; allowed: a file to write, such as report.pdf'])
  if (options.ladder !== undefined && options.ladder !== 'yes' && options.ladder !== 'no')
    throw new BadInput([`--ladder: “${options.ladder}” is not usable; allowed: yes or no`])
  const design = loadDesign(words[0]!)
  const view = yearView(design, createYearEngine().run(design))
  const laid = options.ladder === 'yes' ? laidOn(design) : []
  const briefs = await workOut(
    'brief',
    laid.map(l => l.design),
  )
  const now = briefOf(design, view.answers)
  const rungs = laid.map((l, i) => rungOf(design, now, view.answers, l, briefs[i]!))
  const { bytes, pages } = await writeReportPdf(
    {
      design,
      view,
      rungs: ranked(rungs, 'money', ranksByHeat(design)),
      show: (v, quantity) => formatQuantity(v, quantity, 'metric'),
    },
    shippedFonts(),
  )
  writeWhole(options.pdf, bytes, [words[0]!])
  return { pdf: options.pdf, pages }
}
