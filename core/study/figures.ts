import type { Answers } from '../answers'
import type { Design } from '../design/types'
import { housePrice } from '../takeoff/takeoff'

/** Mean light of the six winter months at the beds, mol/m²·d. */
export function winterDli({ site }: Pick<Design, 'site'>, { months }: Pick<Answers, 'months'>): number {
  const winter = site.latitudeDeg >= 0 ? [9, 10, 11, 0, 1, 2] : [3, 4, 5, 6, 7, 8]
  return winter.reduce((sum, m) => sum + months[m]!.dli / 6, 0)
}

/** What a house costs to build, by its list, and to run for a year, in its own currency. */
export const costOf = (
  design: Design,
  { running }: Pick<Answers, 'running'>,
): { build: number; running: number; currency: string } => ({
  build: housePrice(design),
  running: running.cost,
  currency: design.topUp.currency,
})
