import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { laidOn } from '../core/moves/registry'
import { briefOf } from '../core/study/brief'
import { ranked, ranksByHeat, rungOf } from '../core/study/ladder'
import { formatQuantity } from '../core/units'
import { yearView } from '../core/view'
import { createYearEngine } from '../core/year'
import type { FontFiles } from '../formats/pdf-page'
import { writeReportPdf } from '../formats/report-pdf'
import { BadInput } from './bad-input'
import { loadDesign } from './design-commands'
import { readOptions } from './options'
import { writeWhole } from './output'
import { workOut } from './study-pool'

/** The fonts that ship with the app. */
function fonts(): FontFiles {
  const { resolve } = createRequire(import.meta.url)
  const files = (family: string, weight: number) =>
    // A copy: a file that is read lies amid a larger buffer.
    ['latin', 'latin-ext'].map(
      set =>
        new Uint8Array(readFileSync(resolve(`@fontsource/${family}/files/${family}-${set}-${weight}-normal.woff`))),
    )
  return { text: files('source-sans-3', 400), strong: files('source-sans-3', 600), heading: files('zilla-slab', 600) }
}

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
    fonts(),
  )
  writeWhole(options.pdf, bytes, [words[0]!])
  return { pdf: options.pdf, pages }
}
