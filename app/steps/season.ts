import type { Step } from './step'

export const season: Step = {
  id: 'season',
  name: 'Season book',
  panel: () => import('~/components/steps/SeasonStep.vue'),
  whole: () => true,
  summary: () => 'what to do tonight',
}
