import { takeoff } from '../../core/takeoff/takeoff'
import { formatNumber } from '../../core/units'
import type { Step } from './step'

export const build: Step = {
  id: 'build',
  name: 'Build',
  panel: () => import('~/components/steps/BuildStep.vue'),
  whole: () => true,
  summary: ({ design }) => {
    const { lines, total, currency } = takeoff(design)
    return `${lines.length} lines, ${currency} ${formatNumber(total, 0)}`
  },
}
