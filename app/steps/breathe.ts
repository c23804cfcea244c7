import { entry, LEAKAGE_CLASSES } from '../../core/catalog'
import type { Step } from './step'

export const breathe: Step = {
  id: 'breathe',
  name: 'Breathe',
  panel: () => import('~/components/steps/BreatheStep.vue'),
  summary: ({ design: { breathe } }) =>
    breathe.leakage === 'measured' ? 'measured' : entry(LEAKAGE_CLASSES, breathe.leakage).name.toLowerCase(),
}
