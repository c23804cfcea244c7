import { keptAirC, sourceName } from '../../core/sources/registry'
import type { Step } from './step'

export const topUp: Step = {
  id: 'topUp',
  name: 'Top-up',
  panel: () => import('~/components/steps/TopUpStep.vue'),
  summary: ({ design: { topUp }, show }) => {
    const kept = keptAirC(topUp.sources)
    const used = topUp.sources.flatMap((s, i) => (s.on ? [sourceName(topUp.sources, i)] : []))
    if (used.length === 0) return 'no added heat'
    const names = used.join(', ').toLowerCase()
    return kept === null ? names : `${names}; air at ${show(kept, 'temperature')}`
  },
}
