import type { Step } from './step'

export const weighUp: Step = {
  id: 'weighUp',
  name: 'Weigh up',
  panel: () => import('~/components/steps/WeighUpStep.vue'),
  whole: () => true,
  summary: () => 'what the next money buys',
}
