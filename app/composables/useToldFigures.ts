import type { Brief } from '../../core/study/brief'
import { houseFigure, type HouseFigureId } from '../../core/study/house-figures'
import { useDesign } from '../stores/design'
import { useSettings } from '../stores/settings'

/** What a house's figure is told as, in the reader's units and the design's currency. */
export function useToldFigures() {
  const bench = useDesign()
  const settings = useSettings()
  return (id: HouseFigureId, brief: Brief, currency = bench.current.topUp.currency): string =>
    houseFigure(id).told(brief, settings.show, currency)
}
